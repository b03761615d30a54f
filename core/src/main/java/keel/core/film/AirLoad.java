package keel.core.film;

import org.hipparchus.util.FastMath;

/**
 * The air that a light membrane has to move along with it, as areal mass on one side: the low-frequency Rayleigh integral of
 * the mode shape w over an opening in a rigid baffle, μ = (ρ₀/2π)·∬∬ w·w′/|r − r′| / ∬ w². Valid while the sound's wavelength
 * is much longer than the window. Both sides of a film that hangs free count.
 *
 * <p>Source: Rayleigh, The Theory of Sound, vol. II, § 302 (inertia of the air before a vibrating disc); the form for a
 * rectangular mode by the same integral. The mode shapes' autocorrelations are closed; what is left is integrated in polar
 * coordinates, where the integrand is smooth.
 */
final class AirLoad {

    static final double AIR_KG_PER_M3 = 1.204;

    private static final int ANGLES = 240;
    private static final int RADII = 240;

    private AirLoad() {}

    /** Of mode m, n of a window of Lx × Ly metres, kg/m² on one side. */
    static double perSide(int m, int n, double lx, double ly) {
        double sum = 0;
        double dTheta = FastMath.PI / 2 / ANGLES;
        for (int i = 0; i < ANGLES; i++) {
            double theta = (i + 0.5) * dTheta;
            double cos = FastMath.cos(theta);
            double sin = FastMath.sin(theta);
            double toRim = FastMath.min(lx / cos, ly / sin);
            double dr = toRim / RADII;
            for (int k = 0; k < RADII; k++) {
                double r = (k + 0.5) * dr;
                sum += overlap(m, lx, r * cos) * overlap(n, ly, r * sin) * dr * dTheta;
            }
        }
        double wSquared = lx * ly / 4;
        return AIR_KG_PER_M3 / (2 * FastMath.PI) * 4 * sum / wSquared;
    }

    /** Autocorrelation of sin(mπx/L) at the distance d: ½(L − d)·cos(kd) + sin(kd)/(2k), k = mπ/L. */
    private static double overlap(int m, double length, double d) {
        double k = m * FastMath.PI / length;
        return 0.5 * (length - d) * FastMath.cos(k * d) + FastMath.sin(k * d) / (2 * k);
    }
}
