package keel.core.diagnosis;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import keel.core.CheckedYaml;
import keel.core.Findings;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Tuning;

/**
 * The figures that turn strengths, checks and history into probabilities. Immutable.
 *
 * @param shows chance that a cause shows a symptom, by strength 1, 2, 3 at those places
 * @param mentions chance that somebody mentions, unasked, a symptom that is there
 * @param again chance that the same look, done again, only copies its first answer
 * @param anyway what makes checks name a cause that is not at fault
 * @param hides symptoms with which there is no print to look at
 * @param follows by symptom, what it comes with whatever the cause
 * @param links what leads to what, and what belongs together
 * @param learnedFrom closed failures that weigh as much as the starting odds
 */
public record Odds(
        double[] shows,
        double leak,
        Map<String, Double> leakOf,
        double mentions,
        double finds,
        Map<String, Double> findsOf,
        Links links,
        double learnedFrom,
        Set<String> job,
        Set<String> placed,
        double again,
        List<Anyway> anyway,
        Set<String> hides,
        Map<String, Follows> follows,
        Map<String, HistoryFact> history) {

    /** Something in a machine's history: which causes it makes likelier, by what factor. */
    public record HistoryFact(String code, String words, Map<String, Double> raises) {

        public double ratio(String cause) {
            return raises.getOrDefault(cause, 1.0);
        }
    }

    /**
     * Checks name a cause where these facts show the same thing, whether it is at fault or not.
     *
     * @param given facts with their kind, any of which is enough
     * @param anew whether the check looks at the same thing more carefully, so that finding nothing takes the fact back
     */
    public record Anyway(String cause, Set<String> given, double finds, boolean anew) {}

    /** A symptom is reported with that chance, whatever the cause, where one of the others was seen. */
    public record Follows(Set<String> after, double leak) {}

    /** With a shop's own consequences. */
    public Odds tuned(Tuning tuning) {
        return tuning.leads().isEmpty()
                ? this
                : new Odds(
                        shows,
                        leak,
                        leakOf,
                        mentions,
                        finds,
                        findsOf,
                        links.tuned(tuning.leads()),
                        learnedFrom,
                        job,
                        placed,
                        again,
                        anyway,
                        hides,
                        follows,
                        history);
    }

    /** Adds what a shop's own consequences cannot be: a cause that brings itself about. */
    public void check(Tuning tuning, Knowledge knowledge, Findings findings) {
        links.tuned(tuning.leads())
                .circle()
                .ifPresent(c -> findings.add(
                        "leads", knowledge.nameOf(c) + " would bring itself about. Set one of the chances to 0."));
    }

    /** Those that ship with the product. */
    public static Odds shipped(Knowledge knowledge) {
        return of(CheckedYaml.shipped("knowledge/odds"), knowledge);
    }

    /**
     * @throws IllegalArgumentException if the file does not match its schema or names a code that the knowledge does
     *     not have
     */
    public static Odds of(JsonNode file, Knowledge knowledge) {
        CheckedYaml.requireSchema("knowledge/odds", file);
        Map<String, HistoryFact> history = new LinkedHashMap<>();
        file.get("history")
                .forEach(n -> history.put(
                        n.get("code").asText(),
                        new HistoryFact(n.get("code").asText(), n.get("words").asText(), chances(n.get("raises")))));
        JsonNode shows = file.get("shows");
        Odds odds = new Odds(
                new double[] {
                    0,
                    shows.get("one").asDouble(),
                    shows.get("two").asDouble(),
                    shows.get("three").asDouble()
                },
                file.get("leak").asDouble(),
                chances(file.get("leakOf")),
                file.get("mentions").asDouble(),
                file.get("finds").asDouble(),
                chances(file.get("findsOf")),
                Links.of(file),
                file.get("learnedFrom").asDouble(),
                new HashSet<>(CheckedYaml.strings(file.get("job"))),
                new HashSet<>(CheckedYaml.strings(file.get("placed"))),
                file.get("again").asDouble(),
                CheckedYaml.each(file.get("anyway"), Odds::anyway),
                new HashSet<>(CheckedYaml.strings(file.get("hides"))),
                follows(file.get("follows")),
                history);
        odds.requireCodes(knowledge);
        return odds;
    }

    private static Anyway anyway(JsonNode n) {
        return new Anyway(
                n.get("cause").asText(),
                Set.copyOf(CheckedYaml.strings(n.get("given"))),
                n.get("finds").asDouble(),
                n.path("anew").asBoolean());
    }

    private static Map<String, Follows> follows(JsonNode array) {
        Map<String, Follows> all = new HashMap<>();
        array.forEach(n -> all.put(
                n.get("symptom").asText(),
                new Follows(
                        Set.copyOf(CheckedYaml.strings(n.get("after"))),
                        n.get("leak").asDouble())));
        return Map.copyOf(all);
    }

    private static Map<String, Double> chances(JsonNode object) {
        Map<String, Double> all = new HashMap<>();
        object.properties().forEach(e -> all.put(e.getKey(), e.getValue().asDouble()));
        return Map.copyOf(all);
    }

    private void requireCodes(Knowledge knowledge) {
        Set<String> causes = new TreeSet<>(findsOf.keySet());
        anyway.forEach(a -> causes.add(a.cause()));
        causes.addAll(job);
        links.leads().forEach(l -> causes.addAll(List.of(l.from(), l.to())));
        causes.addAll(links.through().keySet());
        causes.addAll(placed);
        history.values().forEach(h -> causes.addAll(h.raises().keySet()));
        causes.removeIf(c -> knowledge.cause(c).isPresent());
        anyway.stream()
                .flatMap(a -> a.given().stream())
                .filter(g -> !defined(g, knowledge))
                .forEach(causes::add);
        links.factCodes().filter(f -> !this.history.containsKey(f)).forEach(causes::add);
        Stream.concat(
                        Stream.of(leakOf.keySet(), hides, follows.keySet(), links.signs()),
                        links.through().values().stream())
                .flatMap(Set::stream)
                .filter(s -> knowledge.symptom(s).isEmpty())
                .forEach(causes::add);
        if (!causes.isEmpty()) {
            throw new IllegalArgumentException("odds.yaml names what is not defined: " + String.join(", ", causes));
        }
    }

    private boolean defined(String fact, Knowledge knowledge) {
        String code = fact.substring(fact.indexOf(':') + 1);
        return fact.startsWith("symptom:") ? knowledge.symptom(code).isPresent() : history.containsKey(code);
    }

    /** Chance that a symptom is reported without a cause that shows it, beside the others that were seen. */
    double leak(String symptom, Set<String> seen) {
        Follows f = follows.get(symptom);
        return f != null && f.after().stream().anyMatch(seen::contains) ? f.leak() : leakOf.getOrDefault(symptom, leak);
    }

    /** Whether nothing could be seen of the print itself. */
    boolean hidden(Set<String> seen) {
        return seen.stream().anyMatch(hides::contains);
    }

    double finds(String cause) {
        return findsOf.getOrDefault(cause, finds);
    }

    /** A fact of history by its code. */
    public Optional<HistoryFact> fact(String code) {
        return Optional.ofNullable(history.get(code));
    }
}
