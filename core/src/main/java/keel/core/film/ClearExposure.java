package keel.core.film;

import keel.core.Findings;

/**
 * The layer exposure that gives the same dose through another film: t·τ(at calibration)/τ(now), τ the UV
 * transmittance, reading through the film over reading without. The dose is what counts (Jacobs 1992, working curve
 * C_d = D_p·ln(E/E_c)).
 */
public final class ClearExposure {

    private ClearExposure() {}

    /**
     * @param exposureS exposure that was right then, s
     * @param transmittanceThen of the film that it was calibrated through, 0 to 1
     * @param transmittanceNow of the film now, 0 to 1
     */
    public static double seconds(double exposureS, double transmittanceThen, double transmittanceNow) {
        return exposureS * transmittanceThen / transmittanceNow;
    }

    /** Adds what cannot be. */
    public static void check(Double exposureS, Double transmittanceThen, Double transmittanceNow, Findings findings) {
        findings.range(exposureS, 0.01, 600, "exposureS", "The exposure", "s");
        findings.range(
                transmittanceThen, 0.05, 1, "transmittanceAtCalibration", "The transmittance at calibration", "");
        findings.range(transmittanceNow, 0.05, 1, "transmittanceNow", "The transmittance now", "");
    }
}
