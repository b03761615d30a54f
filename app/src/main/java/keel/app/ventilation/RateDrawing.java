package keel.app.ventilation;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;

/**
 * Real change rates of the last weeks as points with their ranges, 560 by 170, beside the planned one.
 *
 * @param first    when the first of them was, null without any
 * @param plannedY null without a plan
 * @param latest   median of the last five, {@code before} of the five that came first; null where fewer are known
 * @param said     how many falls told nothing
 */
record RateDrawing(List<Dot> dots, Instant first, Double plannedY, double most, Double latest, Double before, int said) {

    private static final double LEFT = 40;
    private static final double RIGHT = 550;
    private static final double TOP = 12;
    private static final double BOTTOM = 150;
    private static final int LAST = 5;

    record Dot(double x, double y, double lowY, double highY) {}

    static RateDrawing of(List<RoomHistory.Rate> all, Double planned) {
        List<RoomHistory.Rate> rates = all.stream().filter(r -> r.changes() != null).toList();
        double most = Math.max(planned == null ? 1 : planned, rates.stream().mapToDouble(RoomHistory.Rate::changes).max().orElse(1)) * 1.15;
        double span = rates.isEmpty() ? 1 : Math.max(1, Duration.between(rates.get(0).at(), rates.get(rates.size() - 1).at()).toMinutes());
        List<Dot> dots = rates.stream().map(r -> new Dot(LEFT + (RIGHT - LEFT) * Duration.between(rates.get(0).at(), r.at()).toMinutes() / span, y(r.changes(), most), y(Math.min(most, r.low()), most),
                y(Math.min(most, r.high()), most))).toList();
        boolean enough = rates.size() >= 2 * LAST;
        return new RateDrawing(dots, rates.isEmpty() ? null : rates.get(0).at(), planned == null ? null : Double.valueOf(y(planned, most)), most, rates.isEmpty() ? null : Double.valueOf(middle(rates.subList(Math.max(0, rates.size() - LAST), rates.size()))),
                enough ? Double.valueOf(middle(rates.subList(0, LAST))) : null, all.size() - rates.size());
    }

    /** Whether it clears a quarter slower than it did: a mesh that clogs, a hose that came off. */
    public boolean falls() {
        return before != null && latest < 0.75 * before;
    }

    private static double y(double changes, double most) {
        return BOTTOM - (BOTTOM - TOP) * Math.max(0, changes) / most;
    }

    private static double middle(List<RoomHistory.Rate> rates) {
        List<Double> sorted = rates.stream().map(RoomHistory.Rate::changes).sorted(Comparator.naturalOrder()).toList();
        return sorted.get(sorted.size() / 2);
    }
}
