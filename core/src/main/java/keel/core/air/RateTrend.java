package keel.core.air;

import java.time.Instant;
import java.util.List;

/**
 * Whether a room's air clears more slowly than it did, by its real change rates. The limit is the project's own choice:
 * five falls scatter by a tenth or so.
 *
 * @param latest median of the last five changes an hour, null where none is known
 * @param before median of the first five, null where they are not five others
 */
public record RateTrend(Double latest, Double before) {

    private static final int FEW = 5;
    private static final double SLOWER = 0.75;

    /** Changes an hour after a wash. */
    public record Rate(Instant at, double changesPerHour) {}

    /**
     * @param rates oldest first
     * @param since only later ones are the latest: those before a mesh was cleaned say nothing of it as it is now
     */
    public static RateTrend of(List<Rate> rates, Instant since) {
        List<Rate> late = rates.stream().filter(r -> !r.at().isBefore(since)).toList();
        boolean enough = rates.size() >= 2 * FEW && late.size() >= FEW;
        return new RateTrend(
                late.isEmpty()
                        ? null
                        : Double.valueOf(middle(late.subList(Math.max(0, late.size() - FEW), late.size()))),
                enough ? Double.valueOf(middle(rates.subList(0, FEW))) : null);
    }

    /** A quarter slower than it was: a mesh that clogs, a hose that came off. */
    public boolean slower() {
        return before != null && latest < SLOWER * before;
    }

    private static double middle(List<Rate> rates) {
        List<Double> sorted = rates.stream().map(Rate::changesPerHour).sorted().toList();
        return sorted.get(sorted.size() / 2);
    }
}
