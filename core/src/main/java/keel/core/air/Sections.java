package keel.core.air;

import java.util.function.DoubleUnaryOperator;

/** The lowest point of a function of a positive number, by golden sections of its logarithm. */
final class Sections {

    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

    private Sections() {}

    /** @param fine how well the logarithm is to be known */
    static double lowest(DoubleUnaryOperator f, double from, double to, double fine) {
        double low = Math.log(from);
        double high = Math.log(to);
        double a = high - GOLDEN * (high - low);
        double b = low + GOLDEN * (high - low);
        double atA = f.applyAsDouble(Math.exp(a));
        double atB = f.applyAsDouble(Math.exp(b));
        while (high - low > fine) {
            if (atA <= atB) {
                high = b;
                b = a;
                atB = atA;
                a = high - GOLDEN * (high - low);
                atA = f.applyAsDouble(Math.exp(a));
            } else {
                low = a;
                a = b;
                atA = atB;
                b = low + GOLDEN * (high - low);
                atB = f.applyAsDouble(Math.exp(b));
            }
        }
        return Math.exp((low + high) / 2);
    }
}
