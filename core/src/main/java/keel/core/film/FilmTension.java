package keel.core.film;

import java.util.Comparator;
import java.util.List;
import org.hipparchus.util.FastMath;

/**
 * Tension of a release film from the tone that it gives when tapped, free on both sides.
 *
 * <p>Clamped rectangular membrane, source as {@link Membrane}, or a round one ({@link RoundMembrane}): with f₁₁
 * the lowest tone, T = 4·σ·f₁₁²/(1/Lx² + 1/Ly²), σ the areal mass of the film alone (dry) or with the air
 * it moves ({@link AirLoad}). Stress is that of the dry tension.
 *
 * @param dryNPerM tension without the air's mass, N/m
 * @param withAirNPerM with it, N/m
 * @param stressMPa of the dry tension, MPa
 * @param evenness tension along the length over that across it, from a second tone; null where it is not heard apart
 * @param secondHz that second tone, Hz; null where it is not heard apart
 */
public record FilmTension(double dryNPerM, double withAirNPerM, double stressMPa, Double evenness, Double secondHz) {

    private static final double NEAR = 0.1;
    private static final double GOOD_WITHIN_CENTS = 100;
    private static final double APART = 0.04;

    /**
     * @param fundamentalHz lowest tone, Hz
     * @param peaks all tones that were heard
     * @throws IllegalArgumentException unless all figures are positive and finite
     */
    public static FilmTension of(
            double fundamentalHz,
            List<TapTone.Peak> peaks,
            double lengthMm,
            double widthMm,
            double thicknessMm,
            double densityKgM3) {
        if (!(fundamentalHz > 0) || Double.isInfinite(fundamentalHz)) {
            throw new IllegalArgumentException("A tone must be more than 0 Hz.");
        }
        double mass = densityKgM3 * thicknessMm / 1000;
        Membrane one = new Membrane(lengthMm, widthMm, mass, 1);
        double dry = square(fundamentalHz / one.toneInVacuumHz(1, 1));
        double withAir = square(fundamentalHz / one.toneHz(1, 1));
        TapTone.Peak second = second(fundamentalHz, peaks, one);
        Double evenness = second == null ? null : evenness(fundamentalHz, second.hz(), one);
        return new FilmTension(
                dry,
                withAir,
                dry / (thicknessMm / 1000) / 1e6,
                evenness,
                evenness == null ? null : Double.valueOf(second.hz()));
    }

    /** The same for a film over a round ring; how even it is cannot be told from its tone. */
    public static FilmTension ofRound(double fundamentalHz, double diameterMm, double thicknessMm, double densityKgM3) {
        if (!(fundamentalHz > 0) || Double.isInfinite(fundamentalHz)) {
            throw new IllegalArgumentException("A tone must be more than 0 Hz.");
        }
        RoundMembrane one = new RoundMembrane(diameterMm, densityKgM3 * thicknessMm / 1000, 1);
        double dry = square(fundamentalHz / one.toneInVacuumHz());
        return new FilmTension(dry, square(fundamentalHz / one.toneHz()), dry / (thicknessMm / 1000) / 1e6, null, null);
    }

    /**
     * The lower of the modes with two half waves, which lies along the longer side; null unless a tone stands near
     * where an even film would have it and the other such mode is far enough.
     */
    private static TapTone.Peak second(double f11, List<TapTone.Peak> peaks, Membrane one) {
        boolean alongX = one.lengthMm() >= one.widthMm();
        double f1 = one.toneHz(1, 1);
        double second = f11 * (alongX ? one.toneHz(2, 1) : one.toneHz(1, 2)) / f1;
        double third = f11 * (alongX ? one.toneHz(1, 2) : one.toneHz(2, 1)) / f1;
        return third / second < 1 + 2 * NEAR
                ? null
                : peaks.stream()
                        .filter(p -> FastMath.abs(p.hz() / second - 1) < NEAR && FastMath.abs(p.hz() / f11 - 1) > APART)
                        .max(Comparator.comparingDouble(TapTone.Peak::strength))
                        .orElse(null);
    }

    /** From f₁₁ and that mode: 4·σ_mn·f_mn² = Tx·m²/Lx² + Ty·n²/Ly². Null where no tensions give both. */
    private static Double evenness(double f11, double second, Membrane one) {
        boolean alongX = one.lengthMm() >= one.widthMm();
        double a = 4 * moved(one, 1, 1) * square(f11);
        double b = 4 * (alongX ? moved(one, 2, 1) : moved(one, 1, 2)) * square(second);
        double alongLong = (b - a) / 3;
        double alongShort = a - alongLong;
        if (alongLong <= 0 || alongShort <= 0) {
            return null;
        }
        double sides =
                square(FastMath.max(one.lengthMm(), one.widthMm()) / FastMath.min(one.lengthMm(), one.widthMm()));
        double longOverShort = alongLong * sides / alongShort;
        return alongX ? longOverShort : 1 / longOverShort;
    }

    /** Areal mass that moves in a mode: the film and the air on both sides. */
    private static double moved(Membrane m, int x, int y) {
        return m.massKgPerM2() + 2 * AirLoad.perSide(x, y, m.lengthMm() / 1000, m.widthMm() / 1000);
    }

    private static double square(double x) {
        return x * x;
    }

    /** What a tone says of a film. */
    public enum Verdict {
        GOOD,
        SLACK,
        TIGHT,
        NO_TONE
    }

    /**
     * By the distance from the reference; good where there is none to compare with. Within 100 cents is good, common
     * practice.
     */
    public static Verdict verdict(Double centsFromReference) {
        if (centsFromReference == null || FastMath.abs(centsFromReference) <= GOOD_WITHIN_CENTS) {
            return Verdict.GOOD;
        }
        return centsFromReference < 0 ? Verdict.SLACK : Verdict.TIGHT;
    }

    /** Cents from a reference tone: 1200·log₂(f/f_ref). */
    public static double cents(double hz, double referenceHz) {
        return 1200 * FastMath.log(hz / referenceHz) / FastMath.log(2);
    }
}
