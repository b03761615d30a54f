package keel.core.week;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** A week by chance, and the rules that every plan of it must keep, reckoned from the plan alone. */
record RandomWeek(List<Stand> stands, List<Wanted> jobs, List<WorkHours> people, Random random) {

    private static final String[] RESINS = {"grey", "blue", "clear"};

    static RandomWeek of(Random random, int machines, int jobs) {
        List<Stand> stands = IntStream.range(0, machines)
                .mapToObj(m -> new Stand(
                        "m" + m,
                        random.nextBoolean() ? null : Instant.parse("2026-03-09T12:00:00Z"),
                        random.nextInt(4) == 0 ? null : RESINS[random.nextInt(3)],
                        random.nextInt(4) > 0))
                .toList();
        List<WorkHours> people = IntStream.range(0, 1 + random.nextInt(3))
                .mapToObj(p -> person(random, "p" + p))
                .toList();
        List<Wanted> wanted = IntStream.range(0, jobs)
                .mapToObj(j -> job(random, stands, "j" + j))
                .toList();
        return new RandomWeek(stands, wanted, people, random);
    }

    private static WorkHours person(Random random, String name) {
        List<WorkHours.Hours> hours = Arrays.stream(DayOfWeek.values())
                .filter(d -> random.nextInt(4) > 0)
                .map(d -> new WorkHours.Hours(
                        d, LocalTime.of(6 + random.nextInt(6), 0), LocalTime.of(14 + random.nextInt(8), 30)))
                .toList();
        return new WorkHours(name, hours, List.of());
    }

    private static Wanted job(Random random, List<Stand> stands, String id) {
        boolean upkeep = random.nextInt(6) == 0;
        double hours = upkeep ? 0 : 0.3 + 15 * random.nextDouble();
        List<Wanted.Place> places = stands.stream()
                .filter(s -> random.nextInt(3) > 0)
                .map(s -> new Wanted.Place(s.machine(), hours, upkeep ? 1 : 0.6 + 0.4 * random.nextDouble()))
                .toList();
        Instant begin = Instant.parse("2026-03-09T07:00:00Z");
        Instant due = random.nextInt(3) > 0 ? null : begin.plus(Duration.ofHours(random.nextInt(160)));
        Instant from = random.nextInt(4) > 0 ? null : begin.plus(Duration.ofHours(random.nextInt(100)));
        Wanted free =
                new Wanted(id, upkeep ? null : RESINS[random.nextInt(3)], from, due, upkeep ? 45 : 15, places, null);
        return places.isEmpty() || random.nextInt(6) > 0
                ? free
                : free.at(
                        places.get(0).machine(),
                        random.nextBoolean() ? null : begin.plus(Duration.ofHours(random.nextInt(120))));
    }

    WeekPlan.Asked asked(Instant at, ZoneId zone, int tries) {
        List<WorkHours.Shift> shifts =
                people.stream().flatMap(p -> p.shifts(at, 7, zone).stream()).toList();
        return new WeekPlan.Asked(at, 7, shifts, jobs, stands, List.of(), tries);
    }

    void requireKept(WeekPlan plan) {
        List<WorkHours.Shift> shifts = people.stream()
                .flatMap(p -> p.shifts(plan.at(), 7, ZoneId.of("Europe/Berlin")).stream())
                .toList();
        assertThat(Stream.concat(
                        plan.slots().stream().map(WeekPlan.Slot::id),
                        plan.left().stream().map(WeekPlan.Left::id)))
                .as("each once")
                .containsExactlyInAnyOrderElementsOf(
                        jobs.stream().map(Wanted::id).toList());
        Map<String, Wanted> byId = jobs.stream().collect(Collectors.toMap(Wanted::id, Function.identity()));
        plan.slots().forEach(s -> requireKept(s, byId.get(s.id()), shifts));
        machines(plan);
        plan.slots().stream()
                .collect(Collectors.groupingBy(WeekPlan.Slot::person))
                .values()
                .forEach(own -> requireApart(own, WeekPlan.Slot::printsFrom));
    }

    private void requireKept(WeekPlan.Slot s, Wanted job, List<WorkHours.Shift> shifts) {
        Wanted.Place place = job.places().stream()
                .filter(p -> p.machine().equals(s.machine()))
                .findFirst()
                .orElseThrow();
        long length = Math.round(place.hours() * 3_600_000);
        assertThat(Duration.between(s.printsFrom(), s.endAt()).toMillis()).isBetween(length - 2, length + 2);
        assertThat(job.from() == null || !s.startAt().isBefore(job.from())).isTrue();
        assertThat(job.fixed() == null || job.fixed().machine().equals(s.machine()))
                .isTrue();
        assertThat(job.fixed() == null
                        || job.fixed().at() == null
                        || !s.startAt().isBefore(job.fixed().at()))
                .isTrue();
        Instant looked = s.printsFrom().plusMillis(Math.min(length, 30 * 60_000));
        assertThat(shifts)
                .as("hands and the first look")
                .anyMatch(t -> t.person().equals(s.person())
                        && !t.from().isAfter(s.startAt())
                        && !t.to().plusMillis(2).isBefore(looked));
        boolean night =
                stands.stream().filter(m -> m.machine().equals(s.machine())).allMatch(Stand::night);
        for (Instant t = s.printsFrom(); !night && t.isBefore(s.endAt()); t = t.plusSeconds(600)) {
            Instant then = t;
            assertThat(shifts)
                    .as("nobody leaves it alone")
                    .anyMatch(h -> !h.from().isAfter(then) && h.to().isAfter(then));
        }
    }

    private void machines(WeekPlan plan) {
        Map<String, List<WeekPlan.Slot>> by =
                plan.slots().stream().collect(Collectors.groupingBy(WeekPlan.Slot::machine));
        by.forEach((machine, own) -> {
            requireApart(own, WeekPlan.Slot::endAt);
            Stand stand = stands.stream()
                    .filter(s -> s.machine().equals(machine))
                    .findFirst()
                    .orElseThrow();
            assertThat(own)
                    .allMatch(s -> stand.freeFrom() == null || !s.startAt().isBefore(stand.freeFrom()));
        });
    }

    private static void requireApart(List<WeekPlan.Slot> own, Function<WeekPlan.Slot, Instant> until) {
        List<WeekPlan.Slot> sorted = new ArrayList<>(own);
        sorted.sort(Comparator.comparing(WeekPlan.Slot::startAt));
        for (int i = 1; i < sorted.size(); i++) {
            assertThat(sorted.get(i).startAt().plusMillis(2)).isAfterOrEqualTo(until.apply(sorted.get(i - 1)));
        }
    }
}
