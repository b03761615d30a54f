package keel.core.round;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Who is told of what when; by hand. */
class RemindingTest {

    private static final ZoneId ZONE = ZoneId.of("Europe/Berlin");
    private static final Instant NOON = Instant.parse("2026-03-09T11:00:00Z");
    private static final Instant NIGHT = Instant.parse("2026-03-09T22:30:00Z");
    private static final Reminding.Choice KEES = choice(1, 2L, RemindOf.LOOKS, RemindOf.AIR);
    private static final Reminding.Choice ADA = choice(2, null, RemindOf.WASH);

    private static Reminding.Choice choice(long person, Long then, RemindOf... of) {
        return new Reminding.Choice(
                person, EnumSet.copyOf(Arrays.asList(of)), LocalTime.of(21, 0), LocalTime.of(7, 0), then, 15);
    }

    private static Chore chore(String key, ChoreKind kind, Instant from) {
        return new Chore(
                key,
                kind,
                "m",
                "Curlew",
                "do it",
                "",
                5,
                5,
                "long-room",
                from,
                null,
                new Chore.Waiting(1, 0, ""),
                0,
                true,
                "/round");
    }

    private static List<Reminding.Tell> tell(Instant now, List<Reminding.Told> told, Chore... chores) {
        return Reminding.now(List.of(chores), List.of(KEES, ADA), told, now, ZONE);
    }

    @Test
    void eachIsToldOfWhatTheyWantOnceItCanBeDone() {
        Chore look = chore("look", ChoreKind.LOOK_IN, NOON);
        Chore wash = chore("wash", ChoreKind.OUT_OF_BATH, null);
        assertThat(tell(NOON, List.of(), look, wash))
                .containsExactly(new Reminding.Tell(1, look, false), new Reminding.Tell(2, wash, false));
        assertThat(tell(NOON.minusSeconds(1), List.of(), look)).isEmpty();
        assertThat(tell(NOON, List.of(), chore("buy", ChoreKind.BUY, null))).isEmpty();
    }

    @Test
    void quietHoursAreKeptUnlessSomebodyMayComeToHarm() {
        assertThat(tell(NIGHT, List.of(), chore("look", ChoreKind.LOOK_IN, null)))
                .isEmpty();
        assertThat(tell(NIGHT, List.of(), chore("air", ChoreKind.AIR_ALARM, null)))
                .hasSize(1);
        Reminding.Choice day =
                new Reminding.Choice(3, Set.of(RemindOf.LOOKS), LocalTime.of(9, 0), LocalTime.of(13, 0), null, 15);
        assertThat(day.quiet(LocalTime.of(12, 59))).isTrue();
        assertThat(day.quiet(LocalTime.of(13, 0))).isFalse();
        assertThat(new Reminding.Choice(3, Set.of(), null, null, null, 15).quiet(LocalTime.NOON))
                .isFalse();
    }

    @Test
    void nobodyIsToldTwiceInHalfADay() {
        Chore look = chore("look", ChoreKind.LOOK_IN, null);
        Reminding.Told before = new Reminding.Told(1, "look", NOON.minus(Duration.ofMinutes(5)));
        assertThat(tell(NOON, List.of(before), look)).isEmpty();
        Reminding.Told longAgo = new Reminding.Told(1, "look", NOON.minus(Duration.ofHours(12)));
        assertThat(tell(NOON, List.of(longAgo), look)).containsExactly(new Reminding.Tell(1, look, false));
    }

    @Test
    void whatNobodyDoesAnythingAboutIsPassedOnOnce() {
        Chore look = chore("look", ChoreKind.LOOK_IN, null);
        Reminding.Told kees = new Reminding.Told(1, "look", NOON.minus(Duration.ofMinutes(15)));
        assertThat(tell(NOON, List.of(kees), look)).containsExactly(new Reminding.Tell(2, look, true));
        assertThat(tell(NOON.minusSeconds(1), List.of(kees), look)).isEmpty();
        Reminding.Told ada = new Reminding.Told(2, "look", NOON.minus(Duration.ofMinutes(1)));
        assertThat(tell(NOON, List.of(kees, ada), look)).isEmpty();
        Reminding.Told late = new Reminding.Told(1, "look", NIGHT.minus(Duration.ofMinutes(20)));
        assertThat(tell(NIGHT, List.of(late), look))
                .as("Ada is left alone at night")
                .isEmpty();
    }
}
