package keel.core.emergency;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The emergencies there are, the commonest first. Common practice, no source. */
public record Emergencies(List<Emergency> all) {

    private static final String FILE = "/keel/emergency/emergencies.yaml";

    public static Emergencies shipped() {
        try (InputStream in = Emergencies.class.getResourceAsStream(FILE)) {
            List<Emergency> all = new ArrayList<>();
            new ObjectMapper(new YAMLFactory()).readTree(in).forEach(e -> all.add(read(e)));
            return new Emergencies(List.copyOf(all));
        } catch (IOException e) {
            throw new UncheckedIOException(FILE + " cannot be read.", e);
        }
    }

    public Optional<Emergency> called(String code) {
        return all.stream().filter(e -> e.code().equals(code)).findFirst();
    }

    private static Emergency read(JsonNode e) {
        List<Emergency.Step> steps = new ArrayList<>();
        e.path("steps").forEach(s -> steps.add(step(s)));
        List<String> never = new ArrayList<>();
        e.path("never").forEach(n -> never.add(n.asText()));
        return new Emergency(
                e.required("code").asText(),
                e.required("name").asText(),
                e.required("when").asText(),
                List.copyOf(steps),
                List.copyOf(never),
                Emergency.Writes.valueOf(e.required("after").required("writes").asText()),
                e.required("after").required("says").asText());
    }

    private static Emergency.Step step(JsonNode s) {
        return new Emergency.Step(
                s.required("do").asText(),
                text(s, "else"),
                text(s, "why"),
                Emergency.Mark.valueOf(s.path("mark").asText("none").toUpperCase(Locale.ROOT)),
                text(s, "to"));
    }

    private static @Nullable String text(JsonNode s, String name) {
        return s.hasNonNull(name) ? s.get(name).asText() : null;
    }
}
