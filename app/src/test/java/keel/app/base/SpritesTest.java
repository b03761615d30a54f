package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keel.core.guide.Procedures;
import keel.core.guide.Step;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.standing.MachineState;
import org.junit.jupiter.api.Test;

/** Whatever a page shows a picture of has one. */
class SpritesTest {

    private static final Pattern SYMBOL = Pattern.compile("<symbol id=\"([^\"]+)\"");

    @Test
    void everySymptomHasItsPictureAndNoPictureIsLeftOver() throws IOException {
        assertThat(sprite("symptoms"))
                .isEqualTo(KnowledgeFiles.shipped().symptoms().stream()
                        .map(s -> s.code())
                        .collect(Collectors.toCollection(TreeSet::new)));
    }

    @Test
    void everyStepAndCheckHasItsDrawingAndNoDrawingIsLeftOver() throws IOException {
        Set<String> drawn = Procedures.shipped().all().stream()
                .flatMap(p -> p.steps().stream())
                .map(Step::drawing)
                .filter(d -> !d.startsWith("clamp-") && !d.startsWith("frame-"))
                .collect(Collectors.toCollection(TreeSet::new));
        KnowledgeFiles.shipped().checks().forEach(c -> drawn.add(c.draw()));
        assertThat(sprite("steps")).isEqualTo(drawn);
    }

    @Test
    void everyStateHasItsSign() throws IOException {
        assertThat(sprite("marks"))
                .contains(Arrays.stream(MachineState.values()).map(Enum::name).toArray(String[]::new));
    }

    private static Set<String> sprite(String name) throws IOException {
        try (var in = SpritesTest.class.getResourceAsStream("/static/" + name + ".svg")) {
            Matcher symbols = SYMBOL.matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            Set<String> ids = new TreeSet<>();
            while (symbols.find()) {
                ids.add(symbols.group(1));
            }
            return ids;
        }
    }
}
