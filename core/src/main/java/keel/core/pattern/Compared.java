package keel.core.pattern;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.function.Predicate;
import keel.core.pattern.Pattern.Counts;
import keel.core.rate.PrintsToTell;
import keel.core.rate.RateDifference;
import org.jspecify.annotations.Nullable;

/**
 * Two lots of prints held against one another: which fails more, whether luck would make it so, and whether it is so
 * among prints that are alike.
 *
 * @param more share of the first that failed less that of the second, with its 95 % interval (Newcombe 1998); null
 *     where one has no prints
 * @param alike within what like was compared with like
 * @param within the same within it
 * @param strata prints of both that are alike, the most of the first on top
 * @param toTell how many prints of each would tell a difference as large as the one seen; empty where there is none
 */
public record Compared(
        Counts first,
        Counts second,
        @Nullable RateDifference more,
        Trait alike,
        WithinStrata within,
        List<Stratum> strata,
        OptionalInt toTell) {

    /** Prints of both that are alike. */
    public record Stratum(String value, Counts first, Counts second) {}

    private static final double BY_LUCK = 0.05;
    private static final double ENOUGH_COMPARED = 0.5;

    /** What the prints say. */
    public enum Says {
        /** One has no prints. */
        NOTHING,
        CANNOT_TELL,
        FIRST_FAILS_MORE,
        SECOND_FAILS_MORE,
        /** As they stand one fails more, but not among prints that are alike. */
        NOT_AMONG_ALIKE
    }

    /** @param first prints of the one; those of {@code second} that are of both count with neither */
    public static Compared of(List<Told> prints, Predicate<Told> first, Predicate<Told> second, Trait alike) {
        Map<String, Stratum> tables = new TreeMap<>();
        Counts one = Counts.NONE;
        Counts other = Counts.NONE;
        for (Told print : prints) {
            boolean in = first.test(print);
            if (in == second.test(print)) {
                continue;
            }
            one = in ? one.and(print.failed()) : one;
            other = in ? other : other.and(print.failed());
            String value = print.is(alike);
            if (value != null) {
                Stratum t = tables.getOrDefault(value, new Stratum(value, Counts.NONE, Counts.NONE));
                tables.put(
                        value,
                        new Stratum(
                                value,
                                in ? t.first().and(print.failed()) : t.first(),
                                in ? t.second() : t.second().and(print.failed())));
            }
        }
        WithinStrata within = WithinStrata.of(tables.values().stream()
                .map(t -> new WithinStrata.Table(
                        t.first().prints(),
                        t.first().failed(),
                        t.second().prints(),
                        t.second().failed()))
                .toList());
        List<Stratum> both = tables.values().stream()
                .filter(t -> t.first().prints() > 0 && t.second().prints() > 0)
                .sorted(Comparator.comparing((Stratum t) -> -t.first().prints()))
                .toList();
        return new Compared(
                one, other, more(one, other), alike, within, both, PrintsToTell.ofEach(one.rate(), other.rate()));
    }

    private static @Nullable RateDifference more(Counts one, Counts other) {
        return one.prints() == 0 || other.prints() == 0 ? null : RateDifference.between(other.cameOut(), one.cameOut());
    }

    public Says says() {
        if (more == null) {
            return Says.NOTHING;
        }
        if (more.verdict() == RateDifference.Verdict.CANNOT_TELL) {
            return Says.CANNOT_TELL;
        }
        boolean firstFails = more.verdict() == RateDifference.Verdict.BETTER;
        if (comparesAlike() && (within.p() > BY_LUCK || within.odds() > 1 != firstFails)) {
            return Says.NOT_AMONG_ALIKE;
        }
        return firstFails ? Says.FIRST_FAILS_MORE : Says.SECOND_FAILS_MORE;
    }

    /** Whether at least half of the first's prints have their like among the second's. */
    public boolean comparesAlike() {
        return within.compared() >= ENOUGH_COMPARED * first.prints();
    }

    /** How many more prints of the two together until it can be told; empty where they are alike or it is told. */
    public OptionalInt missing() {
        if (says() != Says.CANNOT_TELL || toTell.isEmpty()) {
            return OptionalInt.empty();
        }
        int each = toTell.getAsInt();
        int missing = Math.max(0, each - first.prints()) + Math.max(0, each - second.prints());
        return OptionalInt.of(missing);
    }
}
