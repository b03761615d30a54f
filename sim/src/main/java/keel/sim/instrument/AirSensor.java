package keel.sim.instrument;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import keel.sim.chance.Chance;
import keel.sim.world.Rooms;
import org.hipparchus.util.FastMath;

/**
 * A sensor on the wall that logs once a minute; now and then a minute is missing. Vapour comes with each wash and is
 * aired away.
 */
public final class AirSensor {

    private static final double BACKGROUND_PPB = 90;
    private static final double WASH_PPB = 900;
    private static final double CHANGES_PER_HOUR = 4;
    private static final double MISSING = 0.01;
    private static final Duration AIRED = Duration.ofHours(8);

    private AirSensor() {}

    /** @param vapourPpb all volatile organic compounds, parts per billion */
    public record Minute(Instant at, double temperatureC, double humidityPercent, double vapourPpb) {}

    /**
     * The minutes up to a moment.
     *
     * @param washes when parts were washed in that room
     */
    public static List<Minute> minutes(
            Rooms rooms, String room, Instant until, Duration back, List<Instant> washes, Chance chance) {
        List<Minute> all = new ArrayList<>();
        List<Instant> washed = washes.stream().sorted().toList();
        for (Instant at = until.minus(back); !at.isAfter(until); at = at.plusSeconds(60)) {
            Chance minute = chance.stream(room, at.getEpochSecond() / 60);
            if (minute.happens(MISSING)) {
                continue;
            }
            Rooms.Air air = rooms.at(room, at);
            double ppb = BACKGROUND_PPB + left(washed, at, CHANGES_PER_HOUR * (0.3 + 0.7 * air.openMesh()));
            all.add(new Minute(
                    at,
                    tenth(air.temperatureC() + minute.normal(0, 0.05)),
                    tenth(air.humidityPercent() + minute.normal(0, 0.3)),
                    FastMath.rint(ppb * (1 + minute.normal(0, 0.03)))));
        }
        return all;
    }

    /** What washes, in order, have left in the air by dilution, C = C₀·exp(−N·t), within {@link #AIRED}. */
    private static double left(List<Instant> washes, Instant at, double changesPerHour) {
        double left = 0;
        int after = Collections.binarySearch(washes, at.plusNanos(1));
        for (int i = (after < 0 ? -after - 1 : after) - 1;
                i >= 0 && washes.get(i).isAfter(at.minus(AIRED));
                i--) {
            double hours = Duration.between(washes.get(i), at).toSeconds() / 3600.0;
            left += WASH_PPB * FastMath.exp(-changesPerHour * hours);
        }
        return left;
    }

    private static double tenth(double value) {
        return FastMath.rint(value * 10) / 10;
    }
}
