package keel.core.diagnosis;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import org.hipparchus.util.FastMath;

/**
 * What a check is worth before it is done: how much less is expected to be lost by whoever acts on its answer, and the
 * information that it brings. What a check answers depends only on which of the causes that it looks at are there; sets
 * of causes that agree in these are taken together.
 *
 * <p>Source: H. Raiffa and R. Schlaifer, Applied Statistical Decision Theory (1961), expected value of sample
 * information; D. Heckerman, E. Horvitz and B. Nathwani, Methods of Information in Medicine 31 (1992).
 */
final class Worth {

    private final TrueSets sets;
    private final String[] codes;
    private final Stakes.Of stakes;
    private final double now;

    /**
     * @param matters whether a cause can have begun this failure
     */
    Worth(TrueSets all, List<Cause> causes, boolean[] matters, Stakes stakes) {
        this.sets = all.likeliest();
        this.codes = causes.stream().map(Cause::code).toArray(String[]::new);
        this.stakes = stakes.of(codes, matters);
        this.now = this.stakes.expected(this.sets.present(codes.length));
    }

    /** Money saved, and bits. */
    record Brings(double money, double bits) {}

    /** Of a check that names causes: its answers are nothing, each cause alone, and all the rest together. */
    Brings naming(Check check, Looks looks) {
        int[] looked = check.clears().stream().mapToInt(this::index).toArray();
        double[] finds = IntStream.of(looked)
                .mapToDouble(l -> 1 - looks.misses(check, codes[l]))
                .toArray();
        double[] falsely =
                IntStream.of(looked).mapToDouble(l -> looks.falsely(codes[l])).toArray();
        double[][] answers = new double[looked.length + 2][1 << looked.length];
        for (int there = 0; there < 1 << looked.length; there++) {
            double nothing = 1;
            for (int l = 0; l < looked.length; l++) {
                nothing *= 1 - ((there >> l & 1) == 1 ? finds[l] : falsely[l]);
            }
            answers[0][there] = nothing;
            double rest = 1 - nothing;
            for (int l = 0; l < looked.length; l++) {
                double named = (there >> l & 1) == 1 ? finds[l] : falsely[l];
                answers[l + 1][there] = named >= 1 ? 0 : nothing * named / (1 - named);
                rest -= answers[l + 1][there];
            }
            answers[looked.length + 1][there] = Math.max(0, rest);
        }
        return of(answers, set -> there(set, looked));
    }

    /** Of a check that answers MACHINE or JOB. */
    Brings sides(double[] saysMachine, double leak) {
        int most = sets.sets().stream().mapToInt(s -> s.length).max().orElse(0);
        double says = Arrays.stream(saysMachine).max().orElse(0);
        double[][] answers = new double[2][most + 1];
        for (int count = 0; count <= most; count++) {
            answers[1][count] = (1 - leak) * FastMath.pow(1 - says, count);
            answers[0][count] = 1 - answers[1][count];
        }
        return of(answers, set -> telling(set, saysMachine));
    }

    private static int there(int[] set, int[] looked) {
        int there = 0;
        for (int l = 0; l < looked.length; l++) {
            for (int cause : set) {
                there |= cause == looked[l] ? 1 << l : 0;
            }
        }
        return there;
    }

    private static int telling(int[] set, double[] saysMachine) {
        int count = 0;
        for (int cause : set) {
            count += saysMachine[cause] > 0 ? 1 : 0;
        }
        return count;
    }

    /** What of a set matters to a check. */
    private interface Matters {
        int of(int[] set);
    }

    /**
     * @param answers chance of each answer for each that matters: {@code [answer][matters]}; they sum to 1 over answers
     */
    private Brings of(double[][] answers, Matters matters) {
        int kinds = answers[0].length;
        double[] chances = new double[kinds];
        double[][] present = new double[kinds][codes.length];
        for (int k = 0; k < sets.chances().length; k++) {
            int[] set = sets.sets().get(k);
            int kind = matters.of(set);
            chances[kind] += sets.chances()[k];
            for (int cause : set) {
                present[kind][cause] += sets.chances()[k];
            }
        }
        double after =
                Bayes.expectedAfter(chances, answers, posterior -> stakes.expected(mixed(posterior, chances, present)));
        return new Brings(now - after, Bayes.expectedBits(chances, answers));
    }

    /** Chance of each cause where those that matter are as likely as this. */
    private double[] mixed(double[] posterior, double[] chances, double[][] present) {
        double[] mixed = new double[codes.length];
        for (int kind = 0; kind < chances.length; kind++) {
            if (posterior[kind] > 0) {
                double by = posterior[kind] / chances[kind];
                for (int i = 0; i < mixed.length; i++) {
                    mixed[i] += by * present[kind][i];
                }
            }
        }
        return mixed;
    }

    private int index(String code) {
        return IntStream.range(0, codes.length)
                .filter(i -> codes[i].equals(code))
                .findFirst()
                .orElseThrow();
    }
}
