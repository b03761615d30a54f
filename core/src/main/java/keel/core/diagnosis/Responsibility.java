package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/**
 * Who explains what was seen. Of the causes that are true each explains a finding in proportion to the rate at which it
 * shows it, −ln(1 − w), beside the rate of the leak. What a cause explains that was itself brought about goes up to
 * what brought it about, as far as that did.
 *
 * @param explains share of each finding that a cause explains, directly: {@code [cause][finding]}
 * @param direct share of all that counts, as it is explained directly; sums to 1 over the causes
 * @param began the same with consequences passed up to what began them
 * @param leaked share of all that counts which no cause explains
 */
record Responsibility(double[][] explains, double[] direct, double[] began, double leaked) {

    private static final double SURE = 40;

    /**
     * @param counts which findings count towards the shares
     */
    static Responsibility of(Network network, TrueSets sets, boolean[] counts) {
        Sum sum = new Sum(network, counts);
        for (int k = 0; k < sets.sets().size(); k++) {
            sum.add(sets.sets().get(k), sets.chances()[k]);
        }
        return sum.shares();
    }

    /** Adds up what each set explains, by its chance. */
    private static final class Sum {

        private final Network network;
        private final boolean[] counts;
        private final double[][] explains;
        private final double[] direct;
        private final double[] began;
        private final int[] childrenFirst;
        private final double[][] rates;
        private final double[] leaks;
        private double leaked;

        Sum(Network network, boolean[] counts) {
            this.network = network;
            this.counts = counts;
            this.explains = new double[network.causes()][network.findings()];
            this.direct = new double[network.causes()];
            this.began = new double[network.causes()];
            this.childrenFirst = childrenFirst(network);
            this.leaks = new double[network.findings()];
            Arrays.setAll(leaks, s -> rate(network.leak(s)));
            this.rates = new double[network.causes()][network.findings()];
            for (int i = 0; i < rates.length; i++) {
                int cause = i;
                Arrays.setAll(rates[i], s -> rate(network.shows(cause, s)));
            }
        }

        void add(int[] set, double chance) {
            double[] credit = new double[network.causes()];
            for (int finding = 0; finding < network.findings(); finding++) {
                explain(set, finding, chance, credit);
            }
            for (int cause : set) {
                direct[cause] += chance * credit[cause];
            }
            passUp(network, set, childrenFirst, credit);
            for (int cause : set) {
                began[cause] += chance * credit[cause];
            }
        }

        private void explain(int[] set, int finding, double chance, double[] credit) {
            double leak = leaks[finding];
            double all = leak;
            for (int cause : set) {
                all += rates[cause][finding];
            }
            if (all > 0) {
                for (int cause : set) {
                    double part = rates[cause][finding] / all;
                    explains[cause][finding] += chance * part;
                    credit[cause] += counts[finding] ? part : 0;
                }
                leaked += counts[finding] ? chance * leak / all : 0;
            }
        }

        Responsibility shares() {
            double all = leaked + Arrays.stream(direct).sum();
            return new Responsibility(
                    explains, Bayes.normalised(direct), Bayes.normalised(began), all > 0 ? leaked / all : 0);
        }
    }

    private static void passUp(Network network, int[] set, int[] childrenFirst, double[] credit) {
        boolean[] is = new boolean[network.causes()];
        for (int cause : set) {
            is[cause] = true;
        }
        for (int child : childrenFirst) {
            if (is[child] && credit[child] > 0) {
                double own = rate(network.own(child));
                double all = own;
                for (Network.Edge e : network.into(child)) {
                    all += is[e.from()] ? rate(e.chance()) : 0;
                }
                if (all > own) {
                    for (Network.Edge e : network.into(child)) {
                        credit[e.from()] += is[e.from()] ? credit[child] * rate(e.chance()) / all : 0;
                    }
                    credit[child] *= own / all;
                }
            }
        }
    }

    private static int[] childrenFirst(Network network) {
        List<Integer> order = new ArrayList<>();
        boolean[] done = new boolean[network.causes()];
        for (int cause = 0; cause < done.length; cause++) {
            place(network, cause, done, order);
        }
        Collections.reverse(order);
        return order.stream().mapToInt(i -> i).toArray();
    }

    /** Parents before their children. */
    private static void place(Network network, int cause, boolean[] done, List<Integer> order) {
        if (!done[cause]) {
            done[cause] = true;
            network.into(cause).forEach(e -> place(network, e.from(), done, order));
            order.add(cause);
        }
    }

    private static double rate(double chance) {
        return chance >= 1 ? SURE : -Math.log1p(-chance);
    }
}
