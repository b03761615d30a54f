package keel.sim.world;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import keel.sim.chance.Chance;
import org.junit.jupiter.api.Test;

/**
 * The rooms' temperature against the analytic answers of a first-order system (any textbook of heat transfer or
 * control).
 */
class RoomTest {

    private static final double TAU_H = 6;

    /** After a step: T = T∞ + (T₀ − T∞)·exp(−t/τ), in however many steps. */
    @Test
    void aStepOutsideIsFollowedExponentially() {
        double t = 20;
        for (int i = 0; i < 24; i++) {
            t = FirstOrder.after(t, 5, 0.5, TAU_H);
        }
        assertThat(t).isCloseTo(5 + 15 * Math.exp(-12 / TAU_H), within(1e-9));
        assertThat(FirstOrder.after(20, 5, TAU_H, TAU_H))
                .as("63.2 % of the way after one time constant")
                .isCloseTo(5 + 15 * 0.367879441, within(1e-6));
    }

    /** A sine of period P comes in weaker by 1/√(1 + ω²τ²) and later by atan(ωτ)/ω. */
    @Test
    void theDaysSwingComesInWeakerAndLater() {
        double omega = 2 * Math.PI / 24;
        double step = 0.02;
        double t = 10;
        double highest = -99;
        double when = 0;
        for (double h = 0; h < 24 * 12; h += step) {
            t = FirstOrder.after(t, 10 + 4 * Math.sin(omega * (h + step / 2)), step, TAU_H);
            if (h > 24 * 11 && t > highest) {
                highest = t;
                when = h + step;
            }
        }
        double phase = Math.atan(omega * TAU_H) / omega;
        assertThat(highest - 10).isCloseTo(4 / Math.hypot(1, omega * TAU_H), within(1e-3));
        assertThat((when - 24 * 11) % 24).isCloseTo((6 + phase) % 24, within(0.05));
    }

    /** Without sun, machines, weather and heating, a room's swing is that of the outdoors through its time constant. */
    @Test
    void aRoomWithoutAnythingInItFollowsTheOutdoorsAsTheFormulaSays() {
        Parameters.Climate plain = new Parameters.Climate(12, 0, 5, 0, 0, 0, 0);
        Parameters.RoomKind bare = new Parameters.RoomKind(TAU_H, 0, 0, -50, -50, 0, 0, 50, 1e9);
        Instant start = Instant.parse("2025-03-01T00:00:00Z");
        Room room = new Room(
                "bare", bare, new Outdoors(plain, Chance.of(1), LocalDate.of(2025, 3, 1)), Chance.of(2), start);
        double highest = -99;
        double lowest = 99;
        for (int half = 1; half <= 48 * 20; half++) {
            room.until(start.plus(Duration.ofMinutes(30L * half)));
            if (half > 48 * 18) {
                highest = Math.max(highest, room.temperatureC());
                lowest = Math.min(lowest, room.temperatureC());
            }
        }
        double omega = 2 * Math.PI / 24;
        assertThat((highest - lowest) / 2).isCloseTo(5 / Math.hypot(1, omega * TAU_H), within(0.02));
        assertThat((highest + lowest) / 2).isCloseTo(12, within(0.02));
    }

    @Test
    void theAnnexeIsColderInWinterAndHotInTheHeatWaveAndAMeshClogsUntilItIsCleaned() {
        Parameters parameters = Parameters.shipped("shop-a");
        Instant start = Instant.parse("2025-01-01T00:00:00Z");
        Rooms rooms = new Rooms(parameters, Chance.of(5), start, start.plus(Duration.ofDays(365)));
        double warmest = hourly(rooms, start, 170, 240).max().orElseThrow();
        double winter = hourly(rooms, start, 5, 40).average().orElseThrow();
        assertThat(warmest).isBetween(27.0, 40.0);
        assertThat(winter).isBetween(12.0, 19.0);
        Map<Boolean, Long> mesh = IntStream.range(1, 365)
                .boxed()
                .collect(Collectors.partitioningBy(
                        d -> rooms.at("annexe", start.plus(Duration.ofDays(d))).openMesh()
                                > rooms.at("annexe", start.plus(Duration.ofDays(d - 1L)))
                                                .openMesh()
                                        + 0.2,
                        Collectors.counting()));
        assertThat(mesh.get(true)).as("cleanings in a year").isBetween(1L, 5L);
    }

    private static DoubleStream hourly(Rooms rooms, Instant start, int fromDay, int toDay) {
        return IntStream.range(fromDay * 24, toDay * 24)
                .mapToDouble(
                        h -> rooms.at("annexe", start.plus(Duration.ofHours(h))).temperatureC());
    }
}
