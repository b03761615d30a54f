package keel.core.film;

import org.hipparchus.util.FastMath;

/**
 * A stretched film in its frame: a clamped rectangular membrane without stiffness of its own, with the same tension in
 * both directions, hanging free in air on both sides.
 *
 * <p>Source: Kinsler, Frey, Coppens and Sanders, Fundamentals of Acoustics, 4th ed., ch. 4: f_mn =
 * ½·√(T/σ)·√((m/Lx)² + (n/Ly)²); the air by {@link AirLoad}.
 *
 * @param lengthMm free opening along x, mm
 * @param widthMm along y, mm
 * @param massKgPerM2 areal mass of the film alone
 * @param tensionNPerM tension
 */
public record Membrane(double lengthMm, double widthMm, double massKgPerM2, double tensionNPerM) {

    /** FEP and its like, kg/m³; from memory, makers' sheets give 2120 to 2170. */
    public static final double FEP_KG_PER_M3 = 2150;

    /** @throws IllegalArgumentException if any of them is not positive and finite */
    public Membrane {
        for (double value : new double[] {lengthMm, widthMm, massKgPerM2, tensionNPerM}) {
            if (!(value > 0) || Double.isInfinite(value)) {
                throw new IllegalArgumentException("Sides, mass and tension of a film must be more than 0.");
            }
        }
    }

    /** A film of FEP so thick. */
    public static Membrane ofFep(double lengthMm, double widthMm, double thicknessMm, double tensionNPerM) {
        return new Membrane(lengthMm, widthMm, FEP_KG_PER_M3 * thicknessMm / 1000, tensionNPerM);
    }

    /** The tone of a mode in vacuum, Hz; m half waves along x, n along y. */
    public double toneInVacuumHz(int m, int n) {
        return tone(m, n, massKgPerM2);
    }

    /** The tone of a mode with the air on both sides, Hz. */
    public double toneHz(int m, int n) {
        return tone(m, n, massKgPerM2 + 2 * AirLoad.perSide(m, n, lengthMm / 1000, widthMm / 1000));
    }

    private double tone(int m, int n, double mass) {
        return 0.5 * FastMath.sqrt(tensionNPerM / mass) * FastMath.hypot(m / (lengthMm / 1000), n / (widthMm / 1000));
    }
}
