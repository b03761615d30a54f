package keel.core.air;

import java.util.Comparator;
import java.util.List;
import org.apache.commons.statistics.distribution.TDistribution;
import org.hipparchus.analysis.ParametricUnivariateFunction;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.fitting.SimpleCurveFitter;
import org.hipparchus.fitting.WeightedObservedPoint;

/**
 * The real air change rate of a room from readings after something was released: C = B + A·e^(−N·t). From the
 * peak on, as far as it stands clear of the background's noise; regression of ln(C − B) on time, each reading
 * weighted by how well its logarithm is known.
 *
 * <p>Source: ASTM E741, concentration decay method (from memory); the 95 % interval is that of a regression's slope
 * (NIST/SEMATECH e-Handbook, 4.4.3).
 *
 * @param airChangesPerHour with its 95 % interval {@code low} to {@code high}
 * @param r2 of the weighted regression
 */
public record Decay(double airChangesPerHour, double low, double high, double r2) {

    public static final int LEAST = 5;
    public static final int MOST = 200_000;

    private static final double CLEAR_OF_NOISE = 3;
    private static final double CONFIDENCE = 0.95;
    private static final double TAIL = 0.15;

    /** A reading, in any unit. */
    public record Sample(double minutes, double value) {}

    private record Curve(double background, double noise) {}

    /**
     * @param samples in any order, with gaps
     * @param background what is read without a release, null where it is not known
     * @throws IllegalArgumentException with a sentence, if the series tells nothing
     */
    public static Decay of(List<Sample> samples, Double background) {
        List<Sample> sorted = samples.stream()
                .filter(s -> Double.isFinite(s.minutes()) && Double.isFinite(s.value()))
                .sorted(Comparator.comparing(Sample::minutes))
                .toList();
        require(
                sorted.size() >= LEAST && sorted.size() <= MOST,
                "A decay takes " + LEAST + " readings at least, and " + MOST + " at most.");
        List<Sample> fall = sorted.subList(peak(sorted), sorted.size());
        require(fall.size() >= LEAST, "It does not fall: the highest reading stands at the end.");
        Curve curve = curve(fall, background);
        int clear = 0;
        while (clear < fall.size() && smoothed(fall, clear) > curve.background() + CLEAR_OF_NOISE * curve.noise()) {
            clear++;
        }
        require(clear >= LEAST, "It does not fall clear of the background's noise.");
        return line(fall.subList(0, clear), curve.background());
    }

    private static int peak(List<Sample> sorted) {
        int peak = 0;
        for (int i = 1; i < sorted.size(); i++) {
            peak = smoothed(sorted, i) > smoothed(sorted, peak) ? i : peak;
        }
        return peak;
    }

    /** Mean of three neighbours, so that a single wild reading is no peak. */
    private static double smoothed(List<Sample> s, int i) {
        int from = Math.max(0, i - 1);
        int to = Math.min(s.size() - 1, i + 1);
        double sum = 0;
        for (int k = from; k <= to; k++) {
            sum += s.get(k).value();
        }
        return sum / (to - from + 1);
    }

    /** Background and noise, by least squares of the curve itself. */
    private static Curve curve(List<Sample> fall, Double background) {
        double top = fall.get(0).value();
        double tail = fall.subList((int) (fall.size() * (1 - TAIL)), fall.size()).stream()
                .mapToDouble(Sample::value)
                .average()
                .orElseThrow();
        double span = fall.get(fall.size() - 1).minutes() - fall.get(0).minutes();
        require(span > 0, "All readings are of the same moment.");
        require(top > (background == null ? tail : background), "It does not fall.");
        double[] found = fitted(fall, background, top, tail, span);
        double b = background == null
                ? Math.min(
                        found[2],
                        fall.stream().mapToDouble(Sample::value).min().orElseThrow() + Math.abs(top - tail) * 0.05)
                : background;
        double squares = 0;
        for (Sample s : fall) {
            double off = s.value()
                    - (found[0]
                                    * Math.exp(-found[1]
                                            * (s.minutes() - fall.get(0).minutes()))
                            + b);
            squares += off * off;
        }
        return new Curve(b, Math.sqrt(squares / Math.max(1, fall.size() - 3)));
    }

    private static double[] fitted(List<Sample> fall, Double background, double top, double tail, double span) {
        double b = background == null ? tail : background;
        double rate = Math.log(Math.max(1.5, (top - b) / Math.max((top - b) / 50, halfway(fall) - b))) / (span / 2);
        double[] guess = background == null ? new double[] {top - b, rate, b} : new double[] {top - b, rate};
        double start = fall.get(0).minutes();
        try {
            double[] found = SimpleCurveFitter.create(shape(background), guess)
                    .fit(fall.stream()
                            .map(s -> new WeightedObservedPoint(1, s.minutes() - start, s.value()))
                            .toList());
            return new double[] {found[0], found[1], background == null ? found[2] : background};
        } catch (MathRuntimeException e) {
            throw new IllegalArgumentException("It does not fall as air that is changed does.", e);
        }
    }

    private static double halfway(List<Sample> fall) {
        return fall.get(fall.size() / 2).value();
    }

    private static ParametricUnivariateFunction shape(Double background) {
        return new ParametricUnivariateFunction() {
            @Override
            public double value(double t, double... p) {
                return p[0] * Math.exp(-p[1] * t) + (background == null ? p[2] : background);
            }

            @Override
            public double[] gradient(double t, double... p) {
                double e = Math.exp(-p[1] * t);
                return background == null ? new double[] {e, -p[0] * t * e, 1} : new double[] {e, -p[0] * t * e};
            }
        };
    }

    private static Decay line(List<Sample> clear, double b) {
        double w = 0;
        double x = 0;
        double y = 0;
        int n = 0;
        for (Sample s : clear) {
            if (s.value() > b) {
                double weight = (s.value() - b) * (s.value() - b);
                w += weight;
                x += weight * s.minutes();
                y += weight * Math.log(s.value() - b);
                n++;
            }
        }
        require(n >= LEAST, "Too few readings stand clear of the background.");
        double sxx = 0;
        double sxy = 0;
        double syy = 0;
        for (Sample s : clear) {
            if (s.value() > b) {
                double weight = (s.value() - b) * (s.value() - b);
                double dx = s.minutes() - x / w;
                double dy = Math.log(s.value() - b) - y / w;
                sxx += weight * dx * dx;
                sxy += weight * dx * dy;
                syy += weight * dy * dy;
            }
        }
        double slope = sxy / sxx;
        double rest = Math.max(0, syy - slope * sxy);
        double error = Math.sqrt(rest / (n - 2) / sxx);
        double reach = TDistribution.of(n - 2).inverseSurvivalProbability((1 - CONFIDENCE) / 2) * error;
        require(sxx > 0 && -slope - reach > 0, "It does not fall, or not clearly.");
        return new Decay(-60 * slope, -60 * (slope + reach), -60 * (slope - reach), syy == 0 ? 1 : 1 - rest / syy);
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
