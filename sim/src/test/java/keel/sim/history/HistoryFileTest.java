package keel.sim.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HistoryFileTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    private Path folder;

    @Test
    void theSameSeedWritesTheSameBytes() throws IOException {
        HistoryFile.write(SimCommand.history(3, 2, 2.2, 7, "shop-a"), folder.resolve("one"));
        HistoryFile.write(SimCommand.history(3, 2, 2.2, 7, "shop-a"), folder.resolve("two"));
        for (String file : List.of("happenings.jsonl", "truth.jsonl", "sums.jsonl")) {
            assertThat(folder.resolve("one").resolve(file))
                    .hasSameBinaryContentAs(folder.resolve("two").resolve(file));
        }
    }

    @Test
    void everyLineIsAnObjectWithItsKindAndTimesAreInstants() throws IOException {
        Shop.History history = SimCommand.history(2, 1, 2.2, 8, "shop-a");
        HistoryFile.write(history, folder);
        List<String> lines = Files.readAllLines(folder.resolve("happenings.jsonl"));
        assertThat(lines).hasSize(history.happenings().size());
        JsonNode first = JSON.readTree(lines.stream()
                .filter(l -> l.contains("\"RunDone\""))
                .findFirst()
                .orElseThrow());
        Happening.RunDone run = history.happenings().stream()
                .filter(Happening.RunDone.class::isInstance)
                .map(Happening.RunDone.class::cast)
                .findFirst()
                .orElseThrow();
        assertThat(first.get("machine").asText()).isEqualTo(run.machine());
        assertThat(first.get("startedAt").asText()).isEqualTo(run.startedAt().toString());
        assertThat(first.get("layerExposureS").asDouble()).isEqualTo(run.layerExposureS());
        assertThat(first.has("reachedLayer")).isTrue();
    }

    @Test
    void aShopThatDoesNotExistIsRefusedInWords() {
        assertThatThrownBy(() -> SimCommand.history(2, 1, 2.2, 8, "shop-z"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("shop-z");
    }
}
