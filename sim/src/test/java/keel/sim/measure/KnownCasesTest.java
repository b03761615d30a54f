package keel.sim.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.KnownCases;
import keel.sim.history.SimCommand;
import org.junit.jupiter.api.Test;

/** The cases that ship are those of the first simulated shop; {@code -Dwrite=yes} writes them anew. */
class KnownCasesTest {

    private static final int CASES = 150;
    private static final Path FILE =
            Path.of("..", "core", "src", "main", "resources", "keel", "knowledge", "cases.yaml");

    @Test
    void theShippedCasesAreThoseOfTheSimulatedShop() throws IOException {
        List<Cases.Case> cases = sample(Cases.of(SimCommand.history(7, 12, 2.2, 77, "shop-a")));
        if (System.getProperty("write") != null) {
            Files.writeString(FILE, yaml(cases));
            return;
        }
        assertThat(KnownCases.shipped())
                .containsExactlyElementsOf(cases.stream()
                        .map(c -> new KnownCases.Known(c.evidence(), c.truth().causes()))
                        .toList());
    }

    private static List<Cases.Case> sample(List<Cases.Case> all) {
        return IntStream.range(0, CASES)
                .mapToObj(i -> all.get(i * all.size() / CASES))
                .toList();
    }

    private static String yaml(List<Cases.Case> cases) {
        return "# Failures of the first simulated shop (shop-a, seed 77) with what was truly behind them. Written by "
                + "KnownCasesTest, not by hand.\ncases:\n"
                + cases.stream().map(KnownCasesTest::line).collect(Collectors.joining());
    }

    private static String line(Cases.Case c) {
        Evidence e = c.evidence();
        return "  - {seen: %s, absent: %s, history: %s, causes: %s}%n"
                .formatted(
                        list(e.symptoms()),
                        list(e.absent()),
                        list(e.history()),
                        list(c.truth().causes()));
    }

    private static String list(Collection<String> codes) {
        return "[" + String.join(", ", codes) + "]";
    }
}
