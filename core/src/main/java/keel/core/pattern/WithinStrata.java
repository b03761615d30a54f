package keel.core.pattern;

import java.util.Collection;
import org.hipparchus.distribution.continuous.ChiSquaredDistribution;

/**
 * Whether a group fails more often than others once like is compared with like: the test of Mantel and Haenszel over
 * tables of two by two, without correction for continuity.
 *
 * <p>Source: N. Mantel and W. Haenszel, Journal of the National Cancer Institute 22 (1959), 719; check values: the
 * admissions of six departments of Bickel, Hammel and O'Connell, Science 187 (1975), as R's data set UCBAdmissions.
 *
 * @param odds common odds ratio of failing, group to others; NaN where no table has both
 * @param p two-sided; 1 where no table has both
 * @param compared prints of the group that have others beside them in their table
 */
public record WithinStrata(double odds, double p, int compared) {

    /** Prints of a group and of others that are alike, and how many of each failed. */
    public record Table(int prints, int failed, int otherPrints, int otherFailed) {

        boolean compares() {
            return prints > 0 && otherPrints > 0;
        }
    }

    public static WithinStrata of(Collection<Table> tables) {
        double up = 0;
        double down = 0;
        double excess = 0;
        double variance = 0;
        int compared = 0;
        for (Table t : tables) {
            double n = t.prints() + t.otherPrints();
            if (t.compares() && n > 1) {
                double failed = t.failed() + t.otherFailed();
                compared += t.prints();
                up += t.failed() * (double) (t.otherPrints() - t.otherFailed()) / n;
                down += t.otherFailed() * (double) (t.prints() - t.failed()) / n;
                excess += t.failed() - t.prints() * failed / n;
                variance += t.prints() * (double) t.otherPrints() * failed * (n - failed) / (n * n * (n - 1));
            }
        }
        double p =
                variance <= 0 ? 1 : 1 - new ChiSquaredDistribution(1).cumulativeProbability(excess * excess / variance);
        return new WithinStrata(up / down, p, compared);
    }
}
