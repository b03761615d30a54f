package keel.core.air;

/**
 * A round duct with air flowing through it.
 *
 * <p>Pressure loss by Darcy–Weisbach; friction factor by Colebrook–White (Moody 1944), 64/Re where the flow is
 * laminar, a straight line between. A flexible duct that is compressed by c % loses (1 + 0.58·c·e^(−0.00496·D))
 * times as much (ASHRAE Fundamentals, duct design; from memory).
 *
 * @param diameterMm inside
 * @param roughnessMm of its wall
 * @param flexCompression percent, 0 for a duct that is stretched or rigid
 */
public record Duct(double diameterMm, double lengthM, double roughnessMm, double flexCompression) {

    /** At 20 °C and sea level: kg/m³ and Pa·s. */
    public static final double DENSITY = 1.204;

    public static final double VISCOSITY = 1.825e-5;

    private static final double LAMINAR_BELOW = 2000;
    private static final double TURBULENT_FROM = 4000;
    private static final double FLEX = 0.58;
    private static final double FLEX_PER_MM = 0.00496;
    private static final int ROUNDS = 60;

    /** In a round opening of that diameter, m/s. */
    public static double velocity(double flowM3H, double diameterMm) {
        double d = diameterMm / 1000;
        return flowM3H / 3600 / (Math.PI * d * d / 4);
    }

    public double velocity(double flowM3H) {
        return velocity(flowM3H, diameterMm);
    }

    /** Loss over its length, Pa. */
    public double lossPa(double flowM3H) {
        double v = velocity(flowM3H);
        if (v == 0 || lengthM == 0) {
            return 0;
        }
        double d = diameterMm / 1000;
        double f = friction(DENSITY * v * d / VISCOSITY, roughnessMm / diameterMm);
        double flex = 1 + FLEX * flexCompression * Math.exp(-FLEX_PER_MM * diameterMm);
        return f * lengthM / d * DENSITY * v * v / 2 * flex;
    }

    /**
     * Darcy's friction factor.
     *
     * @param reynolds more than 0
     * @param relative roughness over diameter
     */
    public static double friction(double reynolds, double relative) {
        if (reynolds <= LAMINAR_BELOW) {
            return 64 / reynolds;
        }
        if (reynolds >= TURBULENT_FROM) {
            return colebrook(reynolds, relative);
        }
        double share = (reynolds - LAMINAR_BELOW) / (TURBULENT_FROM - LAMINAR_BELOW);
        return (1 - share) * 64 / LAMINAR_BELOW + share * colebrook(TURBULENT_FROM, relative);
    }

    /** 1/√f = −2·lg(ε/3.7D + 2.51/(Re·√f)), by iteration on 1/√f, which converges by itself. */
    private static double colebrook(double reynolds, double relative) {
        double x = 8;
        for (int i = 0; i < ROUNDS; i++) {
            double next = -2 * Math.log10(relative / 3.7 + 2.51 * x / reynolds);
            if (Math.abs(next - x) < 1e-14) {
                break;
            }
            x = next;
        }
        return 1 / (x * x);
    }
}
