package keel.sim.world;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/**
 * The temperature outside: a season, a day, weather that lingers, and heat waves in summer. Northern hemisphere, UTC.
 */
final class Outdoors {

    private static final int WARMEST_DAY = 205;
    private static final double WARMEST_HOUR = 15;
    private static final double DAYS = 365.25;

    private final Parameters.Climate climate;
    private final Chance chance;
    private LocalDate today;
    private double weatherK;

    Outdoors(Parameters.Climate climate, Chance chance, LocalDate first) {
        this.climate = climate;
        this.chance = chance;
        this.today = first.minusDays(1);
    }

    /** Call in order of time. */
    double temperatureC(Instant at) {
        LocalDate day = at.atZone(ZoneOffset.UTC).toLocalDate();
        while (today.isBefore(day)) {
            today = today.plusDays(1);
            double keeps = climate.weatherLingers();
            weatherK = keeps * weatherK
                    + FastMath.sqrt(1 - keeps * keeps)
                            * chance.stream("weather", today.toEpochDay()).normal(0, climate.weatherSdK());
        }
        double hour = at.atZone(ZoneOffset.UTC).toLocalTime().toSecondOfDay() / 3600.0;
        double season = FastMath.cos(2 * FastMath.PI * (day.getDayOfYear() - WARMEST_DAY) / DAYS);
        double ofDay = FastMath.cos(2 * FastMath.PI * (hour - WARMEST_HOUR) / 24);
        return climate.meanC()
                + climate.seasonK() * season
                + climate.dayK() * ofDay
                + weatherK
                + (heatWave(day) ? climate.heatWaveK() : 0);
    }

    /** One heat wave a year, somewhere between the end of June and the end of August. */
    boolean heatWave(LocalDate day) {
        int begins = 178 + chance.stream("heat", day.getYear()).below(50);
        return day.getDayOfYear() >= begins && day.getDayOfYear() < begins + climate.heatWaveDays();
    }
}
