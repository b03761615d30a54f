package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.List;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;

/**
 * Every answer that a check can give, each subset of what it separates or one of the two sides, and how likely each is under each
 * single cause: worked out once, since it does not depend on the failure.
 */
record CheckTable(Check check, double[][] likely) {

    static CheckTable of(Check check, List<Cause> causes, Likelihoods likelihoods, boolean crushed) {
        List<List<String>> answers = answers(check);
        double[][] table = new double[answers.size()][causes.size()];
        for (int a = 0; a < answers.size(); a++) {
            for (int h = 0; h < causes.size(); h++) {
                table[a][h] = likelihoods.check(check, answers.get(a), List.of(causes.get(h)), crushed);
            }
        }
        return new CheckTable(check, table);
    }

    private static List<List<String>> answers(Check check) {
        if (check.answers() == Check.Answer.SIDE) {
            return List.of(List.of("MACHINE"), List.of("JOB"));
        }
        List<List<String>> all = new ArrayList<>();
        for (int subset = 0; subset < 1 << check.separates().size(); subset++) {
            List<String> found = new ArrayList<>();
            for (int i = 0; i < check.separates().size(); i++) {
                if ((subset >> i & 1) == 1) {
                    found.add(check.separates().get(i));
                }
            }
            all.add(found);
        }
        return all;
    }

    Diagnosis.NextCheck next(double[] posterior) {
        double bits = Bayes.expectedBits(posterior, likely);
        return new Diagnosis.NextCheck(check.code(), check.name(), check.minutes(), bits, bits / check.minutes());
    }
}
