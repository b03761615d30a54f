package keel.app.air.web;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.app.air.RoomHistory;
import keel.core.air.RateTrend;

/**
 * Real change rates of the last weeks as points with their ranges, 560 by 170, beside the planned one.
 *
 * @param first when the first of them was, null without any
 * @param plannedY null without a plan
 * @param said how many falls told nothing
 */
record RateDrawing(List<Dot> dots, Instant first, Double plannedY, double most, RateTrend trend, int said) {

    private static final double LEFT = 40;
    private static final double RIGHT = 550;
    private static final double TOP = 12;
    private static final double BOTTOM = 150;

    record Dot(double x, double y, double lowY, double highY) {}

    static RateDrawing of(List<RoomHistory.Rate> all, Double planned) {
        List<RoomHistory.Rate> rates =
                all.stream().filter(r -> r.changes() != null).toList();
        double most = Math.max(
                        planned == null ? 1 : planned,
                        rates.stream()
                                .mapToDouble(RoomHistory.Rate::changes)
                                .max()
                                .orElse(1))
                * 1.15;
        double span = rates.isEmpty()
                ? 1
                : Math.max(
                        1,
                        Duration.between(
                                        rates.get(0).at(),
                                        rates.get(rates.size() - 1).at())
                                .toMinutes());
        List<Dot> dots = rates.stream()
                .map(r -> new Dot(
                        LEFT
                                + (RIGHT - LEFT)
                                        * Duration.between(rates.get(0).at(), r.at())
                                                .toMinutes()
                                        / span,
                        y(r.changes(), most),
                        y(Math.min(most, r.low()), most),
                        y(Math.min(most, r.high()), most)))
                .toList();
        return new RateDrawing(
                dots,
                rates.isEmpty() ? null : rates.get(0).at(),
                planned == null ? null : Double.valueOf(y(planned, most)),
                most,
                RateTrend.of(
                        rates.stream()
                                .map(r -> new RateTrend.Rate(r.at(), r.changes()))
                                .toList(),
                        Instant.MIN),
                all.size() - rates.size());
    }

    private static double y(double changes, double most) {
        return BOTTOM - (BOTTOM - TOP) * Math.max(0, changes) / most;
    }
}
