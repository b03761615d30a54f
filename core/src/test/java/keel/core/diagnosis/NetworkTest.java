package keel.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Against enumeration, recomputed values and the single-cause limit; see each. */
class NetworkTest {

    private static double[] ones(int n) {
        double[] ones = new double[n];
        Arrays.fill(ones, 1);
        return ones;
    }

    /** What was looked for and absent, as a ratio of each cause. */
    private static double[] absent(double... shows) {
        return Arrays.stream(shows).map(w -> 1 - w).toArray();
    }

    private static Responsibility shares(Network n) {
        boolean[] counts = new boolean[n.findings()];
        Arrays.fill(counts, true);
        return Responsibility.of(n, TrueSets.of(n, n.known()), counts);
    }

    /**
     * Three causes, three findings, the third absent; by enumeration of the eight sets, recomputed from the formulas of
     * Pearl 1988, ch. 4.
     */
    @Test
    void threeCausesByEnumeration() {
        Network n = new Network(
                new double[] {0.10, 0.05, 0.02},
                List.of(),
                new double[][] {{0.8, 0.45}, {0, 0.8}, {0.18, 0}},
                new double[] {0.02, 0.01},
                absent(0, 0.45, 0.8));
        assertThat(n.known().present()[0]).isCloseTo(0.988758, within(5e-7));
        assertThat(n.known().present()[1]).isCloseTo(0.064051, within(5e-7));
        assertThat(n.known().present()[2]).isCloseTo(0.004805, within(5e-7));
        assertThat(shares(n).began()[0]).isCloseTo(0.974268, within(5e-7));
        assertThat(shares(n).began()[1]).isCloseTo(0.025218, within(5e-7));
        assertThat(shares(n).began()[2]).isCloseTo(0.000514, within(5e-7));
    }

    /** A cause that brings about the other half the time; recomputed by enumeration. */
    @Test
    void aConsequenceIsPassedUpToWhatBeganIt() {
        Network n = new Network(
                new double[] {0.02, 0.01},
                List.of(new Network.Edge(0, 1, 0.5)),
                new double[][] {{0.8, 0.45}, {0, 0.8}},
                new double[] {0.004, 0.008},
                ones(2));
        assertThat(n.known().present()[0]).isCloseTo(0.997101, within(5e-7));
        assertThat(n.known().present()[1]).isCloseTo(0.667652, within(5e-7));
        Responsibility r = shares(n);
        assertThat(r.direct()[0]).isCloseTo(0.755592, within(5e-7));
        assertThat(r.direct()[1]).isCloseTo(0.244408, within(5e-7));
        assertThat(r.began()[0]).isCloseTo(0.995076, within(5e-7));
        assertThat(r.began()[1]).isCloseTo(0.004924, within(5e-7));
        for (double common : new double[] {0.05, 0.5}) {
            Network more = new Network(
                    new double[] {0.02, 0.01, common},
                    List.of(new Network.Edge(0, 1, 0.5)),
                    new double[][] {{0.8, 0.45}, {0, 0.8}, {0, 0}},
                    new double[] {0.004, 0.008},
                    ones(3));
            assertThat(shares(more).began()[2])
                    .as("it shows nothing that was seen")
                    .isZero();
            assertThat(shares(more).began()[0]).isCloseTo(0.995076, within(5e-7));
        }
    }

    /** Random networks of up to eight causes and five findings, with consequences, against all their sets. */
    @Test
    void chancesAgreeWithEnumeration() {
        Random random = new Random(41);
        for (int round = 0; round < 300; round++) {
            Network n = any(random, 2 + random.nextInt(7), 1 + random.nextInt(5));
            double[] present = new double[n.causes()];
            double all = 0;
            for (int bits = 1; bits < 1 << n.causes(); bits++) {
                int[] set = set(bits, n.causes());
                double weight = n.weight(set);
                all += weight;
                for (int cause : set) {
                    present[cause] += weight;
                }
            }
            Network.Known known = n.known();
            assertThat(known.evidence()).isCloseTo(all, within(1e-12));
            for (int i = 0; i < present.length; i++) {
                assertThat(known.present()[i]).isCloseTo(present[i] / all, within(1e-10));
            }
            assertThat(TrueSets.of(n, known).share()).isCloseTo(1, within(1e-9));
        }
    }

    private static int[] set(int bits, int n) {
        return java.util.stream.IntStream.range(0, n)
                .filter(i -> (bits >> i & 1) == 1)
                .toArray();
    }

    private static Network any(Random random, int causes, int findings) {
        double[] own = random.doubles(causes, 0.005, 0.3).toArray();
        double[] factor = random.doubles(causes, 0.1, 4).toArray();
        double[] leaks = random.doubles(findings, 0.002, 0.05).toArray();
        double[][] shows = new double[causes][];
        Arrays.setAll(
                shows, i -> random.doubles(findings).map(w -> w < 0.4 ? 0 : w).toArray());
        List<Network.Edge> edges = new ArrayList<>();
        for (int to = 1; to < causes; to++) {
            if (random.nextInt(3) == 0) {
                edges.add(new Network.Edge(random.nextInt(to), to, 0.1 + 0.8 * random.nextDouble()));
            }
        }
        return new Network(own, edges, shows, leaks, factor);
    }

    /**
     * Where exactly one cause can be true it is naive Bayes: T. Mitchell, Machine Learning (1997), ch. 6.9.1, Quinlan's
     * 14 days: sunny, cool, high humidity, strong wind gives yes 0.0053, no 0.0206, so no 0.795.
     */
    @Test
    void oneCauseAloneIsNaiveBayes() {
        double yes = 9.0 / 14 * 2 / 9 * 3 / 9 * 3 / 9 * 3 / 9;
        double no = 5.0 / 14 * 3 / 5 * 1 / 5 * 4 / 5 * 3 / 5;
        assertThat(yes).isCloseTo(0.0053, within(5e-5));
        assertThat(no).isCloseTo(0.0206, within(5e-5));
        double tiny = 1e-7;
        Network n = new Network(
                new double[] {9.0 / 14 * tiny, 5.0 / 14 * tiny},
                List.of(),
                new double[][] {{2.0 / 9, 3.0 / 9, 3.0 / 9, 3.0 / 9}, {3.0 / 5, 1.0 / 5, 4.0 / 5, 3.0 / 5}},
                new double[4],
                ones(2));
        assertThat(n.known().present()[1]).isCloseTo(no / (yes + no), within(1e-5));
        assertThat(no / (yes + no)).isCloseTo(0.795, within(5e-4));
    }

    /** Doubles must not lose their digits where many findings were seen: twelve, against the sets one by one. */
    @Test
    void twelveFindingsKeepTheirDigits() {
        Network n = any(new Random(12), 10, 12);
        double all = 0;
        double first = 0;
        for (int bits = 1; bits < 1 << 10; bits++) {
            double weight = n.weight(set(bits, 10));
            all += weight;
            first += (bits & 1) == 1 ? weight : 0;
        }
        assertThat(n.known().present()[0]).isCloseTo(first / all, within(1e-10));
    }

    /** What explains nothing that was seen, and hangs on nothing, changes no other share, however likely it is. */
    @Test
    void whatShowsNothingSeenChangesNoShare() {
        Random random = new Random(7);
        for (int round = 0; round < 50; round++) {
            Network n = any(random, 4, 3);
            double[] before = shares(n).began();
            double[] own = Arrays.copyOf(ownOf(n), 5);
            own[4] = random.nextDouble();
            double[][] shows = new double[5][3];
            for (int i = 0; i < 4; i++) {
                for (int s = 0; s < 3; s++) {
                    shows[i][s] = n.shows(i, s);
                }
            }
            List<Network.Edge> edges = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                edges.addAll(n.into(i));
            }
            Network more = new Network(own, edges, shows, new double[] {n.leak(0), n.leak(1), n.leak(2)}, ones(5));
            Network same = new Network(
                    ownOf(n), edges, Arrays.copyOf(shows, 4), new double[] {n.leak(0), n.leak(1), n.leak(2)}, ones(4));
            double[] with = shares(more).began();
            double[] without = shares(same).began();
            assertThat(with[4]).isZero();
            for (int i = 0; i < 4; i++) {
                assertThat(with[i]).isCloseTo(without[i], within(1e-9));
            }
            assertThat(before).hasSize(4);
        }
    }

    private static double[] ownOf(Network n) {
        double[] own = new double[n.causes()];
        Arrays.setAll(own, n::own);
        return own;
    }

    /** Causes that show nothing and hang on nothing are left out without changing anything among the others. */
    @Test
    void aPartOfTheNetworkSaysTheSame() {
        Random random = new Random(99);
        for (int round = 0; round < 100; round++) {
            Network n = any(random, 7, 3);
            double[][] shows = new double[7][3];
            for (int i = 0; i < 4; i++) {
                for (int s = 0; s < 3; s++) {
                    shows[i][s] = n.shows(i, s);
                }
            }
            List<Network.Edge> edges = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                edges.addAll(n.into(i));
            }
            double[] factor = random.doubles(7, 0.1, 4).toArray();
            Network whole = new Network(ownOf(n), edges, shows, new double[] {n.leak(0), n.leak(1), n.leak(2)}, factor);
            Network.Part part = whole.part(new boolean[] {true, true, true, true, false, false, false});
            assertThat(part.causes()).containsExactlyInAnyOrder(0, 1, 2, 3);
            double[] present = whole.known().present();
            double[] of = part.network().known().present();
            double[] bySets = TrueSets.of(part.network(), part.network().known())
                    .called(part.causes())
                    .present(7);
            for (int i = 0; i < 4; i++) {
                assertThat(of[i]).isCloseTo(present[part.causes()[i]], within(1e-10));
                assertThat(bySets[i]).isCloseTo(present[i], within(1e-6));
            }
        }
    }
}
