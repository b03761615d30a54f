package keel.core.pattern;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.hipparchus.distribution.continuous.GammaDistribution;
import org.hipparchus.distribution.discrete.BinomialDistribution;
import org.hipparchus.util.FastMath;

/**
 * Rates of events of several groups against one another: each with its exact limits, shrunk to what all have in common,
 * with the chance that it differs so much from the rest by luck, and whether it stands out among so many.
 *
 * @param prior what the rates have in common; empty where they differ no more than chance
 * @param groups in the order given
 */
public record Rates(Optional<GammaPrior> prior, List<Group> groups) {

    private static final double TAIL = 0.025;
    private static final double SAME = 1e-9;

    /** Events of a group over its exposure: prints, hours, peels. */
    public record Counted(String id, long events, double exposure) {

        /** @throws IllegalArgumentException unless events are 0 or more and the exposure is more than 0 */
        public Counted {
            if (events < 0 || !(exposure > 0) || Double.isInfinite(exposure)) {
                throw new IllegalArgumentException(
                        "Events are 0 or more, an exposure is more than 0: " + events + " over " + exposure + ".");
            }
        }
    }

    /**
     * A group.
     *
     * @param low of the exact 95 % interval of its rate, {@code high} its upper end (Garwood 1936)
     * @param shrunk its rate drawn to what all have in common
     * @param p chance of events as unlikely as these, two-sided, if its rate were that of the rest
     * @param adjusted the same, adjusted for all that were looked at
     * @param standsOut whether it does so among all that were looked at
     * @param least smallest p that it could have had with these exposures
     */
    public record Group(
            String id,
            double rate,
            double low,
            double high,
            double shrunk,
            double p,
            double adjusted,
            boolean standsOut,
            double least) {}

    /**
     * @param falseDiscovery share of those that stand out which may do so by chance
     * @throws IllegalArgumentException without groups
     */
    public static Rates of(List<Counted> counted, double falseDiscovery) {
        if (counted.isEmpty()) {
            throw new IllegalArgumentException("There is no group.");
        }
        long events = counted.stream().mapToLong(Counted::events).sum();
        double exposure = counted.stream().mapToDouble(Counted::exposure).sum();
        Optional<GammaPrior> prior = GammaPrior.of(counted);
        double[] p = new double[counted.size()];
        double[] least = new double[counted.size()];
        for (int i = 0; i < p.length; i++) {
            double[] chances = chances(events, counted.get(i).exposure() / exposure);
            p[i] = twoSided(chances, chances[(int) counted.get(i).events()]);
            least[i] = twoSided(chances, smallest(chances));
        }
        double[] adjusted = StandsOut.adjusted(p);
        boolean[] standsOut = StandsOut.among(p, least, falseDiscovery);
        List<Group> groups = new ArrayList<>();
        for (int i = 0; i < p.length; i++) {
            Counted c = counted.get(i);
            double shrunk = prior.map(g -> g.shrunk(c)).orElse(events / exposure);
            groups.add(new Group(
                    c.id(),
                    c.events() / c.exposure(),
                    low(c),
                    high(c),
                    shrunk,
                    p[i],
                    adjusted[i],
                    standsOut[i],
                    least[i]));
        }
        return new Rates(prior, groups);
    }

    private static double low(Counted c) {
        return c.events() == 0
                ? 0
                : new GammaDistribution(c.events(), 1).inverseCumulativeProbability(TAIL) / c.exposure();
    }

    private static double high(Counted c) {
        return new GammaDistribution(c.events() + 1.0, 1).inverseCumulativeProbability(1 - TAIL) / c.exposure();
    }

    private static double[] chances(long events, double share) {
        BinomialDistribution all = new BinomialDistribution((int) events, FastMath.min(1, share));
        return IntStream.rangeClosed(0, (int) events)
                .mapToDouble(all::probability)
                .toArray();
    }

    /** Chance of all outcomes that are not likelier than this. */
    private static double twoSided(double[] chances, double asThis) {
        double sum = 0;
        for (double chance : chances) {
            sum += chance <= asThis * (1 + SAME) ? chance : 0;
        }
        return FastMath.min(1, sum);
    }

    private static double smallest(double[] chances) {
        double least = 1;
        for (double chance : chances) {
            least = FastMath.min(least, chance);
        }
        return least;
    }
}
