package keel.app.lives;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.life.AgeReplacement;
import keel.core.life.Survival;
import keel.core.wear.WeibullLife;

/**
 * Lives of one kind, 560 wide: what is still alive at each age with its band as steps, the fitted life as a curve, each part in service at its age; below it what an hour costs by the age
 * of change, with the best.
 *
 * @param best x of the best age, null where running until it shows signs is best
 */
record LifeDrawing(String steps, String band, String curve, List<Dot> parts, String cost, double costTop, Double best, List<Tick> across, String words) {

    static final double LEFT = 44;
    static final double RIGHT = 552;

    private static final double TOP = 12;
    private static final double BOTTOM = 150;
    private static final double COST_TOP = 196;
    private static final double COST_BOTTOM = 250;
    private static final int POINTS = 90;

    /** A part in service on the curve. */
    record Dot(double x, double y, String code) {}

    record Tick(double x, String words) {}

    static LifeDrawing of(PartLives.Group g) {
        double oldest = Math.max(g.life().fit().life().ageWhenFailed(0, 0.9), g.inService().stream().mapToDouble(PartLives.Left::age).max().orElse(0) * 1.08);
        double most = Math.max(oldest, g.life().survival().steps().stream().mapToDouble(Survival.Step::hours).max().orElse(0) * 1.05);
        WeibullLife life = g.life().fit().life();
        List<Dot> parts = g.inService().stream().map(l -> new Dot(x(l.age(), most), y(life.survival(l.age())), l.part().code())).toList();
        double cheapest = g.replace().costPerHour();
        return new LifeDrawing(steps(g.life().survival(), most), band(g.life().survival(), most), curve(life, most), parts, cost(g, most, cheapest), COST_TOP,
                g.replace().replaceAtHours() == null ? null : Double.valueOf(x(g.replace().replaceAtHours(), most)), ticks(most),
                String.format(Locale.ROOT, "Half of them last %.0f %s, one in ten ends by %.0f.", life.ageWhenFailed(0, 0.5), g.clock().unit(), life.ageWhenFailed(0, 0.1)));
    }

    private static String steps(Survival survival, double most) {
        StringBuilder path = new StringBuilder(String.format(Locale.ROOT, "M%.1f %.1f", LEFT, TOP));
        for (Survival.Step s : survival.steps()) {
            path.append(String.format(Locale.ROOT, "H%.1fV%.1f", x(s.hours(), most), y(s.probability())));
        }
        return path.append("H").append(survival.steps().isEmpty() ? LEFT : RIGHT).toString();
    }

    private static String band(Survival survival, double most) {
        StringBuilder upper = new StringBuilder(String.format(Locale.ROOT, "M%.1f %.1f", LEFT, TOP));
        double low = y(1);
        for (Survival.Step s : survival.steps()) {
            upper.append(String.format(Locale.ROOT, "H%.1fV%.1f", x(s.hours(), most), y(s.high())));
            low = y(s.low());
        }
        if (survival.steps().isEmpty()) {
            return "";
        }
        upper.append(String.format(Locale.ROOT, "H%.1fV%.1f", RIGHT, low));
        for (int i = survival.steps().size() - 1; i >= 0; i--) {
            upper.append(String.format(Locale.ROOT, "H%.1fV%.1f", x(survival.steps().get(i).hours(), most), i == 0 ? y(1) : y(survival.steps().get(i - 1).low())));
        }
        return upper.append("Z").toString();
    }

    private static String curve(WeibullLife life, double most) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= POINTS; i++) {
            double age = most * i / POINTS;
            path.append(String.format(Locale.ROOT, "%s%.1f %.1f", i == 0 ? "M" : "L", x(age, most), y(life.survival(age))));
        }
        return path.toString();
    }

    /** From the cheapest to three times as dear; what is dearer lies above. */
    private static String cost(PartLives.Group g, double most, double cheapest) {
        StringBuilder path = new StringBuilder();
        for (int i = 1; i <= POINTS; i++) {
            double age = most * i / POINTS;
            double share = (AgeReplacement.costPerHour(g.life().fit().life(), g.plannedCost(), g.failureCost(), age) / cheapest - 1) / 2;
            if (share < 1) {
                path.append(String.format(Locale.ROOT, "%s%.1f %.1f", path.isEmpty() ? "M" : "L", x(age, most), COST_BOTTOM - share * (COST_BOTTOM - COST_TOP)));
            }
        }
        return path.toString();
    }

    private static List<Tick> ticks(double most) {
        double step = Math.pow(10, Math.floor(Math.log10(most / 3)));
        step = most / step > 12 ? 5 * step : most / step > 6 ? 2 * step : step;
        List<Tick> ticks = new ArrayList<>();
        for (double at = 0; at <= most; at += step) {
            ticks.add(new Tick(x(at, most), String.format(Locale.ROOT, "%.0f", at)));
        }
        return ticks;
    }

    private static double x(double age, double most) {
        return LEFT + Math.min(1, age / most) * (RIGHT - LEFT);
    }

    private static double y(double alive) {
        return BOTTOM - alive * (BOTTOM - TOP);
    }
}
