package keel.core.week;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;

/**
 * When a person is there.
 *
 * @param hours of each week; a day may have several
 * @param away days on which they are not there all the same, both included
 */
public record WorkHours(String person, List<Hours> hours, List<Away> away) {

    private static final Set<DayOfWeek> WEEKEND = Set.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);

    /** @param to the next day where it is not after {@code from} */
    public record Hours(DayOfWeek day, LocalTime from, LocalTime to) {}

    /** @param to the last day */
    public record Away(LocalDate from, LocalDate to) {

        boolean covers(LocalDate day) {
            return !day.isBefore(from) && !day.isAfter(to);
        }
    }

    /** A time in which a person is there. */
    public record Shift(String person, Instant from, Instant to) {}

    /** As taken for granted while nobody said anything: by day, not at the end of the week. */
    public static WorkHours usual(String person) {
        List<Hours> hours = Arrays.stream(DayOfWeek.values())
                .filter(d -> !WEEKEND.contains(d))
                .map(d -> new Hours(d, PlanningFigures.usualFrom(), PlanningFigures.usualTo()))
                .toList();
        return new WorkHours(person, hours, List.of());
    }

    /**
     * Shifts that touch the time from {@code at} for so many days, in order, cut to it. Wall clock: a shift from 8 to
     * 18 is an hour longer or shorter where clocks change in it.
     */
    public List<Shift> shifts(Instant at, int days, ZoneId zone) {
        LocalDate first = at.atZone(zone).toLocalDate().minusDays(1);
        Instant end = at.atZone(zone).plusDays(days).toInstant();
        List<Shift> all = new ArrayList<>();
        for (LocalDate day = first; !day.isAfter(end.atZone(zone).toLocalDate()); day = day.plusDays(1)) {
            LocalDate here = day;
            if (away.stream().anyMatch(a -> a.covers(here))) {
                continue;
            }
            hours.stream().filter(h -> h.day() == here.getDayOfWeek()).forEach(h -> {
                LocalDate last = h.to().isAfter(h.from()) ? here : here.plusDays(1);
                Instant from = later(here.atTime(h.from()).atZone(zone).toInstant(), at);
                Instant to = sooner(last.atTime(h.to()).atZone(zone).toInstant(), end);
                if (from.isBefore(to)) {
                    all.add(new Shift(person, from, to));
                }
            });
        }
        all.sort(Comparator.comparing(Shift::from));
        return all;
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Instant sooner(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }
}
