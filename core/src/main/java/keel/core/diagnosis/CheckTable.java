package keel.core.diagnosis;

import java.util.List;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;

/**
 * Every answer that a check can give, each subset of what it separates or one of the two sides, and how likely each is
 * under each single cause.
 */
record CheckTable(Check check, double[][] likely) {

    static CheckTable of(
            Check check, List<Cause> causes, Likelihoods likelihoods, boolean crushed, FalseFinds falseFinds) {
        double[][] names = check.answers() == Check.Answer.SIDE
                ? sides(check, causes, likelihoods)
                : named(check, causes, crushed, falseFinds);
        if (check.answers() == Check.Answer.SIDE) {
            return new CheckTable(check, new double[][] {names[0], not(names[0])});
        }
        double[][] table = new double[1 << names.length][causes.size()];
        for (int answer = 0; answer < table.length; answer++) {
            for (int h = 0; h < causes.size(); h++) {
                double likely = 1;
                for (int k = 0; k < names.length; k++) {
                    likely *= (answer >> k & 1) == 1 ? names[k][h] : 1 - names[k][h];
                }
                table[answer][h] = likely;
            }
        }
        return new CheckTable(check, table);
    }

    /** For each cause that the check separates, the chance that it names it under each single cause. */
    private static double[][] named(Check check, List<Cause> causes, boolean crushed, FalseFinds falseFinds) {
        double[][] names = new double[check.separates().size()][causes.size()];
        for (int k = 0; k < names.length; k++) {
            String named = check.separates().get(k);
            double falsely = falseFinds.of(named);
            for (int h = 0; h < causes.size(); h++) {
                names[k][h] =
                        causes.get(h).code().equals(named) ? 1 - falseFinds.misses(check, named, crushed) : falsely;
            }
        }
        return names;
    }

    private static double[][] sides(Check check, List<Cause> causes, Likelihoods likelihoods) {
        return new double[][] {
            causes.stream().mapToDouble(c -> likelihoods.saysMachine(check, c)).toArray()
        };
    }

    private static double[] not(double[] chances) {
        double[] others = new double[chances.length];
        for (int i = 0; i < others.length; i++) {
            others[i] = 1 - chances[i];
        }
        return others;
    }

    Diagnosis.NextCheck next(double[] posterior) {
        double bits = Bayes.expectedBits(posterior, likely);
        return new Diagnosis.NextCheck(check.code(), check.name(), check.minutes(), bits, bits / check.minutes());
    }
}
