package keel.app.bench.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.core.plate.Stance;
import keel.core.plate.Stance.Foot;

/** A machine from above, front below, with what goes under each of its feet. */
record StanceDrawing(List<Mark> feet, boolean stands, String words) {

    private static final double LEFT = 70;
    private static final double RIGHT = 290;
    private static final double BACK = 40;
    private static final double FRONT = 200;

    /** A foot: px, its shim in mm (0 for none), and its name. */
    record Mark(double x, double y, double shimMm, String name) {}

    static StanceDrawing of(Map<Foot, Double> shims) {
        List<Mark> feet = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (Foot foot : List.of(Foot.BACK_LEFT, Foot.BACK_RIGHT, Foot.FRONT_LEFT, Foot.FRONT_RIGHT)) {
            double shim = shims.getOrDefault(foot, 0.0);
            String name = foot.name().toLowerCase(Locale.ROOT).replace('_', ' ');
            feet.add(new Mark(
                    foot.name().endsWith("LEFT") ? LEFT : RIGHT,
                    foot.name().startsWith("BACK") ? BACK : FRONT,
                    shim,
                    name));
            if (shim >= Stance.LEAST_SHIM_MM) {
                words.add(String.format(Locale.ROOT, "%.1f mm under the %s foot", shim, name));
            }
        }
        return new StanceDrawing(
                feet,
                words.isEmpty(),
                words.isEmpty() ? "It stands as it should." : capital(String.join(", ", words)) + ".");
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
