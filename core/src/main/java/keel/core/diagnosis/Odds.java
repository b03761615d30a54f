package keel.core.diagnosis;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import keel.core.CheckedYaml;
import keel.core.knowledge.Knowledge;

/**
 * The figures that turn strengths, checks and history into probabilities. Immutable.
 *
 * @param shows       chance that a cause shows a symptom, by strength 1, 2, 3 at those places
 * @param mentions    chance that somebody mentions, unasked, a symptom that is there
 * @param pairShare   prior of a listed pair against that of its first cause alone
 * @param learnedFrom closed failures that weigh as much as the starting odds
 */
public record Odds(double[] shows, double leak, Map<String, Double> leakOf, double mentions, double finds, Map<String, Double> findsOf, double pairShare,
                   double learnedFrom, Set<String> job, Set<String> placed, Map<String, HistoryFact> history) {

    /** Something in a machine's history: which causes it makes likelier, by what factor. */
    public record HistoryFact(String code, String words, Map<String, Double> raises) {

        public double ratio(String cause) {
            return raises.getOrDefault(cause, 1.0);
        }
    }

    /** Those that ship with the product. */
    public static Odds shipped(Knowledge knowledge) {
        return of(CheckedYaml.shipped("knowledge/odds"), knowledge);
    }

    /**
     * @throws IllegalArgumentException if the file does not match its schema or names a code that the knowledge does not have
     */
    public static Odds of(JsonNode file, Knowledge knowledge) {
        CheckedYaml.requireSchema("knowledge/odds", file);
        Map<String, HistoryFact> history = new LinkedHashMap<>();
        file.get("history").forEach(n -> history.put(n.get("code").asText(), new HistoryFact(n.get("code").asText(), n.get("words").asText(), chances(n.get("raises")))));
        JsonNode shows = file.get("shows");
        Odds odds = new Odds(new double[] {0, shows.get("one").asDouble(), shows.get("two").asDouble(), shows.get("three").asDouble()}, file.get("leak").asDouble(),
                chances(file.get("leakOf")), file.get("mentions").asDouble(), file.get("finds").asDouble(), chances(file.get("findsOf")),
                file.get("pairShare").asDouble(), file.get("learnedFrom").asDouble(), new HashSet<>(CheckedYaml.strings(file.get("job"))),
                new HashSet<>(CheckedYaml.strings(file.get("placed"))), history);
        odds.requireCodes(knowledge);
        return odds;
    }

    private static Map<String, Double> chances(JsonNode object) {
        Map<String, Double> all = new HashMap<>();
        object.properties().forEach(e -> all.put(e.getKey(), e.getValue().asDouble()));
        return Map.copyOf(all);
    }

    private void requireCodes(Knowledge knowledge) {
        Set<String> causes = new TreeSet<>(findsOf.keySet());
        causes.addAll(job);
        causes.addAll(placed);
        history.values().forEach(h -> causes.addAll(h.raises().keySet()));
        causes.removeIf(c -> knowledge.cause(c).isPresent());
        leakOf.keySet().stream().filter(s -> knowledge.symptom(s).isEmpty()).forEach(causes::add);
        if (!causes.isEmpty()) {
            throw new IllegalArgumentException("odds.yaml names what is not defined: " + String.join(", ", causes));
        }
    }

    double leak(String symptom) {
        return leakOf.getOrDefault(symptom, leak);
    }

    double finds(String cause) {
        return findsOf.getOrDefault(cause, finds);
    }

    Optional<HistoryFact> fact(String code) {
        return Optional.ofNullable(history.get(code));
    }
}
