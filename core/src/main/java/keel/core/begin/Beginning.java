package keel.core.begin;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keel.core.standing.MachineKind;
import org.jspecify.annotations.Nullable;

/**
 * What a shop can begin with: kinds of machine by size, and what stands in a store. Common practice, no source.
 *
 * @param models from the smallest mask printer to the laser tank
 */
public record Beginning(List<Preset> models, List<Item> stock) {

    private static final String FILE = "/keel/begin/begin.yaml";

    /**
     * A kind of machine by its size; what nobody can know of it before it is measured is left out.
     *
     * @param pixelsX null where it has no screen
     * @param level how it is usually levelled: PAPER, ON_FILM or SELF
     */
    public record Preset(
            String code,
            String name,
            MachineKind kind,
            double widthMm,
            double depthMm,
            double heightMm,
            @Nullable Integer pixelsX,
            @Nullable Integer pixelsY,
            String level) {}

    /**
     * Something to have in stock.
     *
     * @param lowAt how much is left when more should be bought
     */
    public record Item(String name, String unit, double lowAt) {}

    public static Beginning shipped() {
        try (InputStream in = Beginning.class.getResourceAsStream(FILE)) {
            JsonNode file = new ObjectMapper(new YAMLFactory()).readTree(in);
            List<Preset> models = new ArrayList<>();
            file.get("models").forEach(n -> models.add(preset(n)));
            List<Item> stock = new ArrayList<>();
            file.get("stock")
                    .forEach(n -> stock.add(new Item(
                            n.get("name").asText(),
                            n.get("unit").asText(),
                            n.get("lowAt").asDouble())));
            return new Beginning(List.copyOf(models), List.copyOf(stock));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Preset preset(JsonNode n) {
        JsonNode mm = n.get("plateMm");
        JsonNode pixels = n.get("pixels");
        return new Preset(
                n.get("code").asText(),
                n.get("name").asText(),
                MachineKind.valueOf(n.get("kind").asText()),
                mm.get(0).asDouble(),
                mm.get(1).asDouble(),
                mm.get(2).asDouble(),
                pixels == null ? null : pixels.get(0).asInt(),
                pixels == null ? null : pixels.get(1).asInt(),
                n.get("level").asText());
    }

    public Optional<Preset> model(String code) {
        return models.stream().filter(m -> m.code().equals(code)).findFirst();
    }
}
