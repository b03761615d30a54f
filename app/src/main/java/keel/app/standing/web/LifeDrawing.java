package keel.app.standing.web;

import java.util.List;
import java.util.Locale;
import keel.app.standing.PartLives;
import keel.core.life.AgeReplacement;
import keel.core.life.Survival;
import keel.core.wear.Lifespan;

/**
 * Lives of one kind, 560 wide: what is still alive at each age with its band as steps, the fitted life as a curve, each
 * part in service at its age; below it what an hour costs by the age of change, with the best.
 *
 * @param best x of the age at which they are changed, null where they run until they show signs
 */
record LifeDrawing(
        String steps,
        String band,
        String curve,
        List<Dot> parts,
        String cost,
        Double best,
        List<Ticks.Tick> across,
        String words) {

    static final double LEFT = 44;
    static final double RIGHT = 552;

    private static final double TOP = 12;
    private static final double BOTTOM = 150;
    private static final double COST_TOP = 204;
    private static final double COST_BOTTOM = 262;
    private static final int POINTS = 90;

    /**
     * A part in service: on the curve of lives, and at {@code costY} on that of costs; null where that is not drawn.
     */
    record Dot(double x, double y, Double costY, String code) {}

    static LifeDrawing of(PartLives.Group g) {
        Lifespan life = g.life().span();
        double oldest = Math.max(
                life.ageWhenFailed(0, 0.95),
                g.inService().stream().mapToDouble(PartLives.Left::age).max().orElse(0) * 1.08);
        double most = Math.max(
                oldest,
                g.life().survival().steps().stream()
                                .mapToDouble(Survival.Step::hours)
                                .max()
                                .orElse(0)
                        * 1.05);
        AgeReplacement.CostCurve costs =
                AgeReplacement.CostCurve.of(life, g.costs().plannedCost(), g.endCost());
        double cheapest = g.replace().costPerHour();
        List<Dot> parts = g.inService().stream()
                .map(l -> new Dot(
                        x(l.age(), most),
                        y(life.survival(l.age())),
                        drawn(costY(costs.at(l.age()), cheapest)),
                        l.part().code()))
                .toList();
        return new LifeDrawing(
                steps(g.life().survival(), most),
                band(g.life().survival(), most),
                curve(life, most),
                parts,
                cost(costs, most, cheapest),
                g.rule().bySigns() || g.rule().clock() != g.clock()
                        ? null
                        : Double.valueOf(x(g.rule().at(), most)),
                Ticks.of(most, LEFT, RIGHT),
                String.format(
                        Locale.ROOT,
                        "Half of them last %s %s, one in ten ends by %s.",
                        age(life.ageWhenFailed(0, 0.5)),
                        g.clock().unit(),
                        age(life.ageWhenFailed(0, 0.1))));
    }

    private static Double drawn(double costY) {
        return costY > COST_TOP ? Double.valueOf(costY) : null;
    }

    private static String age(double age) {
        return String.format(Locale.ROOT, age < 20 ? "%.1f" : "%.0f", age);
    }

    private static String steps(Survival survival, double most) {
        StringBuilder path = new StringBuilder(String.format(Locale.ROOT, "M%.1f %.1f", LEFT, TOP));
        for (Survival.Step s : survival.steps()) {
            path.append(String.format(Locale.ROOT, "H%.1fV%.1f", x(s.hours(), most), y(s.probability())));
        }
        return path.append("H")
                .append(survival.steps().isEmpty() ? LEFT : RIGHT)
                .toString();
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
            upper.append(String.format(
                    Locale.ROOT,
                    "H%.1fV%.1f",
                    x(survival.steps().get(i).hours(), most),
                    i == 0 ? y(1) : y(survival.steps().get(i - 1).low())));
        }
        return upper.append("Z").toString();
    }

    private static String curve(Lifespan life, double most) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= POINTS; i++) {
            double age = most * i / POINTS;
            path.append(
                    String.format(Locale.ROOT, "%s%.1f %.1f", i == 0 ? "M" : "L", x(age, most), y(life.survival(age))));
        }
        return path.toString();
    }

    private static String cost(AgeReplacement.CostCurve costs, double most, double cheapest) {
        StringBuilder path = new StringBuilder();
        for (int i = 1; i <= POINTS; i++) {
            double age = most * i / POINTS;
            double y = costY(costs.at(age), cheapest);
            if (y > COST_TOP) {
                path.append(String.format(Locale.ROOT, "%s%.1f %.1f", path.isEmpty() ? "M" : "L", x(age, most), y));
            }
        }
        return path.toString();
    }

    /** From the cheapest up to twice as dear; what is dearer stays at the top. */
    private static double costY(double cost, double cheapest) {
        return Math.max(COST_TOP, COST_BOTTOM - (cost / cheapest - 1) * (COST_BOTTOM - COST_TOP));
    }

    private static double x(double age, double most) {
        return LEFT + Math.min(1, age / most) * (RIGHT - LEFT);
    }

    private static double y(double alive) {
        return BOTTOM - alive * (BOTTOM - TOP);
    }
}
