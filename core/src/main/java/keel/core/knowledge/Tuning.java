package keel.core.knowledge;

import java.util.HashMap;
import java.util.Map;
import keel.core.Findings;

/**
 * Figures that a shop has put in place of the shipped ones; what is not named stays.
 *
 * @param weights cause code to its weight in the starting odds, &gt; 0
 * @param shows cause code to symptom code to strength, 1 to 3, or 0 where it does not show it
 * @param minutes check code to its minutes, &gt; 0
 * @param misses check code to its chance of overlooking what is there, 0 to 1
 * @param leads cause code to code of what it brings about to the chance that it does, 0 to 0.95; 0 where it does not
 * @param mends cause code to the minutes that mending it takes, &gt; 0
 */
public record Tuning(
        Map<String, Double> weights,
        Map<String, Map<String, Integer>> shows,
        Map<String, Double> minutes,
        Map<String, Double> misses,
        Map<String, Map<String, Double>> leads,
        Map<String, Double> mends) {

    public static final Tuning NONE = new Tuning(Map.of(), Map.of(), Map.of(), Map.of());

    private static final double MOST_WEIGHT = 1000;
    private static final double MOST_MINUTES = 1440;
    private static final double MOST_CHANCE = 0.95;

    public Tuning {
        weights = weights == null ? Map.of() : Map.copyOf(weights);
        shows = shows == null ? Map.of() : Map.copyOf(shows);
        minutes = minutes == null ? Map.of() : Map.copyOf(minutes);
        misses = misses == null ? Map.of() : Map.copyOf(misses);
        leads = leads == null ? Map.of() : Map.copyOf(leads);
        mends = mends == null ? Map.of() : Map.copyOf(mends);
    }

    /** One that leaves consequences and costs as they are. */
    public Tuning(
            Map<String, Double> weights,
            Map<String, Map<String, Integer>> shows,
            Map<String, Double> minutes,
            Map<String, Double> misses) {
        this(weights, shows, minutes, misses, Map.of(), Map.of());
    }

    /** Adds what cannot be: codes that are not known, figures out of range. */
    public void check(Knowledge knowledge, Findings findings) {
        weights.forEach((cause, weight) -> {
            findings.when(knowledge.cause(cause).isEmpty(), "weights", "There is no cause " + cause + ".");
            findings.range(weight, 0.01, MOST_WEIGHT, "weight." + cause, "The weight", "");
        });
        shows.forEach((cause, strengths) -> {
            findings.when(knowledge.cause(cause).isEmpty(), "shows", "There is no cause " + cause + ".");
            strengths.forEach((symptom, strength) -> {
                findings.when(
                        knowledge.symptom(symptom).isEmpty(), "shows." + cause, "There is no symptom " + symptom + ".");
                findings.when(
                        strength == null || strength < 0 || strength > 3,
                        "shows." + cause,
                        "A strength is 0, 1, 2 or 3.");
            });
        });
        minutes.forEach((check, value) -> {
            findings.when(knowledge.check(check).isEmpty(), "minutes", "There is no check " + check + ".");
            findings.range(value, 0.1, MOST_MINUTES, "minutes." + check, "The time", "min");
        });
        misses.forEach((check, value) -> {
            findings.when(knowledge.check(check).isEmpty(), "misses", "There is no check " + check + ".");
            findings.range(value, 0, MOST_CHANCE, "misses." + check, "The chance to overlook", "");
        });
        checkLeads(knowledge, findings);
    }

    private void checkLeads(Knowledge knowledge, Findings findings) {
        leads.forEach((from, to) -> {
            findings.when(knowledge.cause(from).isEmpty(), "leads", "There is no cause " + from + ".");
            to.forEach((cause, chance) -> {
                findings.when(knowledge.cause(cause).isEmpty(), "leads", "There is no cause " + cause + ".");
                findings.range(chance, 0, MOST_CHANCE, "leads." + cause, "The chance", "");
            });
        });
        mends.forEach((cause, value) -> {
            findings.when(knowledge.cause(cause).isEmpty(), "mends", "There is no cause " + cause + ".");
            findings.range(value, 0.1, MOST_MINUTES, "mends", "The time to mend it", "min");
        });
    }

    Cause of(Cause cause) {
        Map<String, Integer> strengths = new HashMap<>(cause.shows());
        strengths.putAll(shows.getOrDefault(cause.code(), Map.of()));
        strengths.values().removeIf(s -> s == 0);
        return new Cause(
                cause.code(),
                cause.name(),
                cause.part(),
                weights.getOrDefault(cause.code(), cause.weight()),
                cause.raisedBy(),
                Map.copyOf(strengths));
    }

    Check of(Check c) {
        double missed = misses.getOrDefault(c.code(), c.misses());
        return new Check(
                c.code(),
                c.name(),
                c.how(),
                c.draw(),
                c.caution(),
                c.clear(),
                c.says(),
                minutes.getOrDefault(c.code(), c.minutes()),
                missed,
                Math.max(missed, c.missesAfterCrush()),
                c.missesOf(),
                c.risky(),
                c.lights(),
                c.answers(),
                c.separates(),
                c.clears());
    }
}
