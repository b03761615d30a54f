package keel.sim.chance;

import java.util.List;
import java.util.Random;
import org.hipparchus.util.FastMath;

/**
 * A stream of chance that is the same for the same seed and name, on every machine. A new use of chance takes a stream
 * of its own, so that it does not shift what the others draw.
 *
 * <p>Numbers come from {@link Random}, whose sequence is laid down in its specification. Seeds are mixed with the
 * finaliser of SplitMix64 (Steele, Lea and Flood, OOPSLA 2014), names hashed by FNV-1a.
 */
public final class Chance {

    private static final long FNV_OFFSET = 0xcbf29ce484222325L;
    private static final long FNV_PRIME = 0x100000001b3L;

    private final long seed;
    private final Random random;

    private Chance(long seed) {
        this.seed = seed;
        this.random = new Random(mixed(seed));
    }

    public static Chance of(long seed) {
        return new Chance(seed);
    }

    /** The stream of that name below this one; drawing from either leaves the other as it is. */
    public Chance stream(String name) {
        long hash = FNV_OFFSET ^ seed;
        for (int i = 0; i < name.length(); i++) {
            hash = (hash ^ name.charAt(i)) * FNV_PRIME;
        }
        return new Chance(mixed(hash));
    }

    public Chance stream(String name, long number) {
        return stream(name + '#' + number);
    }

    private static long mixed(long z) {
        long a = (z ^ (z >>> 30)) * 0xbf58476d1ce4e5b9L;
        long b = (a ^ (a >>> 27)) * 0x94d049bb133111ebL;
        return b ^ (b >>> 31);
    }

    /** True with probability {@code p}. */
    public boolean happens(double p) {
        return random.nextDouble() < p;
    }

    public double between(double low, double high) {
        return low + (high - low) * random.nextDouble();
    }

    /** A whole number from 0 to {@code n} − 1. */
    public int below(int n) {
        return random.nextInt(n);
    }

    public double normal(double mean, double sd) {
        return mean + sd * random.nextGaussian();
    }

    /** Around {@code median}, its logarithm with the standard deviation {@code sd}. */
    public double logNormal(double median, double sd) {
        return median * FastMath.exp(sd * random.nextGaussian());
    }

    /** A life with R(t) = exp(−(t/scale)^shape), by inversion. */
    public double weibull(double shape, double scale) {
        return scale * FastMath.pow(-FastMath.log(1 - random.nextDouble()), 1 / shape);
    }

    public double exponential(double mean) {
        return weibull(1, mean);
    }

    public <T> T oneOf(List<T> choices) {
        return choices.get(random.nextInt(choices.size()));
    }
}
