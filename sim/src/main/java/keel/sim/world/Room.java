package keel.sim.world;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/**
 * A room of the shop: a first-order body between the outdoors, the sun on its windows, its heating and the machines in
 * it, aired by a fan whose mesh clogs.
 */
public final class Room {

    static final Duration STEP = Duration.ofMinutes(30);

    private final String code;
    private final Parameters.RoomKind kind;
    private final Outdoors outdoors;
    private final Chance chance;
    private Instant at;
    private double temperatureC;
    private double swingKPerHour;
    private double meshDays;

    Room(String code, Parameters.RoomKind kind, Outdoors outdoors, Chance chance, Instant start) {
        this.code = code;
        this.kind = kind;
        this.outdoors = outdoors;
        this.chance = chance;
        this.at = start;
        this.temperatureC = kind.heatedToC();
    }

    public String code() {
        return code;
    }

    /** Lets time pass up to {@code until}. */
    void until(Instant until) {
        while (!at.plus(STEP).isAfter(until)) {
            double before = temperatureC;
            temperatureC = FirstOrder.after(temperatureC, surroundingC(), STEP.toMinutes() / 60.0, timeConstantH());
            swingKPerHour = 0.8 * swingKPerHour + 0.2 * FastMath.abs(temperatureC - before) * 2;
            meshDays += STEP.toMinutes() / 1440.0;
            at = at.plus(STEP);
        }
    }

    private double surroundingC() {
        double outside = outdoors.temperatureC(at);
        int hour = at.atZone(ZoneOffset.UTC).getHour();
        double sunAndMachines = outside
                + kind.gainsK()
                + (hour > 9 && hour < 18 ? kind.sunK() : 0)
                + (outdoors.heatWave(at.atZone(ZoneOffset.UTC).toLocalDate()) ? kind.heatWaveMoreK() : 0);
        double wanted = hour >= 5 && hour < 20 ? kind.heatedToC() : kind.nightC();
        return FastMath.max(sunAndMachines, FastMath.min(wanted, sunAndMachines + kind.heaterK()));
    }

    /** A clogged mesh lets less air through, and the room follows the outdoors more slowly. */
    private double timeConstantH() {
        return kind.timeConstantH() / (0.6 + 0.4 * openMesh());
    }

    /** Share of the mesh that is still open, 0 to 1. */
    public double openMesh() {
        return FastMath.exp(-meshDays / kind.meshClogsInDays());
    }

    void cleanMesh() {
        meshDays = 0;
    }

    public double temperatureC() {
        return temperatureC;
    }

    /** Relative humidity, %: the same moisture in warmer air. */
    public double humidityPercent() {
        double weather = chance.stream("humidity", at.getEpochSecond() / 86_400).normal(0, 4);
        return FastMath.max(20, FastMath.min(85, kind.humidityPercent() - 1.6 * (temperatureC - 20) + weather));
    }

    /** How fast the temperature has moved lately, K per hour. */
    public double swingKPerHour() {
        return swingKPerHour;
    }
}
