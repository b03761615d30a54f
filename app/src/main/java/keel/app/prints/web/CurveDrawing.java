package keel.app.prints.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.exposure.WorkingCurve;

/**
 * A working curve on logarithmic exposures: the pieces, the line through them, and the exposure for a wanted depth.
 *
 * @param line x1, y1, x2, y2 in px
 * @param wanted of the wanted depth, null if none is
 */
record CurveDrawing(List<Dot> dots, double[] line, Dot wanted, List<Tick> across, List<Tick> up) {

    static final double LEFT = 52;
    static final double RIGHT = 470;
    static final double TOP = 14;
    static final double BOTTOM = 236;

    record Dot(double x, double y) {}

    record Tick(double at, String words) {}

    static CurveDrawing of(List<WorkingCurve.Point> points, WorkingCurve curve, Double wantedMm) {
        double most =
                points.stream().mapToDouble(WorkingCurve.Point::exposure).max().orElseThrow();
        double least = Math.min(
                curve.ec(),
                points.stream().mapToDouble(WorkingCurve.Point::exposure).min().orElseThrow());
        if (wantedMm != null) {
            most = Math.max(most, curve.exposureFor(wantedMm));
        }
        double from = Math.log(least) - 0.15;
        double to = Math.log(most) + 0.15;
        double deep = 1.12
                * Math.max(
                        wantedMm == null ? 0 : wantedMm,
                        Math.max(
                                curve.dpMm() * (to - Math.log(curve.ec())) / 1.12,
                                points.stream()
                                        .mapToDouble(WorkingCurve.Point::depthMm)
                                        .max()
                                        .orElseThrow()));
        Scale scale = new Scale(from, to, deep);
        List<Dot> dots =
                points.stream().map(p -> scale.dot(p.exposure(), p.depthMm())).toList();
        Dot start = scale.dot(curve.ec(), 0);
        Dot end = scale.dot(Math.exp(to), curve.dpMm() * (to - Math.log(curve.ec())));
        return new CurveDrawing(
                dots,
                new double[] {start.x(), start.y(), end.x(), end.y()},
                wantedMm == null ? null : scale.dot(curve.exposureFor(wantedMm), wantedMm),
                scale.across(),
                scale.up());
    }

    private record Scale(double from, double to, double deep) {

        Dot dot(double exposure, double depth) {
            return new Dot(
                    LEFT + (Math.log(exposure) - from) / (to - from) * (RIGHT - LEFT),
                    BOTTOM - depth / deep * (BOTTOM - TOP));
        }

        List<Tick> across() {
            List<Tick> ticks = new ArrayList<>();
            double last = -99;
            for (double decade = 0.001; decade < 1e6; decade *= 10) {
                for (double step : new double[] {1, 2, 5}) {
                    double x = dot(decade * step, 0).x();
                    if (x >= LEFT && x <= RIGHT && x - last > 34) {
                        ticks.add(new Tick(x, plain(decade * step)));
                        last = x;
                    }
                }
            }
            return ticks;
        }

        List<Tick> up() {
            double step = deep > 2 ? 1 : deep > 0.8 ? 0.2 : deep > 0.4 ? 0.1 : 0.05;
            List<Tick> ticks = new ArrayList<>();
            for (int i = 0; i * step < deep; i++) {
                ticks.add(new Tick(dot(1, i * step).y(), plain(i * step)));
            }
            return ticks;
        }

        private static String plain(double value) {
            return String.format(Locale.ROOT, "%.3f", value).replaceAll("\\.?0+$", "");
        }
    }
}
