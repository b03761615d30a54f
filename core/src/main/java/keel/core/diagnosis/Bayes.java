package keel.core.diagnosis;

import java.util.function.ToDoubleFunction;
import org.hipparchus.util.FastMath;

/** Bayes' rule over finitely many hypotheses, weights of evidence and information. */
public final class Bayes {

    private Bayes() {}

    /** Probabilities that are proportional to the given weights; all equal where every weight is 0. */
    public static double[] normalised(double[] weights) {
        double sum = 0;
        for (double w : weights) {
            sum += w;
        }
        double[] shares = new double[weights.length];
        for (int i = 0; i < weights.length; i++) {
            shares[i] = sum > 0 ? weights[i] / sum : 1.0 / weights.length;
        }
        return shares;
    }

    /** Uncertainty in bits: −Σ p·log₂ p. Source: Shannon 1948. */
    public static double entropyBits(double[] probabilities) {
        double bits = 0;
        for (double p : probabilities) {
            bits -= p > 0 ? p * FastMath.log(p) / FastMath.log(2) : 0;
        }
        return bits;
    }

    /**
     * Weight of evidence in decibans: 10·log₁₀ of how much likelier the fact is under the hypothesis than under
     * all others together. Source: I. J. Good, Probability and the Weighing of Evidence (1950), ch. 6.
     */
    public static double decibans(double ifTrue, double ifNot) {
        return 10 * FastMath.log10(ifTrue / ifNot);
    }

    /**
     * Information that an answer is expected to bring, in bits: uncertainty before less that expected after
     * (information gain, Quinlan 1986).
     *
     * @param prior probability of each hypothesis
     * @param likelihoods for each answer, its probability under each hypothesis; they sum to 1 over the answers
     */
    public static double expectedBits(double[] prior, double[][] likelihoods) {
        double after = 0;
        for (double[] answer : likelihoods) {
            double[] joint = new double[prior.length];
            double chance = 0;
            for (int h = 0; h < prior.length; h++) {
                joint[h] = prior[h] * answer[h];
                chance += joint[h];
            }
            after += chance > 0 ? chance * entropyBits(normalised(joint)) : 0;
        }
        return FastMath.max(0, entropyBits(prior) - after);
    }

    /**
     * What is expected of a decision that is made after an answer is known.
     *
     * <p>Source: H. Raiffa and R. Schlaifer, Applied Statistical Decision Theory (1961), ch. 4: value of sample
     * information is this less the value before.
     *
     * @param prior probability of each state
     * @param likelihoods for each answer, its probability in each state; they sum to 1 over the answers
     * @param value of the best that can be done where the states are as likely as given
     */
    public static double expectedAfter(double[] prior, double[][] likelihoods, ToDoubleFunction<double[]> value) {
        double after = 0;
        for (double[] answer : likelihoods) {
            double[] joint = new double[prior.length];
            double chance = 0;
            for (int s = 0; s < prior.length; s++) {
                joint[s] = prior[s] * answer[s];
                chance += joint[s];
            }
            after += chance > 0 ? chance * value.applyAsDouble(normalised(joint)) : 0;
        }
        return after;
    }
}
