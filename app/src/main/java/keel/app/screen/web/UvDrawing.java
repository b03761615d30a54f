package keel.app.screen.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.screen.UvMaps;
import keel.core.light.LightAgeing;
import keel.core.light.UvMap;

/**
 * A UV map from above, mm, front edge below, and its means over the hours of the light engine.
 *
 * @param readings where and how light; the dimmer, the denser the hatching
 * @param points of the trend, on 560 by 150; {@code line} the fit through them, null where there is none
 */
record UvDrawing(
        double width,
        double depth,
        List<Place> readings,
        List<Point> points,
        String line,
        List<Label> across,
        double lowest,
        double highest,
        String words) {

    private static final double WIDTH = 560;
    private static final double LEFT = 44;
    private static final double HEIGHT = 130;
    private static final double TOP = 12;
    private static final int STEPS = 4;
    private static final double STEP = 0.04;
    private static final double LOWEST = 0.8;

    /** A reading; {@code hatch} from 0, brightest, to 4; y from the back edge. */
    record Place(double x, double y, double w, double d, String words, int hatch, boolean least) {}

    record Point(double x, double y, String words, boolean last) {}

    record Label(double x, String words) {}

    static UvDrawing of(double width, double depth, List<UvMaps.Kept> maps) {
        UvMaps.Kept last = maps.isEmpty() ? null : maps.get(0);
        return new UvDrawing(
                width,
                depth,
                last == null ? List.of() : places(width, depth, last.map()),
                points(maps),
                line(maps),
                across(maps),
                lowest(maps),
                most(maps),
                last == null
                        ? "No UV map yet."
                        : String.format(
                                Locale.ROOT,
                                "UV map of %d readings: %.2f mW/cm² on average, the dimmest %.2f at %.0f, %.0f mm, "
                                        + "the brightest %.2f at %.0f, %.0f mm.",
                                last.map().readings().size(),
                                last.map().mean(),
                                last.map().least().light(),
                                last.map().least().xMm(),
                                last.map().least().yMm(),
                                last.map().greatest().light(),
                                last.map().greatest().xMm(),
                                last.map().greatest().yMm()));
    }

    private static List<Place> places(double width, double depth, UvMap map) {
        double w = width
                / map.readings().stream()
                        .mapToDouble(UvMap.Reading::xMm)
                        .distinct()
                        .count();
        double d = depth
                / map.readings().stream()
                        .mapToDouble(UvMap.Reading::yMm)
                        .distinct()
                        .count();
        return map.readings().stream()
                .map(r -> {
                    double share = r.light() / map.greatest().light();
                    int hatch = (int) Math.max(0, Math.min(STEPS, Math.floor((1 - share) / STEP)));
                    return new Place(
                            Math.max(0, Math.min(width - w, r.xMm() - w / 2)),
                            Math.max(0, Math.min(depth - d, depth - r.yMm() - d / 2)),
                            w,
                            d,
                            String.format(Locale.ROOT, "%.2f", r.light()),
                            hatch,
                            r == map.least());
                })
                .toList();
    }

    private static double most(List<UvMaps.Kept> maps) {
        return maps.stream().mapToDouble(k -> k.map().mean()).max().orElse(1) * 1.05;
    }

    private static double lowest(List<UvMaps.Kept> maps) {
        return Math.min(
                LOWEST * most(maps),
                0.97 * maps.stream().mapToDouble(k -> k.map().mean()).min().orElse(1));
    }

    private static double hours(List<UvMaps.Kept> maps) {
        return Math.max(
                        1,
                        maps.stream().mapToDouble(UvMaps.Kept::lightHours).max().orElse(1))
                * 1.25;
    }

    private static double y(double light, List<UvMaps.Kept> maps) {
        double low = lowest(maps);
        return TOP + HEIGHT * (1 - Math.max(0, Math.min(1, (light - low) / (most(maps) - low))));
    }

    private static double x(double h, List<UvMaps.Kept> maps) {
        return LEFT + (WIDTH - LEFT) * h / hours(maps);
    }

    private static List<Point> points(List<UvMaps.Kept> maps) {
        return maps.stream()
                .map(k -> new Point(
                        x(k.lightHours(), maps),
                        y(k.map().mean(), maps),
                        String.format(
                                Locale.ROOT, "%.2f mW/cm² at %.0f UV h", k.map().mean(), k.lightHours()),
                        k == maps.get(0)))
                .toList();
    }

    private static String line(List<UvMaps.Kept> maps) {
        LightAgeing fit = UvMaps.ageing(maps).orElse(null);
        if (fit == null) {
            return null;
        }
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= 20; i++) {
            double h = fit.fromHours() + (hours(maps) - fit.fromHours()) * i / 20;
            path.append(i == 0 ? "M" : "L")
                    .append(String.format(Locale.ROOT, "%.1f %.1f", x(h, maps), y(fit.at(h), maps)));
        }
        return path.toString();
    }

    private static List<Label> across(List<UvMaps.Kept> maps) {
        double step = step(hours(maps) / 4);
        List<Label> labels = new ArrayList<>();
        for (double h = 0; h <= hours(maps); h += step) {
            labels.add(new Label(x(h, maps), String.format(Locale.ROOT, "%.0f", h)));
        }
        return labels;
    }

    private static double step(double about) {
        double power = Math.pow(10, Math.floor(Math.log10(about)));
        return about / power >= 5 ? 5 * power : about / power >= 2 ? 2 * power : power;
    }
}
