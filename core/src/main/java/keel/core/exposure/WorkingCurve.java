package keel.core.exposure;

import java.util.List;
import org.hipparchus.stat.regression.SimpleRegression;
import org.hipparchus.util.FastMath;

/**
 * How deep a resin cures: C_d = D_p·ln(E/E_c). D_p is the penetration depth, E_c the exposure below which nothing
 * sets. The exposure may be a dose or, at a steady light, seconds: E_c is in the same unit.
 *
 * <p>Source: P. F. Jacobs, Rapid Prototyping &amp; Manufacturing: Fundamentals of Stereolithography (1992), ch. 4;
 * fitted by least squares on ln E.
 *
 * @param dpMm penetration depth, mm
 * @param ec critical exposure, in the unit of the exposures
 */
public record WorkingCurve(double dpMm, double ec) {

    /** One test piece: what it was given and how thick it came out, mm. */
    public record Point(double exposure, double depthMm) {}

    /**
     * @param points two or more, of two exposures at least
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    public static WorkingCurve fit(List<Point> points) {
        require(points.size() >= 2, "A working curve takes at least two test pieces.");
        SimpleRegression line = new SimpleRegression();
        for (Point p : points) {
            require(
                    p.exposure() > 0 && Double.isFinite(p.exposure()),
                    "An exposure must be more than 0; this is " + p.exposure() + ".");
            require(
                    p.depthMm() > 0 && p.depthMm() <= 50,
                    "A thickness must be more than 0 and at most 50 mm; this is " + p.depthMm() + ".");
            line.addData(Math.log(p.exposure()), p.depthMm());
        }
        double dp = line.getSlope();
        require(Double.isFinite(dp), "All pieces had the same exposure; a curve takes two at least.");
        require(dp > 0, "More exposure gave a thinner piece: look at what was measured.");
        return new WorkingCurve(dp, Math.exp(-line.getIntercept() / dp));
    }

    /** Exposure that cures so deep, in the unit of the exposures. */
    public double exposureFor(double depthMm) {
        require(depthMm > 0 && depthMm <= 50, "The wanted thickness must be more than 0 and at most 50 mm.");
        return ec * Math.exp(depthMm / dpMm);
    }

    /** How deep an exposure cures, mm; nothing below the critical one. */
    public double depthAt(double exposure) {
        return exposure <= ec ? 0 : dpMm * FastMath.log(exposure / ec);
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
