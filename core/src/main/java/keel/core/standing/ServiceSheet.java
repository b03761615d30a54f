package keel.core.standing;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import keel.core.CheckedYaml;

/**
 * What a service says: read from {@code keel/standing/services.yaml}, checked against its schema.
 *
 * @param done what the logbook says
 * @param task what a button says
 * @param caution the usual caution at that step
 * @param standstill whether it cannot be done while the machine prints
 * @param onSpareVat whether it can be done to a vat on the shelf, without a machine
 * @param fields what an entry says
 */
record ServiceSheet(
        String done, String task, Caution caution, boolean standstill, boolean onSpareVat, List<ServiceField> fields) {

    private static final String FILE = "standing/services";
    private static final Map<ServiceKind, ServiceSheet> SHIPPED = read(CheckedYaml.shipped(FILE));

    static ServiceSheet of(ServiceKind kind) {
        return SHIPPED.get(kind);
    }

    /** @throws IllegalArgumentException unless the file matches its schema and speaks of each kind and no other */
    static Map<ServiceKind, ServiceSheet> read(JsonNode file) {
        CheckedYaml.requireSchema(FILE, file);
        JsonNode services = file.get("services");
        requireEachKindOnce(services);
        Map<ServiceKind, ServiceSheet> sheets = new EnumMap<>(ServiceKind.class);
        services.properties().forEach(s -> sheets.put(ServiceKind.valueOf(s.getKey()), sheet(s.getValue(), file)));
        return sheets;
    }

    private static void requireEachKindOnce(JsonNode services) {
        Set<String> named = new TreeSet<>();
        services.fieldNames().forEachRemaining(named::add);
        Set<String> known = Arrays.stream(ServiceKind.values()).map(Enum::name).collect(Collectors.toSet());
        if (!named.equals(known)) {
            throw new IllegalArgumentException("services.yaml speaks of " + named + " where " + known + " are known.");
        }
    }

    private static ServiceSheet sheet(JsonNode service, JsonNode file) {
        return new ServiceSheet(
                service.get("done").asText(),
                service.get("task").asText(),
                Caution.valueOf(service.get("caution").asText()),
                service.path("standstill").asBoolean(),
                service.path("onSpareVat").asBoolean(),
                CheckedYaml.each(service.get("fields"), f -> field(f, file.get("choices"))));
    }

    private static ServiceField field(JsonNode field, JsonNode choices) {
        JsonNode options =
                field.has("choices") ? choices.get(field.get("choices").asText()) : field.get("options");
        return new ServiceField(
                field.get("name").asText(),
                field.get("label").asText(),
                ServiceField.Type.valueOf(field.get("type").asText()),
                field.path("required").asBoolean(),
                options(options),
                field.path("low").asDouble(),
                field.path("high").asDouble(),
                field.path("unit").asText(""));
    }

    private static List<ServiceField.Option> options(JsonNode options) {
        List<ServiceField.Option> read = new ArrayList<>();
        if (options != null) {
            options.properties()
                    .forEach(o -> read.add(
                            new ServiceField.Option(o.getKey(), o.getValue().asText())));
        }
        return List.copyOf(read);
    }
}
