package keel.core.life;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Share that is still alive at each age, without any assumption about lives: the product-limit estimate, with
 * Greenwood's variance for its band.
 *
 * <p>Source: Kaplan and Meier 1958; Greenwood 1926; NIST/SEMATECH e-Handbook 8.2.1.5.
 *
 * @param steps at the ages at which some ended, youngest first
 */
public record Survival(List<Step> steps) {

    private static final double BAND = NormalDistribution.of(0, 1).inverseCumulativeProbability(0.9);

    /**
     * What is left after an age.
     *
     * @param low of the 80 % band, {@code high} its upper edge
     */
    public record Step(double hours, double probability, double low, double high, int atRisk, int ended) {}

    public static Survival of(List<Life> lives) {
        double[] ages = lives.stream()
                .filter(Life::ended)
                .mapToDouble(Life::hours)
                .distinct()
                .sorted()
                .toArray();
        List<Step> steps = new ArrayList<>();
        double alive = 1;
        double greenwood = 0;
        for (double age : ages) {
            int atRisk = (int) lives.stream().filter(l -> l.hours() >= age).count();
            int ended = (int)
                    lives.stream().filter(l -> l.ended() && l.hours() == age).count();
            alive *= 1 - (double) ended / atRisk;
            greenwood += atRisk == ended ? 0 : (double) ended / atRisk / (atRisk - ended);
            double half = BAND * alive * Math.sqrt(greenwood);
            steps.add(new Step(age, alive, Math.max(0, alive - half), Math.min(1, alive + half), atRisk, ended));
        }
        return new Survival(steps);
    }
}
