package keel.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Hours of machines, by hand and against counting minutes. */
class StoodTest {

    private static final ZoneId ZONE = ZoneId.of("Europe/Berlin");
    /** Sunday midnight after two whole weeks. */
    private static final Instant NOW = Instant.parse("2026-03-15T22:59:00Z");

    private static final Instant LONG_AGO = Instant.parse("2025-01-01T00:00:00Z");
    private static final List<WorkHours> KEES = List.of(WorkHours.usual("Kees"));

    private static List<Stood> weeks(List<Stood.Ran> runs, Instant since) {
        return Stood.of(runs, List.of(new Stood.There("a", since)), KEES, NOW, 2, ZONE);
    }

    @Test
    void aMachineThatStandsDoesSoByDayAndByNight() {
        List<Stood> idle = weeks(List.of(), LONG_AGO);
        assertThat(idle).extracting(Stood::monday).containsExactly(LocalDate.of(2026, 3, 2), LocalDate.of(2026, 3, 9));
        assertThat(idle.get(0).stoodSeen()).as("five days of ten hours").isCloseTo(50, within(1e-9));
        assertThat(idle.get(0).stoodUnseen()).isCloseTo(118, within(1e-9));
    }

    @Test
    void aPrintFromNoonToMidnightTakesSixHoursOfSomebodysDay() {
        Instant noon = Instant.parse("2026-03-03T11:00:00Z");
        Stood week = weeks(List.of(new Stood.Ran("a", noon, noon.plus(Duration.ofHours(12)), false)), LONG_AGO)
                .get(0);
        assertThat(week.printed()).isCloseTo(12, within(1e-9));
        assertThat(week.came()).isZero();
        assertThat(week.stoodSeen()).isCloseTo(44, within(1e-9));
        assertThat(week.stoodUnseen()).isCloseTo(112, within(1e-9));
    }

    @Test
    void whatReachesOverTheWeekIsCutAndWhatOverlapsCountsOnce() {
        Instant sunday = Instant.parse("2026-03-08T20:00:00Z");
        Stood.Ran over = new Stood.Ran("a", sunday, sunday.plus(Duration.ofHours(10)), true);
        List<Stood> both = weeks(List.of(over, over), LONG_AGO);
        assertThat(both.get(0).printed()).as("until midnight").isCloseTo(3, within(1e-9));
        assertThat(both.get(1).printed()).isCloseTo(7, within(1e-9));
        assertThat(both.get(1).came()).isCloseTo(7, within(1e-9));
        assertThat(weeks(List.of(), NOW.minus(Duration.ofHours(1))).get(0).all())
                .as("it was not there yet")
                .isZero();
    }

    @Test
    void theSameAsCountingMinutes() {
        Random random = new Random(3);
        WorkHours ada = new WorkHours(
                "Ada",
                List.of(new WorkHours.Hours(DayOfWeek.SATURDAY, LocalTime.of(20, 0), LocalTime.of(3, 30))),
                List.of());
        Instant from = Instant.parse("2026-03-01T23:00:00Z");
        List<Stood.Ran> runs = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            Instant start = from.plus(Duration.ofMinutes(random.nextInt(20_000)));
            runs.add(new Stood.Ran("a", start, start.plus(Duration.ofMinutes(random.nextInt(900))), true));
        }
        List<WorkHours> people = List.of(KEES.get(0), ada);
        Stood week = Stood.of(runs, List.of(new Stood.There("a", LONG_AGO)), people, NOW, 2, ZONE)
                .get(0);
        int printed = 0;
        int seen = 0;
        for (int minute = 0; minute < 7 * 1440; minute++) {
            Instant at = from.plus(Duration.ofMinutes(minute)).plusSeconds(30);
            boolean busy = runs.stream().anyMatch(r -> r.from().isBefore(at) && r.to().isAfter(at));
            boolean there = people.stream()
                    .flatMap(p -> p.shifts(from, 7, ZONE).stream())
                    .anyMatch(s -> s.from().isBefore(at) && s.to().isAfter(at));
            printed += busy ? 1 : 0;
            seen += !busy && there ? 1 : 0;
        }
        assertThat(week.printed()).isCloseTo(printed / 60.0, within(1e-6));
        assertThat(week.stoodSeen()).isCloseTo(seen / 60.0, within(1e-6));
        assertThat(week.all()).isCloseTo(168, within(1e-6));
    }
}
