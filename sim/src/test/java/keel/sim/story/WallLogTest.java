package keel.sim.story;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.sim.instrument.AirSensor;
import keel.sim.shop.Happening;
import org.junit.jupiter.api.Test;

/** A sensor on the wall goes on where the story's log ended, as one and the same. */
class WallLogTest {

    private static final Instant END = Instant.parse("2026-03-12T14:20:00Z");
    private static final Story.Told STORY = Stories.upTo("2026-03-12T14:20:00Z");
    private static final WallLog WALLS = new WallLog(Story.SEED, END);

    @Test
    void itWouldHaveLoggedTheSame() {
        List<AirSensor.Minute> logged = STORY.happenings().stream()
                .filter(h -> h instanceof Happening.SensorLog l && l.room().equals("annexe"))
                .map(h -> ((Happening.SensorLog) h).minutes())
                .findFirst()
                .orElseThrow();
        Instant last = logged.get(logged.size() - 1).at();
        List<AirSensor.Minute> again = WALLS.minutes("annexe", last, Duration.ofHours(2), List.of());
        assertThat(logged.subList(logged.size() - again.size(), logged.size())).isEqualTo(again);
        assertThat(WALLS.rooms()).contains("annexe", "long-room");
    }

    @Test
    void aWashShowsAndIsAiredAway() {
        Instant wash = END.plus(Duration.ofMinutes(5));
        List<AirSensor.Minute> still =
                WALLS.minutes("long-room", END.plus(Duration.ofHours(3)), Duration.ofHours(3), List.of());
        List<AirSensor.Minute> washed =
                WALLS.minutes("long-room", END.plus(Duration.ofHours(3)), Duration.ofHours(3), List.of(wash));
        assertThat(washed).hasSameSizeAs(still);
        double most = 0;
        for (int i = 0; i < washed.size(); i++) {
            double more = washed.get(i).vapourPpb() - still.get(i).vapourPpb();
            if (washed.get(i).at().isBefore(wash)) {
                assertThat(more).as("nothing before the wash").isZero();
            }
            most = Math.max(most, more);
        }
        assertThat(most).isGreaterThan(600);
        assertThat(washed.get(washed.size() - 1).vapourPpb()
                        - still.get(still.size() - 1).vapourPpb())
                .as("nearly gone after three hours")
                .isCloseTo(0, within(100.0));
    }
}
