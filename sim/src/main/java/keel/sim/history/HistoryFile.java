package keel.sim.history;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.ToStringSerializer;
import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import keel.sim.shop.Truth;

/**
 * Writes a history as JSON Lines (one JSON object a line, UTF-8, RFC 8259): {@code happenings.jsonl} holds what people
 * wrote down, each with its {@code kind}; {@code truth.jsonl} what was true, {@code sums.jsonl} the simulator's own
 * sums. The same history gives the same bytes.
 */
public final class HistoryFile {

    private static final ObjectMapper JSON = JsonMapper.builder()
            .configure(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS, true)
            .addModule(new SimpleModule().addSerializer(Instant.class, ToStringSerializer.instance))
            .configure(JsonGenerator.Feature.AUTO_CLOSE_TARGET, false)
            .serializationInclusion(JsonInclude.Include.ALWAYS)
            .build();

    private HistoryFile() {}

    /** @param folder is made if it is missing; files of these names are replaced */
    public static void write(Shop.History history, Path folder) throws IOException {
        Files.createDirectories(folder);
        try (BufferedWriter out = Files.newBufferedWriter(folder.resolve("happenings.jsonl"))) {
            for (Happening happening : history.happenings()) {
                line(out, happening.getClass().getSimpleName(), happening);
            }
        }
        try (BufferedWriter out = Files.newBufferedWriter(folder.resolve("truth.jsonl"))) {
            for (Truth truth : history.truths()) {
                line(out, "Truth", truth);
            }
        }
        try (BufferedWriter out = Files.newBufferedWriter(folder.resolve("sums.jsonl"))) {
            for (Map.Entry<String, Shop.Sums> sums : history.sums().entrySet()) {
                line(out, "Sums " + sums.getKey(), sums.getValue());
            }
        }
    }

    @SuppressWarnings("unchecked")
    private static void line(BufferedWriter out, String kind, Object value) throws IOException {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("kind", kind);
        fields.putAll(JSON.convertValue(value, Map.class));
        out.write(JSON.writeValueAsString(fields));
        out.write('\n');
    }
}
