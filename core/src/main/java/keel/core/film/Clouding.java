package keel.core.film;

import java.util.Arrays;
import java.util.Comparator;

/**
 * How cloudy a film looks, in five grades, beside a new one over print. The light that each usually passes is common
 * practice, no source.
 */
public enum Clouding {
    CLEAR("Clear", "as a new one", 0.92),
    FAINT("Faint", "a breath, seen only against the light", 0.89),
    HAZY("Hazy", "print beneath looks softened", 0.85),
    CLOUDED("Clouded", "small print beneath can no longer be read", 0.79),
    MILKY("Milky", "print beneath is a shadow", 0.70);

    private final String words;
    private final String looks;
    private final double usualTransmittance;

    Clouding(String words, String looks, double usualTransmittance) {
        this.words = words;
        this.looks = looks;
        this.usualTransmittance = usualTransmittance;
    }

    public String words() {
        return words;
    }

    /** What one sees. */
    public String looks() {
        return looks;
    }

    /** UV transmittance of a film that looks so, 0 to 1. */
    public double usualTransmittance() {
        return usualTransmittance;
    }

    /** Whether such a film is best changed. */
    public boolean worn() {
        return compareTo(CLOUDED) >= 0;
    }

    /** The grade whose usual transmittance lies nearest to a measured one. */
    public static Clouding of(double transmittance) {
        return Arrays.stream(values())
                .min(Comparator.comparingDouble(c -> Math.abs(c.usualTransmittance - transmittance)))
                .orElseThrow();
    }
}
