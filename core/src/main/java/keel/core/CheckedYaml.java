package keel.core;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** YAML files that experts may tune, each with a JSON Schema of the same name beside it. */
public final class CheckedYaml {

    private static final ObjectMapper YAML = new ObjectMapper(new YAMLFactory());
    private static final JsonSchemaFactory SCHEMAS = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012);

    private CheckedYaml() {}

    /** @throws IllegalArgumentException if the text is no YAML */
    public static JsonNode parse(String text) {
        try {
            return YAML.readTree(text);
        } catch (IOException e) {
            throw new IllegalArgumentException("Not readable as YAML: " + e.getMessage(), e);
        }
    }

    /** A file that ships with the product: {@code /keel/<name>.yaml}. */
    public static JsonNode shipped(String name) {
        try (InputStream in = CheckedYaml.class.getResourceAsStream("/keel/" + name + ".yaml")) {
            return YAML.readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @throws IllegalArgumentException unless the file matches {@code /keel/<name>.schema.json} */
    public static void requireSchema(String name, JsonNode file) {
        Set<ValidationMessage> wrong = SCHEMAS.getSchema(
                        CheckedYaml.class.getResourceAsStream("/keel/" + name + ".schema.json"))
                .validate(file);
        if (!wrong.isEmpty()) {
            throw new IllegalArgumentException(name.substring(name.lastIndexOf('/') + 1) + ".yaml: "
                    + wrong.stream().map(ValidationMessage::getMessage).sorted().collect(Collectors.joining("; ")));
        }
    }

    /** Each entry of an array, read; a missing array has none. */
    public static <T> List<T> each(JsonNode array, Function<JsonNode, T> read) {
        List<T> all = new ArrayList<>();
        if (array != null) {
            array.forEach(n -> all.add(read.apply(n)));
        }
        return List.copyOf(all);
    }

    public static List<String> strings(JsonNode array) {
        return each(array, JsonNode::asText);
    }
}
