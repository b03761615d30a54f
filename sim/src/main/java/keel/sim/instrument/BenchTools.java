package keel.sim.instrument;

import java.math.BigDecimal;
import keel.core.profile.Setting;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;
import keel.sim.world.Rooms;
import org.hipparchus.util.FastMath;

/**
 * Small instruments of the bench, each with a spread of its own (standard deviation of one reading). The figures are
 * those of ordinary workshop tools, common practice.
 */
public final class BenchTools {

    public static final double GAUGE_SD_MM = 0.01;

    private static final double LEVEL_SD_MM_PER_M = 0.1;
    private static final double CALIPER_SD_MM = 0.015;
    private static final double THERMOMETER_SD_K = 0.15;
    private static final double HYGROMETER_SD = 1.2;
    private static final double SCALE_SD_G = 0.5;
    private static final double UV_SD_SHARE = 0.012;
    private static final double UV_NEW_MW_PER_CM2 = 3.2;

    private BenchTools() {}

    /** Dial gauge on the plate: height at a place, mm, to hundredths. */
    public static double gauge(Machine machine, double xMm, double yMm, Chance chance) {
        return to(0.01, machine.plate().gapMm(xMm, yMm) + chance.normal(0, GAUGE_SD_MM));
    }

    /**
     * Digital level on the base.
     *
     * @param acrossMmPerM rise to the right; {@code alongMmPerM} to the back
     */
    public record Slopes(double acrossMmPerM, double alongMmPerM) {}

    public static Slopes level(Machine machine, Chance chance) {
        return new Slopes(
                to(0.1, machine.leansAcrossMmPerM() + chance.normal(0, LEVEL_SD_MM_PER_M)),
                to(0.1, machine.leansAlongMmPerM() + chance.normal(0, LEVEL_SD_MM_PER_M)));
    }

    /** Calipers on a printed piece that was drawn so long, mm. */
    public static double calipers(Machine machine, double nominalMm, Chance chance) {
        double bleed = 0.03
                * FastMath.max(
                        0,
                        FastMath.log(machine.settings().get(Setting.EXPOSURE_S)
                                / machine.neededExposureS(machine.vat().resin())));
        return to(0.01, nominalMm * machine.quirks().definitionScale() + 2 * bleed + chance.normal(0, CALIPER_SD_MM));
    }

    public static double thermometer(Rooms.Air air, Chance chance) {
        return to(0.1, air.temperatureC() + chance.normal(0, THERMOMETER_SD_K));
    }

    public static double hygrometer(Rooms.Air air, Chance chance) {
        return to(1, air.humidityPercent() + chance.normal(0, HYGROMETER_SD));
    }

    /** Scale under what was poured out of the vat, g. */
    public static double scale(Machine machine, double densityGPerMl, Chance chance) {
        return to(0.1, FastMath.max(0, machine.vat().ml() * densityGPerMl + chance.normal(0, SCALE_SD_G)));
    }

    /**
     * UV meter on the screen, mW/cm².
     *
     * @param throughFilm whether the film lies under the sensor
     */
    public static double uv(Machine machine, double xMm, double yMm, boolean throughFilm, Chance chance) {
        int cell = machine.cells().at(xMm, yMm);
        double light = UV_NEW_MW_PER_CM2 * machine.light().power(cell);
        boolean dark = machine.screen() != null && machine.screen().blocked(cell);
        double through = throughFilm ? machine.vat().film().transmittance(cell) : 1;
        return to(0.01, dark ? 0.02 : light * through * (1 + chance.normal(0, UV_SD_SHARE)));
    }

    /** The same meter on the bare screen as it read when the light had done so many UV hours, mW/cm². */
    public static double uvThen(Machine machine, double xMm, double yMm, double lightHours, Chance chance) {
        return to(
                0.01,
                UV_NEW_MW_PER_CM2
                        * machine.light().powerAt(xMm, yMm, lightHours)
                        * (1 + chance.normal(0, UV_SD_SHARE)));
    }

    private static double to(double step, double value) {
        return BigDecimal.valueOf(FastMath.rint(value / step))
                .multiply(BigDecimal.valueOf(step))
                .doubleValue();
    }
}
