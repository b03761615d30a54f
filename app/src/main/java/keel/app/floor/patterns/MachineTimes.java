package keel.app.floor.patterns;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import keel.core.rate.TimeBetween;

/**
 * How long a machine prints between failures, and how long it stands after one. A failed reprint of what had failed is
 * no failure of its own; what it stood after it counts.
 *
 * @param between null where it printed no hour
 * @param mendH hours in the middle from a failed print's end to the next print; null where none followed
 */
public record MachineTimes(long machine, int prints, int failed, TimeBetween between, Double mendH) {

    private static final double HOUR_S = 3600;

    /** @param ended in the order in which they began; {@code again} are failed reprints */
    static List<MachineTimes> of(List<PatternRecords.Ended> ended, Set<Long> again) {
        Map<Long, List<PatternRecords.Ended>> by = ended.stream()
                .collect(Collectors.groupingBy(PatternRecords.Ended::machine, TreeMap::new, Collectors.toList()));
        List<MachineTimes> times = new ArrayList<>();
        by.forEach((machine, of) -> times.add(of(machine, of, again)));
        return times;
    }

    private static MachineTimes of(long machine, List<PatternRecords.Ended> of, Set<Long> again) {
        int failed = 0;
        double hours = 0;
        List<Double> stood = new ArrayList<>();
        for (int i = 0; i < of.size(); i++) {
            PatternRecords.Ended r = of.get(i);
            hours += r.hours() == null ? 0 : r.hours();
            failed += r.cameOut() || again.contains(r.id()) ? 0 : 1;
            if (!r.cameOut() && r.endedAt() != null && i + 1 < of.size()) {
                stood.add(hoursBetween(r.endedAt(), of.get(i + 1).startedAt()));
            }
        }
        OptionalDouble middle = middle(stood);
        return new MachineTimes(
                machine,
                of.size(),
                failed,
                hours > 0 ? TimeBetween.of(failed, hours) : null,
                middle.isPresent() ? middle.getAsDouble() : null);
    }

    private static double hoursBetween(Instant from, Instant to) {
        return Math.max(0, Duration.between(from, to).toSeconds() / HOUR_S);
    }

    private static OptionalDouble middle(List<Double> of) {
        List<Double> sorted = of.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(
                        sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2);
    }
}
