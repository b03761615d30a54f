package keel.core.air;

import keel.core.Findings;

/**
 * Vapour in a room from something that evaporates steadily, its air perfectly mixed, for orientation only: C(t) =
 * (G/Q)·(1 − e^(−Q·t/V)). Volumes at 25 °C: 24.45 l a mole.
 *
 * <p>Source: ACGIH, Industrial Ventilation, dilution ventilation (from memory). Lower explosive limit of isopropyl
 * alcohol 2.0 % (NIOSH Pocket Guide; from memory).
 *
 * @param ppm after the time that was asked for
 * @param steadyPpm in the end; null without any flow
 * @param shareOfLel {@code ppm} over the lower explosive limit
 */
public record Vapour(double ppm, Double steadyPpm, double shareOfLel) {

    public static final double IPA_MOLAR_MASS = 60.1;

    private static final double IPA_G_PER_ML = 0.786;
    private static final double LITRES_A_MOLE = 24.45;
    private static final double LEL_PPM = 20_000;

    /**
     * What evaporates in which room; {@code molarMass} null for isopropyl alcohol, {@code minutes} null for the end.
     */
    public record Question(Double volumeM3, Double flowM3H, Double evaporationGPerH, Double molarMass, Double minutes) {

        /** What cannot be, at the fields as the open interface calls them. */
        public void check(Findings findings) {
            findings.range(volumeM3, 0.1, 1e6, "volumeM3", "The volume of the room", "m³");
            findings.range(flowM3H, 0, 1e6, "flowM3H", "The flow", "m³/h");
            findings.range(evaporationGPerH, 0, 1e6, "evaporationGPerH", "What evaporates", "g/h");
            findings.rangeIfGiven(molarMass, 1, 1000, "molarMass", "The molar mass", "g/mol");
            findings.rangeIfGiven(minutes, 0, 1e6, "minutes", "The time", "min");
            findings.when(
                    minutes == null && flowM3H != null && flowM3H == 0,
                    "minutes",
                    "Without any flow it never comes to an end: say after how many minutes.");
        }
    }

    /** @throws IllegalArgumentException if {@link Question#check} finds anything */
    public static Vapour of(Question q) {
        Findings findings = new Findings();
        q.check(findings);
        if (!findings.none()) {
            throw new IllegalArgumentException(findings.list().get(0).message());
        }
        double m3PerH =
                q.evaporationGPerH() / (q.molarMass() == null ? IPA_MOLAR_MASS : q.molarMass()) * LITRES_A_MOLE / 1000;
        Double steady = q.flowM3H() == 0 ? null : Double.valueOf(1e6 * m3PerH / q.flowM3H());
        double hours = q.minutes() == null ? Double.POSITIVE_INFINITY : q.minutes() / 60;
        double ppm = steady == null
                ? 1e6 * m3PerH * hours / q.volumeM3()
                : steady * -Math.expm1(-q.flowM3H() * hours / q.volumeM3());
        return new Vapour(ppm, steady, shareOfLel(ppm));
    }

    /** Isopropyl alcohol, 0.786 g/ml, all of it in the air at once. */
    public static double spillPpm(double ml, double volumeM3) {
        return ml * IPA_G_PER_ML / IPA_MOLAR_MASS * LITRES_A_MOLE / 1000 / volumeM3 * 1e6;
    }

    public static double shareOfLel(double ppm) {
        return ppm / LEL_PPM;
    }
}
