package keel.core.week;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * How the machines of a shop spent a week: printing, standing while somebody was there who could have started them, and
 * standing while nobody was.
 *
 * @param monday its first day
 * @param printed machine hours; {@code came} of these, hours of prints that came out
 * @param stoodSeen machine hours, {@code stoodUnseen} likewise
 */
public record Stood(LocalDate monday, double printed, double came, double stoodSeen, double stoodUnseen) {

    private static final double MINUTES = 60;

    /** A print that ended; it may reach beyond the week. */
    public record Ran(String machine, Instant from, Instant to, boolean cameOut) {}

    /** A machine since it came. */
    public record There(String machine, Instant since) {}

    public double all() {
        return printed + stoodSeen + stoodUnseen;
    }

    /** The first day of the week of a moment. */
    public static LocalDate monday(Instant at, ZoneId zone) {
        return at.atZone(zone).toLocalDate().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
    }

    /**
     * Whole weeks, the oldest first; the last may be the one that is going on and then ends now. Prints that overlap on
     * one machine count once.
     *
     * @param people as they are there now; the same is taken for the past
     */
    public static List<Stood> of(
            List<Ran> runs, List<There> machines, List<WorkHours> people, Instant now, int weeks, ZoneId zone) {
        Map<String, List<Ran>> byMachine = runs.stream().collect(Collectors.groupingBy(Ran::machine));
        List<Stood> all = new ArrayList<>();
        LocalDate first = monday(now, zone).minusWeeks(weeks - 1L);
        for (int w = 0; w < weeks; w++) {
            LocalDate monday = first.plusWeeks(w);
            Instant from = monday.atStartOfDay(zone).toInstant();
            Instant next = monday.plusWeeks(1).atStartOfDay(zone).toInstant();
            Instant to = next.isAfter(now) ? now : next;
            List<double[]> open = open(people, from, zone);
            Stood week = new Stood(monday, 0, 0, 0, 0);
            for (There m : machines) {
                week = week.with(m, byMachine.getOrDefault(m.machine(), List.of()), from, to, open);
            }
            all.add(week);
        }
        return all;
    }

    /** In minutes from the begin of the week. */
    private static List<double[]> open(List<WorkHours> people, Instant from, ZoneId zone) {
        return Presence.merged(people.stream()
                .flatMap(p -> p.shifts(from, 7, zone).stream())
                .map(s -> span(s.from(), s.to(), from))
                .toList());
    }

    private static double[] span(Instant from, Instant to, Instant zero) {
        return new double[] {Presence.minutes(zero, from), Presence.minutes(zero, to)};
    }

    private Stood with(There m, List<Ran> runs, Instant from, Instant to, List<double[]> open) {
        Instant begin = m.since().isAfter(from) ? m.since() : from;
        if (!begin.isBefore(to)) {
            return this;
        }
        double[] here = span(begin, to, from);
        List<double[]> busy = Presence.merged(
                runs.stream().map(r -> span(r.from(), r.to(), from)).toList());
        double printing = within(busy, here[0], here[1]);
        double came = within(
                Presence.merged(runs.stream()
                        .filter(Ran::cameOut)
                        .map(r -> span(r.from(), r.to(), from))
                        .toList()),
                here[0],
                here[1]);
        double seen = within(open, here[0], here[1]) - both(open, busy, here);
        double stood = Duration.between(begin, to).toSeconds() / MINUTES - printing;
        return new Stood(
                monday,
                printed + printing / MINUTES,
                this.came + came / MINUTES,
                stoodSeen + seen / MINUTES,
                stoodUnseen + (stood - seen) / MINUTES);
    }

    private static double both(List<double[]> open, List<double[]> busy, double[] here) {
        return open.stream()
                .mapToDouble(o -> within(busy, Math.max(o[0], here[0]), Math.min(o[1], here[1])))
                .sum();
    }

    private static double within(List<double[]> spans, double from, double to) {
        return spans.stream()
                .mapToDouble(s -> Math.max(0, Math.min(s[1], to) - Math.max(s[0], from)))
                .sum();
    }
}
