package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Which causes may be true together, set by set: all of them where there are few causes; else all sets of up to three,
 * and, where these do not hold nearly all of it, larger ones grown from the likeliest. Their share of all there is, is
 * known, so that nobody takes a part for the whole.
 *
 * @param sets causes that are true
 * @param chances of each
 * @param share of all chance that they hold together; the chances sum to 1 all the same
 */
record TrueSets(List<int[]> sets, double[] chances, double share) {

    private static final int FEW = 10;
    private static final int ALL_UP_TO = 3;
    private static final int LARGEST = 9;
    private static final int GROWN_FROM = 60;
    private static final double HARDLY = 1e-5;
    private static final double NEARLY_ALL = 0.999;
    private static final double NOT_AT_ALL = 1e-8;
    private static final double WORTH_COUNTING = 3e-6;

    /**
     * @param known what follows from the network
     */
    static TrueSets of(Network network, Network.Known known) {
        int[] causes = IntStream.range(0, network.causes())
                .filter(i -> network.causes() <= FEW || known.present()[i] > HARDLY)
                .toArray();
        List<int[]> sets = new ArrayList<>();
        grow(causes, 0, new int[0], network.causes() <= FEW ? network.causes() : ALL_UP_TO, sets);
        Weighed weighed = new Weighed(network, sets);
        if (known.evidence() > 0 && network.causes() > FEW) {
            int[] likely = Arrays.stream(causes)
                    .boxed()
                    .sorted(Comparator.comparingDouble((Integer i) -> -known.present()[i]))
                    .mapToInt(i -> i)
                    .toArray();
            for (int size = ALL_UP_TO; size < LARGEST && weighed.sum < NEARLY_ALL * known.evidence(); size++) {
                weighed.growFrom(size, likely);
            }
        }
        return weighed.sets(known.evidence());
    }

    /** Where too much was seen for the exact walk: what holds most, taken for the whole. */
    static TrueSets mostly(Network network) {
        int[] causes = IntStream.range(0, network.causes()).toArray();
        List<int[]> sets = new ArrayList<>();
        grow(causes, 0, new int[0], 2, sets);
        Weighed weighed = new Weighed(network, sets);
        for (int size = 2; size < LARGEST; size++) {
            weighed.growFrom(size, causes);
        }
        return weighed.sets(0);
    }

    private static void grow(int[] causes, int from, int[] set, int largest, List<int[]> sets) {
        if (set.length > 0) {
            sets.add(set);
        }
        if (set.length < largest) {
            for (int i = from; i < causes.length; i++) {
                grow(causes, i + 1, with(set, causes[i]), largest, sets);
            }
        }
    }

    private static long mask(int[] set) {
        long mask = 0;
        for (int cause : set) {
            mask |= 1L << cause;
        }
        return mask;
    }

    private static int[] with(int[] set, int cause) {
        int[] more = Arrays.copyOf(set, set.length + 1);
        more[set.length] = cause;
        return more;
    }

    /** Sets with their weights, and more of them as they are grown. */
    private static final class Weighed {

        private final Network network;
        private final List<int[]> all = new ArrayList<>();
        private final List<Double> weights = new ArrayList<>();
        private double sum;

        Weighed(Network network, List<int[]> sets) {
            this.network = network;
            add(new int[0], network.noneOfThese());
            sets.forEach(s -> add(s, network.weight(s)));
        }

        private void add(int[] set, double weight) {
            all.add(set);
            weights.add(weight);
            sum += weight;
        }

        /** Adds one more cause to the heaviest sets of this size, each set once. */
        void growFrom(int size, int[] causes) {
            Set<Long> grown = new HashSet<>();
            for (int at : heaviest(size)) {
                int[] set = all.get(at);
                long in = mask(set);
                for (int cause : causes) {
                    long bit = 1L << cause;
                    if ((in & bit) == 0 && grown.add(in | bit)) {
                        int[] more = with(set, cause);
                        add(more, network.weight(more));
                    }
                }
            }
        }

        private int[] heaviest(int size) {
            PriorityQueue<Integer> most = new PriorityQueue<>(Comparator.comparingDouble(weights::get));
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).length == size) {
                    most.add(i);
                    if (most.size() > GROWN_FROM) {
                        most.poll();
                    }
                }
            }
            return most.stream().mapToInt(i -> i).toArray();
        }

        TrueSets sets(double evidence) {
            int[] kept = IntStream.range(0, all.size())
                    .filter(i -> weights.get(i) > NOT_AT_ALL * sum)
                    .toArray();
            return new TrueSets(
                    IntStream.of(kept).mapToObj(all::get).toList(),
                    IntStream.of(kept).mapToDouble(i -> weights.get(i) / sum).toArray(),
                    evidence > 0 ? Math.min(1, sum / evidence) : 0);
        }
    }

    /** The same with causes called by other places. */
    TrueSets called(int[] places) {
        return new TrueSets(
                sets.stream()
                        .map(s -> IntStream.of(s).map(c -> places[c]).toArray())
                        .toList(),
                chances,
                share);
    }

    /** Chance of each cause, by these sets. */
    double[] present(int causes) {
        double[] present = new double[causes];
        for (int i = 0; i < chances.length; i++) {
            for (int cause : sets.get(i)) {
                present[cause] += chances[i];
            }
        }
        return present;
    }

    /** Those that make up nearly all of it, for what need not be exact to the last digit. */
    TrueSets likeliest() {
        int[] kept = IntStream.range(0, chances.length)
                .filter(i -> chances[i] > WORTH_COUNTING)
                .toArray();
        double all = IntStream.of(kept).mapToDouble(i -> chances[i]).sum();
        return new TrueSets(
                IntStream.of(kept).mapToObj(sets::get).toList(),
                IntStream.of(kept).mapToDouble(i -> chances[i] / all).toArray(),
                share * all);
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
            boolean in = false;
            for (int c : set) {
                in |= c == cause;
            }
            if (!in) {
                return false;
            }
        }
        return true;
    }
}
