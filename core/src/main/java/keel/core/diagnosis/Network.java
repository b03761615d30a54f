package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Causes that are true or not, each by its own chance or as a consequence of others, and findings that each true cause
 * shows by itself (noisy or, with a leak). At least one cause is true. Chances are exact, by a walk over the subsets of
 * what was seen that is already explained, without any subtraction of nearly equal numbers.
 *
 * <p>Source: J. Pearl, Probabilistic Reasoning in Intelligent Systems (1988), ch. 4; M. A. Shwe et al., QMR-DT, Methods
 * of Information in Medicine 30 (1991). The walk replaces D. Heckerman's Quickscore (1989), whose alternating sums lose
 * all digits from eight findings on.
 */
final class Network {

    /** So many findings are walked exactly: 16,384 subsets. */
    static final int MOST_FINDINGS = 14;

    private final double[] own;

    private final List<Edge> edges;
    private final double[][] shows;
    private final double[] leaks;
    private final double[] factor;
    private final double[] without;
    private final List<int[]> blocks;
    private final List<List<Edge>> into;
    private final List<List<Edge>> outOf;
    private final double none;
    private final double alone;

    /**
     * A cause that brings about another.
     *
     * @param chance that it does, where it is true
     */
    record Edge(int from, int to, double chance) {}

    /**
     * @param own chance of each cause by itself
     * @param edges consequences; they form no circle
     * @param shows chance that a cause, where true, shows each finding that was seen: {@code [cause][finding]}
     * @param leaks chance of each of those without any cause
     * @param factor of each cause, where true: what was not seen, and what checks said, as a ratio against its being
     *     false; 1 for nothing
     */
    Network(double[] own, List<Edge> edges, double[][] shows, double[] leaks, double[] factor) {
        this(own, edges, shows, leaks, factor, 1);
    }

    /**
     * @param alone chance that, of causes left out because they show nothing and hang on nothing, none is true
     */
    private Network(double[] own, List<Edge> edges, double[][] shows, double[] leaks, double[] factor, double alone) {
        this.alone = alone;
        if (own.length > Long.SIZE) {
            throw new IllegalArgumentException("More than " + Long.SIZE + " causes cannot be judged.");
        }
        this.own = own;
        this.edges = List.copyOf(edges);
        this.shows = shows;
        this.leaks = leaks;
        this.factor = factor;
        this.without = new double[own.length];
        this.into = new ArrayList<>();
        this.outOf = new ArrayList<>();
        double nothing = 1;
        for (int i = 0; i < own.length; i++) {
            int cause = i;
            without[i] = 1 - own[i];
            nothing *= without[i];
            into.add(edges.stream().filter(e -> e.to() == cause).toList());
            outOf.add(edges.stream().filter(e -> e.from() == cause).toList());
        }
        this.none = nothing;
        this.blocks = blocks();
    }

    int causes() {
        return own.length;
    }

    int findings() {
        return leaks.length;
    }

    double own(int cause) {
        return own[cause];
    }

    double shows(int cause, int finding) {
        return shows[cause][finding];
    }

    double leak(int finding) {
        return leaks[finding];
    }

    /** What brings a cause about. */
    List<Edge> into(int cause) {
        return into.get(cause);
    }

    /** Some of the causes, in a network of their own. */
    record Part(Network network, int[] causes) {}

    /**
     * The network without causes that show nothing that was seen and hang on nothing that does: they change no share
     * among the others, and are left out exactly.
     *
     * @param wanted which must stay; what hangs on them stays too
     */
    Part part(boolean[] wanted) {
        int[] kept = blocks.stream()
                .filter(block -> IntStream.of(block).anyMatch(c -> wanted[c]))
                .flatMapToInt(IntStream::of)
                .toArray();
        int[] at = new int[own.length];
        Arrays.fill(at, -1);
        for (int i = 0; i < kept.length; i++) {
            at[kept[i]] = i;
        }
        double aside = alone;
        for (int[] block : blocks) {
            if (at[block[0]] < 0) {
                double all = 0;
                for (int on = 0; on < 1 << block.length; on++) {
                    all += configured(block, on);
                }
                aside *= configured(block, 0) / all;
            }
        }
        return new Part(
                new Network(
                        IntStream.of(kept).mapToDouble(i -> own[i]).toArray(),
                        edges.stream()
                                .filter(e -> at[e.from()] >= 0)
                                .map(e -> new Edge(at[e.from()], at[e.to()], e.chance()))
                                .toList(),
                        IntStream.of(kept).mapToObj(i -> shows[i]).toArray(double[][]::new),
                        leaks,
                        IntStream.of(kept).mapToDouble(i -> factor[i]).toArray(),
                        aside),
                kept);
    }

    /** Weight of none of its causes being true, but one of those that were left out. */
    double noneOfThese() {
        return (1 - alone) * nothing();
    }

    // ---- blocks: causes that hang together by consequences

    private List<int[]> blocks() {
        int[] of = new int[own.length];
        Arrays.setAll(of, i -> i);
        for (Edge e : edges) {
            int a = of[e.from()];
            int b = of[e.to()];
            for (int i = 0; i < of.length; i++) {
                of[i] = of[i] == b ? a : of[i];
            }
        }
        List<int[]> all = new ArrayList<>();
        for (int first = 0; first < of.length; first++) {
            int block = first;
            int[] members =
                    IntStream.range(0, of.length).filter(i -> of[i] == block).toArray();
            if (members.length > 0) {
                all.add(members);
            }
        }
        return all;
    }

    /** Chance of this configuration of a block, with its factors; bit k of {@code on} is member k. */
    private double configured(int[] block, int on) {
        boolean[] is = new boolean[own.length];
        for (int k = 0; k < block.length; k++) {
            is[block[k]] = (on >> k & 1) == 1;
        }
        double chance = 1;
        for (int cause : block) {
            double not = without[cause];
            for (Edge e : into.get(cause)) {
                not *= is[e.from()] ? 1 - e.chance() : 1;
            }
            chance *= is[cause] ? (1 - not) * factor[cause] : not;
        }
        return chance;
    }

    private double[] shown(int[] block, int on) {
        double[] not = new double[leaks.length];
        Arrays.fill(not, 1);
        for (int k = 0; k < block.length; k++) {
            if ((on >> k & 1) == 1) {
                for (int s = 0; s < not.length; s++) {
                    not[s] *= 1 - shows[block[k]][s];
                }
            }
        }
        for (int s = 0; s < not.length; s++) {
            not[s] = 1 - not[s];
        }
        return not;
    }

    /** Adds to {@code sum} what a configuration makes of {@code from}: each finding that it shows becomes explained. */
    private static void explain(double[] from, double chance, double[] shown, double[] sum) {
        double[] f = new double[from.length];
        for (int i = 0; i < f.length; i++) {
            f[i] = from[i] * chance;
        }
        for (int s = 0; s < shown.length; s++) {
            double w = shown[s];
            if (w > 0) {
                int bit = 1 << s;
                for (int set = 0; set < f.length; set++) {
                    if ((set & bit) == 0) {
                        f[set | bit] += w * f[set];
                        f[set] *= 1 - w;
                    }
                }
            }
        }
        for (int i = 0; i < f.length; i++) {
            sum[i] += f[i];
        }
    }

    /** The same backwards: what is still missing is made up by it. */
    private static void explainBackwards(double[] after, double chance, double[] shown, double[] sum) {
        double[] g = after.clone();
        for (int s = 0; s < shown.length; s++) {
            double w = shown[s];
            if (w > 0) {
                int bit = 1 << s;
                for (int set = 0; set < g.length; set++) {
                    if ((set & bit) == 0) {
                        g[set] = w * g[set | bit] + (1 - w) * g[set];
                    }
                }
            }
        }
        for (int i = 0; i < g.length; i++) {
            sum[i] += chance * g[i];
        }
    }

    /**
     * What follows from all that is known.
     *
     * @param present chance that each cause is true
     * @param evidence chance of what was seen, times the factors, with at least one cause true
     */
    record Known(double[] present, double evidence) {}

    /** Exact chances; every cause as its own chance says where nothing at all can have happened. */
    Known known() {
        int full = (1 << leaks.length) - 1;
        List<double[]> forward = new ArrayList<>();
        double[] f = new double[full + 1];
        f[0] = 1;
        double[] start = new double[full + 1];
        explain(f, 1, leaks, start);
        forward.add(start);
        for (int[] block : blocks) {
            double[] next = new double[full + 1];
            for (int on = 0; on < 1 << block.length; on++) {
                explain(forward.get(forward.size() - 1), configured(block, on), shown(block, on), next);
            }
            forward.add(next);
        }
        double all = forward.get(forward.size() - 1)[full];
        double evidence = all - alone * nothing();
        return evidence > 0 ? new Known(present(forward, evidence), evidence) : new Known(own.clone(), 0);
    }

    /** Weight of there being no cause at all: all is leak. */
    private double nothing() {
        double weight = none;
        for (double leak : leaks) {
            weight *= leak;
        }
        return weight;
    }

    private double[] present(List<double[]> forward, double evidence) {
        double[] present = new double[own.length];
        int full = (1 << leaks.length) - 1;
        double[] after = new double[full + 1];
        after[full] = 1;
        for (int b = blocks.size() - 1; b >= 0; b--) {
            int[] block = blocks.get(b);
            double[] before = forward.get(b);
            double[] sum = new double[full + 1];
            for (int on = 0; on < 1 << block.length; on++) {
                double[] through = new double[full + 1];
                explainBackwards(after, configured(block, on), shown(block, on), through);
                double weight = 0;
                for (int set = 0; set <= full; set++) {
                    weight += before[set] * through[set];
                    sum[set] += through[set];
                }
                for (int k = 0; k < block.length; k++) {
                    present[block[k]] += (on >> k & 1) == 1 ? weight / evidence : 0;
                }
            }
            after = sum;
        }
        for (int i = 0; i < present.length; i++) {
            present[i] = Math.min(1, present[i]);
        }
        return present;
    }

    /** Weight of exactly these causes being true, and no other: its share of {@link Known#evidence} is its chance. */
    double weight(int[] set) {
        double weight = none;
        for (int cause : set) {
            double not = without[cause];
            for (Edge e : into.get(cause)) {
                not *= has(set, e.from()) ? 1 - e.chance() : 1;
            }
            weight *= (1 - not) * factor[cause] / without[cause];
            for (Edge e : outOf.get(cause)) {
                weight *= has(set, e.to()) ? 1 : 1 - e.chance();
            }
        }
        for (int s = 0; s < leaks.length; s++) {
            double not = 1 - leaks[s];
            for (int cause : set) {
                not *= 1 - shows[cause][s];
            }
            weight *= 1 - not;
        }
        return weight;
    }

    private static boolean has(int[] set, int cause) {
        for (int c : set) {
            if (c == cause) {
                return true;
            }
        }
        return false;
    }
}
