package keel.core.life;

import java.util.ArrayList;
import java.util.List;

/**
 * The age of change that a shop's records speak for: of the age that the fitted life makes cheapest, the shop's own age
 * and signs only, the one that would have cost least on what the shop's parts have been through. Where the optimum is
 * flat, as it mostly is, the fit alone would trade one good age for another by chance.
 *
 * @param at on the clock; infinite where signs only cost least
 * @param which of the three
 */
public record CheapestAge(double at, LifeClock clock, Which which) {

    /** Where the age comes from. */
    public enum Which {
        FITTED("the age that its life makes cheapest"),
        OWN("the shop's own age, which would have cost least here so far"),
        SIGNS("signs only, which would have cost least here so far");

        private final String words;

        Which(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param fitted by the fitted life on {@code clock}
     * @param ownAge under Set-up, on {@code ownClock}; infinite where there is none
     * @param plannedCost of a change that is planned, {@code failureCost} of one after an end in a print
     */
    public static CheapestAge of(
            AgeReplacement fitted,
            LifeClock clock,
            double ownAge,
            LifeClock ownClock,
            List<Lived> parts,
            double plannedCost,
            double failureCost) {
        List<CheapestAge> ages = new ArrayList<>();
        if (fitted.replaceAtHours() != null) {
            ages.add(new CheapestAge(fitted.replaceAtHours(), clock, Which.FITTED));
        }
        if (!Double.isInfinite(ownAge)) {
            ages.add(new CheapestAge(ownAge, ownClock, Which.OWN));
        }
        ages.add(new CheapestAge(Double.POSITIVE_INFINITY, clock, Which.SIGNS));
        List<Lived> used = parts.stream().filter(p -> p.usage().hours() > 0).toList();
        CheapestAge least = ages.get(0);
        double leastCost = Double.POSITIVE_INFINITY;
        for (CheapestAge age : ages) {
            double cost = SchoolCost.of(ChangeSchool.RECORDS, used, age.at(), age.clock(), plannedCost, failureCost)
                    .perHour();
            if (cost < leastCost) {
                least = age;
                leastCost = cost;
            }
        }
        return least;
    }
}
