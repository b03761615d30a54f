package keel.core.pattern;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import keel.core.pattern.Pattern.Counts;

/**
 * A machine that is over the limit of its running chart now: it went over and has not come back to nothing since.
 *
 * @param since when the first print of the row began
 * @param row prints from there on, {@code before} those before them
 */
public record Running(Instant since, Counts row, Counts before, Cusum chart) {

    private static final int LEAST_FAILED = 3;
    private static final Duration QUARTER = Duration.ofDays(90);
    private static final int QUARTERS = 8;
    private static final double LEAST_RUN = 400;
    private static final double MOST_RUN = 1e6;
    private static final int ENOUGH = 50;

    /**
     * The chart of a machine: by what it did itself until a quarter ago, by the rest of the fleet where that is too
     * little; its limit such that all machines together cry wolf about once in two years. Empty where nobody can know
     * what is usual.
     */
    public static Optional<Cusum> chart(List<Told> fleet, String machine, Instant now) {
        Instant lately = now.minus(QUARTER);
        Counts own = Counts.NONE;
        Counts others = Counts.NONE;
        int last = 0;
        for (Told t : fleet) {
            boolean its = machine.equals(t.is(Trait.MACHINE));
            boolean old = t.at().isBefore(lately);
            own = its && old ? own.and(t.failed()) : own;
            others = its ? others : others.and(t.failed());
            last += old ? 0 : 1;
        }
        Counts base = own.prints() >= ENOUGH ? own : others;
        return base.prints() < ENOUGH
                ? Optional.empty()
                : Optional.of(Cusum.of(base.rate(), Math.min(MOST_RUN, Math.max(LEAST_RUN, QUARTERS * last))));
    }

    /** @param prints of one machine, in any order */
    public static Optional<Running> of(List<Told> prints, Cusum chart) {
        List<Told> told = new ArrayList<>(prints);
        told.sort(Comparator.comparing(Told::at).thenComparing(Told::id));
        int start = 0;
        int sum = 0;
        boolean over = false;
        for (int i = 0; i < told.size(); i++) {
            if (sum == 0) {
                start = i;
                over = false;
            }
            // no higher than the limit, so that good prints bring it back
            sum = Math.min(chart.limit(), chart.next(sum, told.get(i).failed()));
            over |= chart.alarms(sum);
        }
        if (!over || sum == 0) {
            return Optional.empty();
        }
        Counts row = counts(told.subList(start, told.size()));
        return row.failed() < LEAST_FAILED
                ? Optional.empty()
                : Optional.of(new Running(told.get(start).at(), row, counts(told.subList(0, start)), chart));
    }

    private static Counts counts(List<Told> prints) {
        return new Counts(
                prints.size(), (int) prints.stream().filter(Told::failed).count());
    }
}
