package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Which causes may be true together, set by set: all of them where there are few causes, else all sets of up to three
 * and the larger ones of the likeliest. Their share of all there is, is known, so that nobody takes a part for the
 * whole.
 *
 * @param sets causes that are true, each set in the order of its causes
 * @param chances of each
 * @param share of all chance that they hold together; the chances sum to 1 all the same
 */
record TrueSets(List<int[]> sets, double[] chances, double share) {

    private static final int FEW = 12;
    private static final int ALL_UP_TO = 3;
    private static final int LARGEST = 5;
    private static final double HARDLY = 1e-7;

    /**
     * @param known what follows from the network
     */
    static TrueSets of(Network network, Network.Known known) {
        int[] causes = IntStream.range(0, network.causes())
                .filter(i -> network.causes() <= FEW || known.present()[i] > HARDLY)
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> -known.present()[i]))
                .mapToInt(i -> i)
                .toArray();
        List<int[]> sets = new ArrayList<>();
        boolean few = causes.length <= FEW;
        grow(causes, 0, new int[0], few ? causes.length : ALL_UP_TO, sets);
        if (!few) {
            grow(IntStream.of(causes).limit(FEW).toArray(), 0, new int[0], LARGEST, ALL_UP_TO, sets);
        }
        return weighed(network, known, sets);
    }

    private static void grow(int[] causes, int from, int[] set, int largest, List<int[]> sets) {
        grow(causes, from, set, largest, 0, sets);
    }

    /** Every set of more than {@code smaller} and up to {@code largest} causes. */
    private static void grow(int[] causes, int from, int[] set, int largest, int smaller, List<int[]> sets) {
        if (set.length > smaller) {
            sets.add(set);
        }
        if (set.length < largest) {
            for (int i = from; i < causes.length; i++) {
                int[] more = Arrays.copyOf(set, set.length + 1);
                more[set.length] = causes[i];
                grow(causes, i + 1, more, largest, smaller, sets);
            }
        }
    }

    private static TrueSets weighed(Network network, Network.Known known, List<int[]> sets) {
        double[] weights = new double[sets.size()];
        double sum = 0;
        for (int i = 0; i < weights.length; i++) {
            weights[i] = network.weight(sets.get(i));
            sum += weights[i];
        }
        List<int[]> kept = new ArrayList<>();
        List<Double> chances = new ArrayList<>();
        for (int i = 0; i < weights.length; i++) {
            if (weights[i] > HARDLY * HARDLY * sum) {
                kept.add(sets.get(i));
                chances.add(weights[i] / sum);
            }
        }
        return new TrueSets(
                kept,
                chances.stream().mapToDouble(d -> d).toArray(),
                known.evidence() > 0 ? Math.min(1, sum / known.evidence()) : 0);
    }

    /** Chance that all of these are true. */
    double together(int... causes) {
        double chance = 0;
        for (int i = 0; i < chances.length; i++) {
            chance += holds(sets.get(i), causes) ? chances[i] : 0;
        }
        return chance;
    }

    private static boolean holds(int[] set, int[] causes) {
        for (int cause : causes) {
            if (IntStream.of(set).noneMatch(c -> c == cause)) {
                return false;
            }
        }
        return true;
    }
}
