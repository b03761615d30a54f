package keel.core.film;

import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.special.BesselJ;
import org.hipparchus.util.FastMath;

/**
 * A film stretched over a round ring: a clamped circular membrane without stiffness of its own, hanging free in air on
 * both sides, in its lowest mode.
 *
 * <p>Source: Kinsler, Frey, Coppens and Sanders, Fundamentals of Acoustics, 4th ed., ch. 4: f₀₁ =
 * j₀₁/(2πa)·√(T/σ), j₀₁ = 2.404826 (DLMF 10.21). The air as in {@link AirLoad}: with the Hankel
 * transform of the mode shape the Rayleigh integral becomes μ = 2ρ₀·a·j₀₁²·∫ J₀(x)²/(j₀₁² −
 * x²)² dx from 0 to infinity.
 *
 * @param diameterMm free opening, mm
 * @param massKgPerM2 areal mass of the film alone
 * @param tensionNPerM tension
 */
public record RoundMembrane(double diameterMm, double massKgPerM2, double tensionNPerM) {

    /** First zero of J₀. */
    static final double J01 = 2.404825557695773;

    private static final double FAR = 60;
    private static final int POINTS = 24;
    private static final double NEAR_ZERO = 1e-4;

    /** @throws IllegalArgumentException if any of them is not positive and finite */
    public RoundMembrane {
        for (double value : new double[] {diameterMm, massKgPerM2, tensionNPerM}) {
            if (!(value > 0) || Double.isInfinite(value)) {
                throw new IllegalArgumentException("Diameter, mass and tension of a film must be more than 0.");
            }
        }
    }

    public double toneInVacuumHz() {
        return tone(massKgPerM2);
    }

    /** With the air on both sides. */
    public double toneHz() {
        return tone(massKgPerM2 + 2 * airPerSide());
    }

    /** Air that moves along, kg/m² on one side. */
    double airPerSide() {
        GaussIntegratorFactory gauss = new GaussIntegratorFactory();
        double sum = 0;
        for (double from = 0; from < FAR; from += 2) {
            sum += gauss.legendre(POINTS, from, from + 2).integrate(RoundMembrane::share);
        }
        return 2 * AirLoad.AIR_KG_PER_M3 * diameterMm / 2000 * J01 * J01 * sum;
    }

    /** J₀(x)²/(j₀₁² − x²)²; at the zero its limit J₁(j₀₁)²/(2·j₀₁)². */
    private static double share(double x) {
        double apart = J01 * J01 - x * x;
        double ratio =
                FastMath.abs(apart) < NEAR_ZERO ? BesselJ.value(1, J01) / (2 * J01) : BesselJ.value(0, x) / apart;
        return ratio * ratio;
    }

    private double tone(double mass) {
        return J01 / (2 * FastMath.PI * diameterMm / 2000) * FastMath.sqrt(tensionNPerM / mass);
    }
}
