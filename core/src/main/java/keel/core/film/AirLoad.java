package keel.core.film;

import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.util.FastMath;

/**
 * The air that a light membrane has to move along with it, as areal mass on one side: the low-frequency Rayleigh
 * integral of the mode shape w over an opening in a rigid baffle, μ = (ρ₀/2π)·∬∬ w·w′/|r − r′| / ∬
 * w². Valid while the sound's wavelength is much longer than the window. Both sides of a film that hangs free count.
 *
 * <p>Source: Rayleigh, The Theory of Sound, vol. II, § 302 (inertia of the air before a vibrating disc); the form
 * for a rectangular mode by the same integral. The mode shapes' autocorrelations are closed; what is left is
 * integrated in polar coordinates, where the integrand is smooth, by Gauss and Legendre.
 */
final class AirLoad {

    static final double AIR_KG_PER_M3 = 1.204;

    private static final int POINTS = 40;
    private static final GaussIntegratorFactory GAUSS = new GaussIntegratorFactory();

    private AirLoad() {}

    /** Of mode m, n of a window of Lx × Ly metres, kg/m² on one side. */
    static double perSide(int m, int n, double lx, double ly) {
        double corner = FastMath.atan2(ly, lx);
        double sum = sector(m, n, lx, ly, 0, corner) + sector(m, n, lx, ly, corner, FastMath.PI / 2);
        double wSquared = lx * ly / 4;
        return AIR_KG_PER_M3 / (2 * FastMath.PI) * 4 * sum / wSquared;
    }

    /** Over the directions between two angles, from the middle out to the rim. */
    private static double sector(int m, int n, double lx, double ly, double from, double to) {
        return GAUSS.legendre(POINTS, from, to).integrate(theta -> {
            double cos = FastMath.cos(theta);
            double sin = FastMath.sin(theta);
            return GAUSS.legendre(POINTS, 0, FastMath.min(lx / cos, ly / sin))
                    .integrate(r -> overlap(m, lx, r * cos) * overlap(n, ly, r * sin));
        });
    }

    /** Autocorrelation of sin(mπx/L) at the distance d: ½(L − d)·cos(kd) + sin(kd)/(2k), k = mπ/L. */
    private static double overlap(int m, double length, double d) {
        double k = m * FastMath.PI / length;
        return 0.5 * (length - d) * FastMath.cos(k * d) + FastMath.sin(k * d) / (2 * k);
    }
}
