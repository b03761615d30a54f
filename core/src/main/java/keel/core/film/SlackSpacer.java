package keel.core.film;

/**
 * The slack that a block under the film gives while the film is clamped, and that the frame takes up as it is pressed
 * in. A film over a block hangs as a shallow parabola: a bulge of height b over a span L makes it longer by the strain
 * ε = 8b²/(3L²). Valid while the bulge is below about a tenth of the span.
 *
 * <p>Source: arc length of a shallow parabola, any handbook of structural engineering (cables); from memory.
 */
public record SlackSpacer(double spanMm, double bulgeMm) {

    private static final double MOST_STRAIN = 0.05;

    /**
     * The bulge that gives a film a wanted strain.
     *
     * @param spanMm free span that the block stands in, mm, &gt; 0 and at most 2000
     * @param strain wanted strain, a pure number, &ge; 0 and at most 0.05
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    public static SlackSpacer forStrain(double spanMm, double strain) {
        if (!(spanMm > 0) || spanMm > 2000) {
            throw new IllegalArgumentException("The span must be more than 0 and at most 2000 mm.");
        }
        if (!(strain >= 0) || strain > MOST_STRAIN) {
            throw new IllegalArgumentException(
                    "The strain must be 0 to 5 %; more tears a film, and the formula no longer holds.");
        }
        return new SlackSpacer(spanMm, spanMm * Math.sqrt(3 * strain / 8));
    }

    /** Strain that this bulge gives, a pure number. */
    public double strain() {
        return 8 * bulgeMm * bulgeMm / (3 * spanMm * spanMm);
    }

    /**
     * Length that the frame takes up when it is pressed in, mm.
     *
     * @param pressMm how far it is pressed in
     * @param clampToLipMm from the clamped edge to the lip that presses
     */
    public static double takenUpMm(double pressMm, double clampToLipMm) {
        return 2 * (Math.hypot(clampToLipMm, pressMm) - clampToLipMm);
    }

    /**
     * The bulge that leaves a wanted tension once the frame is pressed in: what the frame takes up less the slack
     * given, times modulus and thickness. 0 where even a film without slack would not become so tight.
     *
     * @param tensionNPerM wanted tension, N/m, &gt; 0
     * @param thicknessMm of the film
     */
    public static SlackSpacer forTension(
            double spanMm, double pressMm, double clampToLipMm, double tensionNPerM, double thicknessMm) {
        double strain = takenUpMm(pressMm, clampToLipMm) / spanMm
                - tensionNPerM / (ToneComparison.MODULUS_MPA * thicknessMm * 1000);
        return forStrain(spanMm, Math.max(0, Math.min(MOST_STRAIN, strain)));
    }
}
