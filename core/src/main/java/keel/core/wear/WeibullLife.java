package keel.core.wear;

/**
 * How long a kind of part lasts: R(t) = exp(−(t/η)^β), the two-parameter Weibull distribution. The clock (print
 * hours or UV hours) is the caller's, as long as it is the same throughout.
 *
 * <p>Source: NIST/SEMATECH e-Handbook of Statistical Methods, 8.1.6.2.
 *
 * @param shape β, dimensionless, &gt; 0: below 1 parts die early, above 1 they wear out
 * @param scale η, the age by which 63.2 % have failed, in the unit of the clock, &gt; 0
 */
public record WeibullLife(double shape, double scale) implements Lifespan {

    public WeibullLife {
        if (!(shape > 0) || !(scale > 0) || Double.isInfinite(shape) || Double.isInfinite(scale)) {
            throw new IllegalArgumentException("Shape and scale must be positive and finite: " + shape + ", " + scale);
        }
    }

    @Override
    public double survival(double age) {
        return Math.exp(-hazard(age));
    }

    @Override
    public double failsWithin(double age, double more) {
        if (!(age >= 0) || !(more >= 0)) {
            throw new IllegalArgumentException("Ages must not be negative: " + age + ", " + more);
        }
        return -Math.expm1(hazard(age) - hazard(age + more));
    }

    @Override
    public double ageWhenFailed(double age, double share) {
        return scale * Math.pow(hazard(age) - Math.log1p(-share), 1 / shape);
    }

    private double hazard(double age) {
        return Math.pow(age / scale, shape);
    }
}
