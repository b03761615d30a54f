package keel.app.floor.web;

import java.util.List;
import java.util.Locale;
import keel.core.begin.Beginning;
import keel.core.standing.MachineKind;

/**
 * A kind of machine from the front, to scale with the others: column, arm, plate, vat, and what lights it.
 *
 * @param light path of the light on its way to the film
 */
record PresetDrawing(String code, String name, String size, List<Box> boxes, String light) {

    static final int WIDTH = 170;
    static final int HEIGHT = 190;

    private static final double SCALE = 0.36;
    private static final double FLOOR = HEIGHT - 6;
    private static final double BASE_MM = 110;
    private static final double VAT_MM = 34;

    /** A rectangle and what it is. */
    record Box(String what, double x, double y, double width, double height) {}

    static List<PresetDrawing> of(Beginning beginning) {
        return beginning.models().stream().map(PresetDrawing::of).toList();
    }

    private static PresetDrawing of(Beginning.Preset p) {
        double w = p.widthMm() * SCALE;
        double middle = WIDTH / 2.0;
        double base = BASE_MM * SCALE;
        double film = FLOOR - base;
        double vat = VAT_MM * SCALE;
        double top = film - (p.heightMm() + 70) * SCALE;
        double plate = film - p.heightMm() * SCALE * 0.45;
        double left = middle - w / 2;
        List<Box> boxes = List.of(
                new Box("base", left - 9, film, w + 18, base),
                new Box("column", left + w + 3, top, 6, film - top),
                new Box("arm", middle - 4, plate - 14, w / 2 + 10, 5),
                new Box("plate", left, plate - 9, w, 9),
                new Box("vat", left - 5, film - vat, w + 10, vat));
        String size =
                Math.round(p.widthMm()) + " × " + Math.round(p.depthMm()) + " × " + Math.round(p.heightMm()) + " mm";
        return new PresetDrawing(p.code(), p.name(), size, boxes, light(p.kind(), middle, film, w, base));
    }

    private static String light(MachineKind kind, double middle, double film, double w, double base) {
        double low = film + base - 8;
        return switch (kind) {
            case MASK ->
                path("M%.1f %.1fh%.1fM%.1f %.1fh%.1f", middle - w / 2, film + 4, w, middle - w / 2 + 5, low, w - 10);
            case PROJECTOR ->
                path(
                        "M%.1f %.1fL%.1f %.1fL%.1f %.1fZ",
                        middle, low, middle - w / 2, film + 3, middle + w / 2, film + 3);
            case LASER_TANK ->
                path(
                        "M%.1f %.1fL%.1f %.1fL%.1f %.1f",
                        middle - w / 2 + 4, low, middle, low - 6, middle + w / 5, film + 2);
        };
    }

    private static String path(String form, Object... at) {
        return String.format(Locale.ROOT, form, at);
    }
}
