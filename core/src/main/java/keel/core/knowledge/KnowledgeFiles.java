package keel.core.knowledge;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Reads the knowledge from its YAML files, checks each against its JSON Schema, and checks that every code one file
 * uses is defined in another.
 */
public final class KnowledgeFiles {

    private static final ObjectMapper YAML = new ObjectMapper(new YAMLFactory());
    private static final JsonSchemaFactory SCHEMAS = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012);

    private KnowledgeFiles() {}

    /** The knowledge that ships with the product. */
    public static Knowledge shipped() {
        return of(shippedFile("symptoms"), shippedFile("causes"), shippedFile("checks"));
    }

    /**
     * @throws IllegalArgumentException if a file does not match its schema or names a code that is not defined; the
     *                                  message names file and place
     */
    public static Knowledge of(JsonNode symptomsFile, JsonNode causesFile, JsonNode checksFile) {
        requireSchema("symptoms", symptomsFile);
        requireSchema("causes", causesFile);
        requireSchema("checks", checksFile);
        Knowledge knowledge = new Knowledge(
                each(symptomsFile.get("symptoms"), KnowledgeFiles::symptom),
                each(causesFile.get("causes"), KnowledgeFiles::cause),
                each(causesFile.get("pairs"), pair -> strings(pair)),
                each(checksFile.get("checks"), KnowledgeFiles::check));
        requireCodes(knowledge);
        return knowledge;
    }

    /** @throws IllegalArgumentException if the text is no YAML */
    public static JsonNode yaml(String text) {
        try {
            return YAML.readTree(text);
        } catch (IOException e) {
            throw new IllegalArgumentException("Not readable as YAML: " + e.getMessage(), e);
        }
    }

    static JsonNode shippedFile(String name) {
        try (InputStream in = KnowledgeFiles.class.getResourceAsStream("/keel/knowledge/" + name + ".yaml")) {
            return YAML.readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void requireSchema(String name, JsonNode file) {
        JsonSchema schema = SCHEMAS.getSchema(
                KnowledgeFiles.class.getResourceAsStream("/keel/knowledge/" + name + ".schema.json"));
        Set<ValidationMessage> wrong = schema.validate(file);
        if (!wrong.isEmpty()) {
            throw new IllegalArgumentException(name + ".yaml: "
                    + wrong.stream().map(ValidationMessage::getMessage).sorted().collect(Collectors.joining("; ")));
        }
    }

    private static void requireCodes(Knowledge knowledge) {
        Set<String> unknown = new TreeSet<>();
        for (Cause cause : knowledge.causes()) {
            cause.shows().keySet().stream().filter(s -> knowledge.symptom(s).isEmpty())
                    .forEach(s -> unknown.add("symptom " + s + " of cause " + cause.code()));
        }
        for (Check check : knowledge.checks()) {
            check.separates().stream().filter(c -> knowledge.cause(c).isEmpty())
                    .forEach(c -> unknown.add("cause " + c + " of check " + check.code()));
        }
        knowledge.pairs().stream().flatMap(List::stream).filter(c -> knowledge.cause(c).isEmpty())
                .forEach(c -> unknown.add("cause " + c + " of a pair"));
        if (!unknown.isEmpty()) {
            throw new IllegalArgumentException("Not defined: " + String.join(", ", unknown));
        }
    }

    private static Symptom symptom(JsonNode n) {
        return new Symptom(n.get("code").asText(), n.get("name").asText(), n.get("seen").asText(),
                Symptom.Place.valueOf(n.get("look").asText().toUpperCase(Locale.ROOT)), n.path("afterwards").asBoolean());
    }

    private static Cause cause(JsonNode n) {
        Map<String, Integer> shows = new LinkedHashMap<>();
        n.get("shows").properties().forEach(e -> shows.put(e.getKey(), e.getValue().asInt()));
        return new Cause(n.get("code").asText(), n.get("name").asText(), n.get("weight").asDouble(),
                n.path("raisedBy").asText(), Map.copyOf(shows));
    }

    private static Check check(JsonNode n) {
        double misses = n.get("misses").asDouble();
        return new Check(n.get("code").asText(), n.get("name").asText(), n.get("how").asText(),
                n.get("minutes").asDouble(), misses, n.path("missesAfterCrush").asDouble(misses),
                n.path("risky").asBoolean(),
                "side".equals(n.path("answers").asText()) ? Check.Answer.SIDE : Check.Answer.CAUSES,
                strings(n.get("separates")));
    }

    private static List<String> strings(JsonNode array) {
        return each(array, JsonNode::asText);
    }

    private static <T> List<T> each(JsonNode array, java.util.function.Function<JsonNode, T> read) {
        List<T> all = new ArrayList<>();
        array.forEach(n -> all.add(read.apply(n)));
        return List.copyOf(all);
    }
}
