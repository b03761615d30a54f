package keel.core.knowledge;

import static keel.core.CheckedYaml.each;
import static keel.core.CheckedYaml.strings;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import keel.core.CheckedYaml;
import keel.core.standing.Caution;

/**
 * Reads the knowledge from its YAML files, checks each against its JSON Schema, and checks that every code one file
 * uses is defined in another.
 */
public final class KnowledgeFiles {

    private KnowledgeFiles() {}

    /** The knowledge that ships with the product. */
    public static Knowledge shipped() {
        return of(shippedFile("symptoms"), shippedFile("causes"), shippedFile("checks"));
    }

    /**
     * @throws IllegalArgumentException if a file does not match its schema or names a code that is not defined; the
     *     message names file and place
     */
    public static Knowledge of(JsonNode symptomsFile, JsonNode causesFile, JsonNode checksFile) {
        CheckedYaml.requireSchema("knowledge/symptoms", symptomsFile);
        CheckedYaml.requireSchema("knowledge/causes", causesFile);
        CheckedYaml.requireSchema("knowledge/checks", checksFile);
        Knowledge knowledge = new Knowledge(
                each(symptomsFile.get("symptoms"), KnowledgeFiles::symptom),
                each(causesFile.get("causes"), KnowledgeFiles::cause),
                each(causesFile.get("pairs"), pair -> strings(pair)),
                each(checksFile.get("checks"), KnowledgeFiles::check));
        requireCodes(knowledge);
        return knowledge;
    }

    static JsonNode shippedFile(String name) {
        return CheckedYaml.shipped("knowledge/" + name);
    }

    private static void requireCodes(Knowledge knowledge) {
        Set<String> unknown = new TreeSet<>();
        for (Cause cause : knowledge.causes()) {
            cause.shows().keySet().stream()
                    .filter(s -> knowledge.symptom(s).isEmpty())
                    .forEach(s -> unknown.add("symptom " + s + " of cause " + cause.code()));
        }
        for (Check check : knowledge.checks()) {
            check.missesOf().keySet().stream()
                    .filter(c -> !check.separates().contains(c))
                    .forEach(c -> unknown.add("cause " + c + " in missesOf of check " + check.code()));
            check.clears().stream()
                    .filter(c -> !check.separates().contains(c))
                    .forEach(c -> unknown.add("cause " + c + " in clears of check " + check.code()));
            check.answersInOrder().stream()
                    .filter(a -> !check.says().containsKey(a))
                    .forEach(a -> unknown.add("words for " + a + " of check " + check.code()));
            check.separates().stream()
                    .filter(c -> knowledge.cause(c).isEmpty())
                    .forEach(c -> unknown.add("cause " + c + " of check " + check.code()));
        }
        knowledge.pairs().stream()
                .flatMap(List::stream)
                .filter(c -> knowledge.cause(c).isEmpty())
                .forEach(c -> unknown.add("cause " + c + " of a pair"));
        if (!unknown.isEmpty()) {
            throw new IllegalArgumentException("Not defined: " + String.join(", ", unknown));
        }
    }

    private static Symptom symptom(JsonNode n) {
        return new Symptom(
                n.get("code").asText(),
                n.get("name").asText(),
                n.get("seen").asText(),
                Symptom.Place.valueOf(n.get("look").asText().toUpperCase(Locale.ROOT)),
                n.path("afterwards").asBoolean());
    }

    private static Cause cause(JsonNode n) {
        Map<String, Integer> shows = new LinkedHashMap<>();
        n.get("shows")
                .properties()
                .forEach(e -> shows.put(e.getKey(), e.getValue().asInt()));
        return new Cause(
                n.get("code").asText(),
                n.get("name").asText(),
                Cause.CausePart.valueOf(n.get("part").asText().toUpperCase(Locale.ROOT)),
                n.get("weight").asDouble(),
                n.path("raisedBy").asText(),
                Map.copyOf(shows));
    }

    private static Check check(JsonNode n) {
        double misses = n.get("misses").asDouble();
        Map<String, Double> missesOf = new LinkedHashMap<>();
        n.path("missesOf")
                .properties()
                .forEach(e -> missesOf.put(e.getKey(), e.getValue().asDouble()));
        Map<String, String> says = new LinkedHashMap<>();
        n.get("says")
                .properties()
                .forEach(e -> says.put(e.getKey(), e.getValue().asText()));
        return new Check(
                n.get("code").asText(),
                n.get("name").asText(),
                n.get("how").asText(),
                n.get("draw").asText(),
                Caution.valueOf(n.path("caution").asText("NONE")),
                n.path("clear").asText(null),
                Map.copyOf(says),
                n.get("minutes").asDouble(),
                misses,
                n.path("missesAfterCrush").asDouble(misses),
                Map.copyOf(missesOf),
                n.path("risky").asBoolean(),
                n.path("lights").asBoolean(),
                "side".equals(n.path("answers").asText()) ? Check.Answer.SIDE : Check.Answer.CAUSES,
                strings(n.get("separates")),
                strings(n.has("clears") ? n.get("clears") : n.get("separates")));
    }
}
