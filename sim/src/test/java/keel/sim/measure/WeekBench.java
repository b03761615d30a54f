package keel.sim.measure;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import keel.core.week.Wanted;
import keel.core.week.WeekPlan;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What a planned week brings a simulated shop, beside the simple rules; and how long planning takes. */
@Tag("bench")
class WeekBench {

    private static final Comparator<Wanted> SHORTEST =
            Comparator.comparing(j -> j.places().get(0).hours());
    private static final int WEEKS = 10;
    /** Weeks from here on were never planned while anything was tuned; those from 0 on were. */
    private static final int KEPT = 500;

    private static final int REPLANNED = 1000;

    /** A plan made anew whenever something happened. */
    private static final class Planned implements WeekFloor.Rule {

        private List<WeekPlan.Shown> shown = List.of();
        private String seen = "";

        @Override
        public WeekPlan.Shown next(WeekFloor floor, List<Wanted> there) {
            String now = there.stream().map(Wanted::id).toList() + "" + floor.idle();
            if (!now.equals(seen)) {
                seen = now;
                shown = floor.plan(there, shown, REPLANNED).slots().stream()
                        .map(s -> new WeekPlan.Shown(s.id(), s.machine(), s.startAt()))
                        .toList();
            }
            return shown.stream()
                    .filter(s -> !s.startAt().isAfter(floor.now()))
                    .filter(s ->
                            floor.idle().contains(s.machine()) && there.stream().anyMatch(j -> j.id().equals(s.id())))
                    .findFirst()
                    .orElse(null);
        }
    }

    /** The first by a rule that fits a machine that is free, on one that has its resin if there is one. */
    private static WeekFloor.Rule by(Comparator<Wanted> first) {
        return (floor, there) -> there.stream()
                .sorted(first)
                .flatMap(j -> floor.idle().stream()
                        .filter(m ->
                                j.places().stream().anyMatch(p -> p.machine().equals(m)))
                        .min(Comparator.comparing(m -> floor.changes(j, m)))
                        .map(m -> new WeekPlan.Shown(j.id(), m, floor.now()))
                        .stream())
                .findFirst()
                .orElse(null);
    }

    /** What needs no change of resin first. */
    private static WeekFloor.Rule sameResin(Comparator<Wanted> first) {
        return (floor, there) -> by(Comparator.<Wanted, Boolean>comparing(
                                j -> floor.idle().stream().allMatch(m -> floor.changes(j, m)))
                        .thenComparing(first))
                .next(floor, there);
    }

    @Test
    void goodPrintHours() {
        for (int[] size : new int[][] {{5, 60}, {8, 60}, {8, 100}, {12, 110}}) {
            double best = 0;
            for (Map.Entry<String, Supplier<WeekFloor.Rule>> rule : rules().entrySet()) {
                double good = 0;
                int failed = 0;
                int late = 0;
                double waited = 0;
                for (int week = KEPT; week < KEPT + WEEKS; week++) {
                    WeekFloor[] floor = {new WeekFloor(size[0], size[1], week)};
                    floor[0].work(rule.getValue().get());
                    good += floor[0].goodHours;
                    failed += floor[0].failed;
                    late += floor[0].late;
                    waited += floor[0].waitedHours;
                }
                System.out.printf(
                        Locale.ROOT,
                        "%d machines, %d jobs, %-24s %8.0f good print hours (%+.1f %%), "
                                + "%d failed, %d late, %.0f h waited%n",
                        size[0],
                        size[1],
                        rule.getKey(),
                        good / WEEKS,
                        best == 0 ? 0 : 100 * (good / best - 1),
                        failed / WEEKS,
                        late / WEEKS,
                        waited / WEEKS);
                best = Math.max(best, good);
            }
        }
    }

    private static Map<String, Supplier<WeekFloor.Rule>> rules() {
        Map<String, Supplier<WeekFloor.Rule>> rules = new LinkedHashMap<>();
        rules.put(
                "as they came",
                () -> (floor, there) ->
                        by(Comparator.comparing(j -> floor.asked(j.id()))).next(floor, there));
        rules.put("shortest first", () -> by(SHORTEST));
        rules.put(
                "same resin, as they came",
                () -> (floor, there) -> sameResin(Comparator.comparing(j -> floor.asked(j.id())))
                        .next(floor, there));
        rules.put("same resin, shortest", () -> sameResin(SHORTEST));
        rules.put("planned", Planned::new);
        return rules;
    }

    @Test
    void howLongPlanningTakes() {
        for (int machines : new int[] {12, 12, 12, 50}) {
            WeekFloor floor = new WeekFloor(machines, machines == 12 ? 90 : 300, KEPT + machines);
            List<Wanted> there = floor.there();
            long begin = System.nanoTime();
            WeekPlan plan = floor.plan(there, List.of(), WeekPlan.TRIES);
            double first = (System.nanoTime() - begin) / 1e9;
            List<WeekPlan.Shown> shown = plan.slots().stream()
                    .map(s -> new WeekPlan.Shown(s.id(), s.machine(), s.startAt()))
                    .toList();
            begin = System.nanoTime();
            floor.plan(there.subList(1, there.size()), shown, WeekPlan.AGAIN);
            System.out.printf(
                    Locale.ROOT,
                    "%d machines, %d jobs: %.2f s, after an event %.2f s%n",
                    machines,
                    there.size(),
                    first,
                    (System.nanoTime() - begin) / 1e9);
        }
    }
}
