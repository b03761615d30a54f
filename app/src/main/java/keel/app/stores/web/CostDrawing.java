package keel.app.stores.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keel.app.stores.Costs;

/**
 * Costs over time, 720 × 210: a bar a month with what was lost in prints that did not come out hatched at its foot,
 * and what was spent on what they are made of as a line.
 *
 * @param bars one a month, the first month left
 * @param spent points of the line; empty where nothing was paid
 * @param across lines of equal money
 * @param words the same in a sentence
 */
record CostDrawing(List<Bar> bars, String spent, List<Level> across, String words) {

    private static final double LEFT = 52;
    private static final double RIGHT = 712;
    private static final double TOP = 14;
    private static final double BOTTOM = 176;
    private static final double FILLED = 0.62;

    /** A month; px. */
    record Bar(
            double x,
            double width,
            double top,
            double height,
            double lostTop,
            double lostHeight,
            String name,
            String words) {}

    /** A line across, with its money. */
    record Level(double y, String words) {}

    /** Null where there is no month. */
    static CostDrawing of(List<Costs.Group> months, Map<String, Map<String, Double>> bought) {
        if (months.isEmpty()) {
            return null;
        }
        List<Double> spent = months.stream()
                .map(m -> bought.getOrDefault(m.name(), Map.of()).values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum())
                .toList();
        double most = Stream.concat(months.stream().map(m -> m.cost().perAttempt()), spent.stream())
                .reduce(1.0, Math::max);
        double each = (RIGHT - LEFT) / months.size();
        List<Bar> bars = IntStream.range(0, months.size())
                .mapToObj(i -> bar(months.get(i), spent.get(i), LEFT + each * i, each, most))
                .toList();
        String line = IntStream.range(0, months.size())
                .mapToObj(i -> String.format(Locale.ROOT, "%.1f,%.1f", LEFT + each * (i + 0.5), y(spent.get(i), most)))
                .collect(Collectors.joining(" "));
        boolean paid = spent.stream().anyMatch(s -> s > 0);
        return new CostDrawing(bars, paid ? line : "", levels(most), words(bars));
    }

    private static Bar bar(Costs.Group month, double spent, double left, double each, double most) {
        double cost = Math.max(0, month.cost().perAttempt());
        double top = y(cost, most);
        double lost = y(Math.max(0, Math.min(month.lost(), cost)), most);
        return new Bar(
                left + each * (1 - FILLED) / 2,
                each * FILLED,
                top,
                BOTTOM - top,
                lost,
                BOTTOM - lost,
                month.name(),
                String.format(
                        Locale.ROOT,
                        "%s: %.0f used, %.0f of it lost; %.0f bought",
                        month.name(),
                        month.cost().perAttempt(),
                        month.lost(),
                        spent));
    }

    private static List<Level> levels(double most) {
        double step = Math.pow(10, Math.floor(Math.log10(most / 2)));
        step = most / step > 8 ? 5 * step : most / step > 4 ? 2 * step : step;
        List<Level> levels = new ArrayList<>();
        for (double money = 0; money <= most; money += step) {
            levels.add(new Level(y(money, most), String.format(Locale.ROOT, "%.0f", money)));
        }
        return levels;
    }

    private static String words(List<Bar> bars) {
        return "Money by month. "
                + String.join("; ", bars.stream().map(Bar::words).toList()) + ".";
    }

    private static double y(double money, double most) {
        return BOTTOM - money / most * (BOTTOM - TOP);
    }
}
