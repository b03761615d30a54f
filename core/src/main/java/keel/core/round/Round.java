package keel.core.round;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.core.plan.Errand;
import keel.core.plan.Walk;
import org.jspecify.annotations.Nullable;

/**
 * What to do now, in which order, and what is not for now.
 *
 * @param items in the order in which they are done
 * @param notToday what waits: it cannot be begun before, it does not fit the minutes, or it is not for today
 */
public record Round(Instant at, List<Line> items, List<Line> notToday) {

    /**
     * One line.
     *
     * @param startAt when it is begun if nothing comes between; for what is not for now, from when it can be, null
     *     where that is now
     * @param mine whether whoever asks has taken it
     */
    public record Line(Chore chore, @Nullable Instant startAt, boolean mine) {}

    /**
     * Who asks, and for how long.
     *
     * @param minutes at hand, null where nobody said
     * @param next minutes until somebody comes again, null where nobody knows
     * @param people who work side by side, 1 or more
     * @param mine keys of what whoever asks has taken, in that order; it stays first
     * @param shown keys in the order in which they were shown last
     * @param weights by kind, how much less it counts here; 1 where there is none
     */
    public record Asked(
            Instant at,
            @Nullable Double minutes,
            @Nullable Double next,
            int people,
            List<String> mine,
            List<String> shown,
            Map<ChoreKind, Double> weights) {

        public static Asked at(Instant at) {
            return new Asked(at, null, null, 1, List.of(), List.of(), Map.of());
        }

        private boolean isFor(Chore chore) {
            return chore.today()
                    && (chore.from() == null
                            || chore.from().isBefore(at.plusSeconds(Math.round(60 * WaitCosts.aheadMinutes()))));
        }

        private double weight(Chore chore) {
            return weights.getOrDefault(chore.kind(), 1.0);
        }
    }

    /** @param chores each with another key */
    public static Round of(List<Chore> chores, Asked asked) {
        List<Chore> weighed =
                chores.stream().map(c -> c.weighed(asked.weight(c))).toList();
        Map<String, Chore> byKey = weighed.stream().collect(Collectors.toMap(Chore::key, Function.identity()));
        List<String> first = first(weighed, asked);
        List<Line> items = new ArrayList<>();
        double begun = taken(byKey, first, asked, items);
        List<Chore> rest = weighed.stream()
                .filter(c -> asked.isFor(c) && !first.contains(c.key()))
                .toList();
        Walk walk = walk(rest, begun, asked);
        rest.stream()
                .filter(c -> walk.startMin().containsKey(c.key()))
                .sorted(Comparator.comparing(c -> walk.order().indexOf(c.key())))
                .forEach(c -> items.add(
                        new Line(c, later(asked.at(), begun + walk.startMin().getOrDefault(c.key(), 0.0)), false)));
        Set<String> shown = items.stream().map(l -> l.chore().key()).collect(Collectors.toSet());
        List<Line> notToday = weighed.stream()
                .filter(c -> !shown.contains(c.key()))
                .sorted(Comparator.comparing(c -> !c.kind().aboutPeople()))
                .map(c -> new Line(c, c.from(), false))
                .toList();
        return new Round(asked.at(), List.copyOf(items), notToday);
    }

    /** What may harm somebody, whatever all else costs, as far as it fits the minutes; then what was taken. */
    private static List<String> first(List<Chore> chores, Asked asked) {
        List<String> first = new ArrayList<>();
        double left = asked.minutes() == null ? Double.POSITIVE_INFINITY : asked.minutes();
        for (Chore c : chores) {
            if (c.kind().aboutPeople() && asked.isFor(c) && c.minutes() <= left) {
                first.add(c.key());
                left -= c.minutes();
            }
        }
        asked.mine().stream().filter(key -> !first.contains(key)).forEach(first::add);
        return first;
    }

    /** These come first; answers the minutes that they take. */
    private static double taken(Map<String, Chore> byKey, List<String> first, Asked asked, List<Line> items) {
        double begun = 0;
        for (String key : first) {
            Chore chore = byKey.get(key);
            if (chore != null) {
                items.add(new Line(chore, later(asked.at(), begun), asked.mine().contains(key)));
                begun += chore.minutes();
            }
        }
        return begun;
    }

    private static Walk walk(List<Chore> rest, double begun, Asked asked) {
        Map<String, Double> idle = new HashMap<>();
        rest.forEach(c -> {
            if (c.machine() != null && c.waiting().idlePerHour() > 0) {
                idle.merge(c.machine(), c.waiting().idlePerHour(), Math::max);
            }
        });
        double next = asked.next() == null ? WaitCosts.nextVisitMinutes() : asked.next();
        Walk.Hours hours = asked.minutes() == null
                ? Walk.Hours.OPEN
                : new Walk.Hours(Math.max(0, asked.minutes() - begun), Math.max(next, asked.minutes()) - begun);
        return Walk.of(
                errands(rest, begun, asked.at()),
                idle,
                asked.people(),
                WaitCosts.changeMinutes(),
                hours,
                asked.shown());
    }

    /** What holds one machine is done in its order: what was spilled is cleaned before the plate is levelled. */
    private static List<Errand> errands(List<Chore> chores, double begun, Instant at) {
        List<Errand> errands = new ArrayList<>();
        Map<String, String> before = new HashMap<>();
        for (Chore c : chores) {
            String last = c.kind() == ChoreKind.HOLD && c.machine() != null ? before.put(c.machine(), c.key()) : null;
            errands.add(new Errand(
                    c.key(),
                    c.minutes(),
                    c.waiting().perHour(),
                    Math.max(0, until(at, c.from()) - begun),
                    deadline(at, c, begun),
                    c.room(),
                    last == null ? Set.of() : Set.of(last),
                    c.waiting().idlePerHour() > 0 ? c.machine() : null,
                    c.tail()));
        }
        return errands;
    }

    /** One that has gone by is none any more: what waiting costs has risen. */
    private static @Nullable Double deadline(Instant at, Chore c, double begun) {
        return c.deadline() == null || !c.deadline().isAfter(at)
                ? null
                : Double.valueOf(until(at, c.deadline()) - begun);
    }

    private static double until(Instant at, @Nullable Instant then) {
        return then == null ? 0 : Duration.between(at, then).toMillis() / 60_000.0;
    }

    private static Instant later(Instant at, double minutes) {
        return at.plusMillis(Math.round(60_000 * minutes));
    }
}
