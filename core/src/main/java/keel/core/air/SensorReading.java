package keel.core.air;

import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * What a sensor says of one moment; what it does not measure is null.
 *
 * @param tvoc all volatile organic compounds, ppb
 * @param temperatureC °C
 * @param humidityPercent relative humidity
 */
public record SensorReading(Instant at, Double tvoc, Double temperatureC, Double humidityPercent) {

    private static final Duration AHEAD = Duration.ofMinutes(10);
    private static final Instant EARLIEST = Instant.parse("2015-01-01T00:00:00Z");
    private static final double MOST_PPB = 10_000_000;

    /** Why it cannot be kept, in a sentence; empty if it can. */
    public Optional<String> wrong(Instant now) {
        if (at == null) {
            return Optional.of("The time is missing.");
        }
        if (at.isAfter(now.plus(AHEAD))) {
            return Optional.of("It lies in the future: the sensor's clock runs ahead.");
        }
        if (at.isBefore(EARLIEST)) {
            return Optional.of("It lies before 2015: the sensor's clock was reset.");
        }
        if (tvoc == null && temperatureC == null && humidityPercent == null) {
            return Optional.of("It says nothing: tvoc, temperatureC and humidityPercent are all missing.");
        }
        return beyond(tvoc, 0, MOST_PPB, "tvoc", "ppb")
                .or(() -> beyond(temperatureC, -40, 85, "temperatureC", "°C"))
                .or(() -> beyond(humidityPercent, 0, 100, "humidityPercent", "%"));
    }

    private static Optional<String> beyond(Double value, double low, double high, String name, String unit) {
        return value == null || value >= low && value <= high
                ? Optional.empty()
                : Optional.of(
                        String.format(Locale.ROOT, "%s must be between %.0f and %.0f %s.", name, low, high, unit));
    }
}
