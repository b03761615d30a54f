package keel.core.pattern;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;

/**
 * A group of prints that is over the limit of its running chart now: it went over and has not come back to nothing
 * since.
 *
 * @param since when the first print of the row began
 * @param row prints from there on, {@code before} those before them
 */
public record Running(Instant since, Counts row, Counts before, Cusum chart) {

    private static final List<Trait> WATCHED = List.of(Trait.MACHINE, Trait.FILM_PACK, Trait.RESIN, Trait.ROOM);
    private static final int LEAST_FAILED = 3;
    private static final Duration QUARTER = Duration.ofDays(90);
    private static final int QUARTERS = 16;
    private static final double LEAST_RUN = 400;
    private static final double MOST_RUN = 1e6;
    private static final int ENOUGH = 50;
    private static final double DRAWN = 200;

    /**
     * Groups whose charts stand over their limits now, machines first. Those that are named already are left out, and
     * so are the prints of whatever is named in what is looked at after it.
     */
    public static Map<Group, Running> among(List<Told> fleet, Set<Group> named, Instant now) {
        Map<Group, Running> over = new LinkedHashMap<>();
        List<Told> rest = fleet;
        for (Trait trait : WATCHED) {
            Map<String, List<Told>> by = new TreeMap<>();
            for (Told t : rest) {
                String value = t.is(trait);
                if (value != null) {
                    by.computeIfAbsent(value, v -> new ArrayList<>()).add(t);
                }
            }
            List<Told> all = rest;
            by.forEach((value, of) -> {
                Group group = new Group(trait, value);
                if (!named.contains(group)) {
                    chart(all, group, now).flatMap(c -> of(of, c)).ifPresent(r -> over.put(group, r));
                }
            });
            rest = rest.stream().filter(t -> !isNamed(t, trait, over, named)).toList();
        }
        return over;
    }

    private static boolean isNamed(Told print, Trait trait, Map<Group, Running> over, Set<Group> named) {
        String value = print.is(trait);
        Group group = value == null ? null : new Group(trait, value);
        return group != null && (over.containsKey(group) || named.contains(group));
    }

    /**
     * The chart of a group: by what it did itself until a quarter ago, drawn to what all prints do as if by two hundred
     * prints; its limit such that all charts together cry wolf about once a year. Empty where nobody can know what is
     * usual.
     */
    static Optional<Cusum> chart(List<Told> fleet, Group group, Instant now) {
        Instant lately = now.minus(QUARTER);
        Counts own = Counts.NONE;
        Counts others = Counts.NONE;
        int last = 0;
        for (Told t : fleet) {
            boolean its = group.value().equals(t.is(group.trait()));
            boolean old = t.at().isBefore(lately);
            own = its && old ? own.and(t.failed()) : own;
            others = its ? others : others.and(t.failed());
            last += old ? 0 : 1;
        }
        if (own.prints() + others.prints() < ENOUGH) {
            return Optional.empty();
        }
        // few prints of its own say little of what is usual, and a base too low cries wolf
        double usual = (own.failed() + DRAWN * (own.failed() + others.failed()) / (own.prints() + others.prints()))
                / (own.prints() + DRAWN);
        return Optional.of(Cusum.of(usual, Math.min(MOST_RUN, Math.max(LEAST_RUN, QUARTERS * last))));
    }

    /** @param prints of one group, in any order */
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
