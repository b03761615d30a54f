package keel.core.film;

import org.hipparchus.util.FastMath;

/**
 * A film's tone against the reference of its vat model. Frame and film stretch differently in warmth: warmer by ΔT,
 * the stress falls by E·Δα·ΔT and the tone with its root, about a semitone in ten kelvin. Up to five kelvin
 * apart the tone is brought to the reference's temperature; further apart the two are not compared.
 *
 * <p>Modulus of FEP 0.5 GPa, expansion of FEP 9.8e-5 and of aluminium 2.3e-5 per kelvin: from memory, makers' sheets
 * give about that.
 *
 * @param cents from the reference, brought to its temperature; null where the two are not compared
 * @param correctedByHz what was added to the tone for its temperature, 0 where a temperature is missing
 * @param comparison what was done about the temperatures
 * @param verdict null where the two are not compared
 */
public record ToneComparison(Double cents, double correctedByHz, Temperatures comparison, FilmTension.Verdict verdict) {

    /** FEP's modulus, MPa; from memory. */
    public static final double MODULUS_MPA = 500;
    /** Kelvins beyond which tones are not compared. */
    public static final double MOST_APART_K = 5;

    private static final double EXPANSION_PER_K = 9.8e-5 - 2.3e-5;

    /** How the temperatures of two tones stand to one another. */
    public enum Temperatures {
        CORRECTED,
        UNKNOWN,
        TOO_FAR_APART
    }

    /**
     * @param hz the film's tone
     * @param stressMPa that follows from it
     * @param atC temperature of the film, null if not measured
     * @param reference tone to compare with, Hz
     * @param referenceC its temperature, null if not known
     */
    public static ToneComparison of(double hz, double stressMPa, Double atC, double reference, Double referenceC) {
        if (atC == null || referenceC == null) {
            double cents = FilmTension.cents(hz, reference);
            return new ToneComparison(cents, 0, Temperatures.UNKNOWN, FilmTension.verdict(cents));
        }
        double warmer = atC - referenceC;
        if (FastMath.abs(warmer) > MOST_APART_K) {
            return new ToneComparison(null, 0, Temperatures.TOO_FAR_APART, null);
        }
        double there = hz * FastMath.sqrt(FastMath.max(0.05, 1 + MODULUS_MPA * EXPANSION_PER_K * warmer / stressMPa));
        double cents = FilmTension.cents(there, reference);
        return new ToneComparison(cents, there - hz, Temperatures.CORRECTED, FilmTension.verdict(cents));
    }
}
