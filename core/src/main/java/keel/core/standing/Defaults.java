package keel.core.standing;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.core.life.PartLife;
import keel.core.wear.WeibullLife;

/** Figures a shop starts with and may change: lives, upkeep triggers, thresholds. Immutable. */
public final class Defaults {

    private static final ObjectMapper YAML = new ObjectMapper(new YAMLFactory());

    private final Map<String, Figure> figures;

    /**
     * One figure.
     *
     * @param unit unit, or empty for a plain number
     * @param low least sensible value
     * @param high greatest sensible value
     */
    public record Figure(String code, String name, double value, String unit, double low, double high) {}

    private Defaults(Map<String, Figure> figures) {
        this.figures = figures;
    }

    /** The figures that ship with the product. Common practice, no published source. */
    public static Defaults shipped() {
        try (InputStream in = Defaults.class.getResourceAsStream("/keel/standing/defaults.yaml")) {
            Map<String, Figure> figures = new LinkedHashMap<>();
            for (JsonNode n : YAML.readTree(in).get("defaults")) {
                Figure figure = new Figure(
                        n.get("code").asText(),
                        n.get("name").asText(),
                        n.get("value").doubleValue(),
                        n.get("unit").asText(),
                        n.get("low").doubleValue(),
                        n.get("high").doubleValue());
                figures.put(figure.code(), figure);
            }
            return new Defaults(figures);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** These figures with the shop's own put in place of some; codes that are not known are passed over. */
    public Defaults with(Map<String, Double> own) {
        Map<String, Figure> mixed = new LinkedHashMap<>(figures);
        own.forEach((code, value) ->
                mixed.computeIfPresent(code, (c, f) -> new Figure(c, f.name(), value, f.unit(), f.low(), f.high())));
        return new Defaults(mixed);
    }

    public List<Figure> figures() {
        return new ArrayList<>(figures.values());
    }

    /** @throws IllegalArgumentException for a code that is none */
    public double value(String code) {
        Figure figure = figures.get(code);
        if (figure == null) {
            throw new IllegalArgumentException("No default is called " + code + ".");
        }
        return figure.value();
    }

    public WeibullLife life(PartUse.UsedPart part) {
        return new WeibullLife(value(part.prefix() + ".shape"), value(part.prefix() + ".scaleHours"));
    }

    /** What is thought of such a part before its kind has ended often enough here. */
    public PartLife usual(PartUse.UsedPart part) {
        return PartLife.usual(life(part), part.usualClock(), part.uvClock() ? value("uv.share") : 1, replaceAt(part));
    }

    /** Age at which the shop replaces such a part whatever its looks, h; infinite where it has no such age (0). */
    public double replaceAt(PartUse.UsedPart part) {
        double at = value(part.prefix() + ".replaceAtHours");
        return at > 0 ? at : Double.POSITIVE_INFINITY;
    }
}
