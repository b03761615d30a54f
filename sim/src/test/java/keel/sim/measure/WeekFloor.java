package keel.sim.measure;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import keel.core.week.PlanningFigures;
import keel.core.week.Stand;
import keel.core.week.Wanted;
import keel.core.week.WeekPlan;
import keel.core.week.WorkHours;

/**
 * A week at a shop whose prints fail by chance and take longer or shorter than thought. One person, by day; what failed
 * waits again. Whoever decides knows how often prints come out on a machine only about.
 */
final class WeekFloor {

    static final ZoneId ZONE = ZoneId.of("Europe/Berlin");
    static final Instant MONDAY = Instant.parse("2026-03-09T07:00:00Z");
    private static final Instant END = MONDAY.plus(Duration.ofDays(7));
    private static final String[] RESINS = {"grey", "blue", "clear", "tough"};

    private final List<Wanted> jobs = new ArrayList<>();
    private final Map<String, Instant> asked = new HashMap<>();
    private final Map<String, Double> truth = new HashMap<>();
    private final Map<String, Double> lasts = new HashMap<>();
    private final Map<String, Instant> freeFrom = new HashMap<>();
    private final Map<String, String> resin = new HashMap<>();
    private final Map<String, String> prints = new HashMap<>();
    private final List<WorkHours.Shift> shifts = WorkHours.usual("Kees").shifts(MONDAY, 7, ZONE);
    private final List<String> waiting = new ArrayList<>();
    private final Random luck;
    private Instant now = MONDAY;
    private Instant handsFree = MONDAY;
    double goodHours;
    int failed;
    int late;
    double waitedHours;
    int done;

    WeekFloor(int machines, int wanted, long seed) {
        Random random = new Random(seed);
        luck = new Random(seed + 1);
        for (int m = 0; m < machines; m++) {
            resin.put("m" + m, RESINS[random.nextInt(4)]);
            truth.put("m" + m, 0.7 + 0.28 * random.nextDouble());
        }
        for (int j = 0; j < wanted; j++) {
            add(random, "j" + j, machines);
        }
    }

    private void add(Random random, String id, int machines) {
        double hours = Math.exp(1.6 + 0.6 * random.nextGaussian());
        boolean small = random.nextInt(3) > 0;
        List<Wanted.Place> places = IntStream.range(0, machines)
                .filter(m -> small || m % 3 == 0)
                .mapToObj(m -> new Wanted.Place(
                        "m" + m,
                        hours,
                        Math.min(0.99, Math.max(0.4, truth.get("m" + m) + 0.05 * random.nextGaussian()))))
                .toList();
        Instant from = random.nextInt(3) > 0 ? MONDAY : MONDAY.plus(Duration.ofHours(random.nextInt(120)));
        Instant due = random.nextInt(3) > 0 ? null : from.plus(Duration.ofHours(24 + random.nextInt(96)));
        jobs.add(Wanted.print(id, RESINS[random.nextInt(4)], due, places));
        asked.put(id, from);
        lasts.put(id, hours * (0.9 + 0.25 * random.nextDouble()));
        waiting.add(id);
    }

    /** Says what is begun now and where; null for nothing yet. */
    interface Rule {
        WeekPlan.Shown next(WeekFloor floor, List<Wanted> there);
    }

    void work(Rule rule) {
        while (now.isBefore(END)) {
            ended();
            List<Wanted> there = there();
            boolean hands = !handsFree.isAfter(now) && stays(now, PlanningFigures.startMinutes());
            WeekPlan.Shown next = hands && !there.isEmpty() ? rule.next(this, there) : null;
            if (next == null || !start(next)) {
                now = now.plus(Duration.ofMinutes(5));
            }
        }
        late += (int) there().stream()
                .filter(j -> j.due() != null && j.due().isBefore(END))
                .count();
        waitedHours += there().size() * 24.0;
    }

    List<Wanted> there() {
        return jobs.stream()
                .filter(j -> waiting.contains(j.id()) && !asked.get(j.id()).isAfter(now))
                .toList();
    }

    List<String> idle() {
        return resin.keySet().stream()
                .sorted()
                .filter(m -> !freeFrom.getOrDefault(m, MONDAY).isAfter(now))
                .toList();
    }

    boolean changes(Wanted job, String machine) {
        return !job.resin().equals(resin.get(machine));
    }

    Instant now() {
        return now;
    }

    Instant asked(String id) {
        return asked.get(id);
    }

    WeekPlan plan(List<Wanted> there, List<WeekPlan.Shown> shown, int tries) {
        List<Stand> stands = resin.keySet().stream()
                .sorted()
                .map(m -> new Stand(m, freeFrom.get(m), resin.get(m), true))
                .toList();
        return WeekPlan.of(
                new WeekPlan.Asked(now, 7, WorkHours.usual("Kees").shifts(now, 7, ZONE), there, stands, shown, tries));
    }

    private boolean stays(Instant from, double minutes) {
        Instant until = from.plusSeconds(Math.round(60 * (minutes + PlanningFigures.lookMinutes())));
        return shifts.stream().anyMatch(s -> !s.from().isAfter(from) && !s.to().isBefore(until));
    }

    private boolean start(WeekPlan.Shown next) {
        Wanted job =
                jobs.stream().filter(j -> j.id().equals(next.id())).findFirst().orElseThrow();
        boolean other = changes(job, next.machine());
        double minutes = PlanningFigures.startMinutes() + (other ? PlanningFigures.resinMinutes() : 0);
        if (!stays(now, minutes)) {
            return false;
        }
        handsFree = now.plusSeconds(Math.round(60 * minutes));
        resin.put(next.machine(), job.resin());
        prints.put(next.machine(), job.id());
        freeFrom.put(next.machine(), handsFree.plusSeconds(Math.round(3600 * lasts.get(job.id()))));
        waiting.remove(job.id());
        return true;
    }

    private void ended() {
        new ArrayList<>(prints.keySet())
                .stream()
                        .sorted(Comparator.naturalOrder())
                        .filter(m -> !freeFrom.get(m).isAfter(now))
                        .forEach(m -> {
                            String id = prints.remove(m);
                            Wanted job = jobs.stream()
                                    .filter(j -> j.id().equals(id))
                                    .findFirst()
                                    .orElseThrow();
                            if (luck.nextDouble() < truth.get(m)) {
                                goodHours += lasts.get(id);
                                done++;
                                waitedHours += Duration.between(asked.get(id), freeFrom.get(m))
                                                .toMinutes()
                                        / 60.0;
                                late += job.due() != null && freeFrom.get(m).isAfter(job.due()) ? 1 : 0;
                            } else {
                                failed++;
                                waiting.add(id);
                            }
                        });
    }
}
