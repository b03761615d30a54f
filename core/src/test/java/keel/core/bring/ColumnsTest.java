package keel.core.bring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Headings of tables as shops keep them. */
class ColumnsTest {

    private static List<String> fields(BringKind kind, Map<String, String> said, String... headings) {
        return Columns.of(kind, List.of(headings), said).columns().stream()
                .map(c -> c.field() == null ? "-" : c.field().code())
                .toList();
    }

    @Test
    void knowsTheFieldsAndTheirUsualWords() {
        assertThat(fields(
                        BringKind.RUNS,
                        Map.of(),
                        "startedAt",
                        "Print time (h)",
                        "Printer",
                        "File name",
                        "Resin (ml)",
                        "Result",
                        "Layers",
                        "Exposure [s]",
                        "Operator"))
                .containsExactly(
                        "startedAt",
                        "duration",
                        "machine",
                        "job",
                        "resinMl",
                        "outcome",
                        "layers",
                        "layerExposureS",
                        "-");
        assertThat(fields(BringKind.RUNS, Map.of(), "Datum", "Dauer", "Drucker", "Datei", "Ergebnis"))
                .containsExactly("startedAt", "duration", "machine", "job", "outcome");
    }

    @Test
    void aHeadingLikeTheFieldComesBeforeAUsualWord() {
        assertThat(fields(BringKind.MACHINES, Map.of(), "machine", "model", "Place"))
                .containsExactly("name", "model", "room");
        assertThat(fields(BringKind.RUNS, Map.of(), "end", "endedAt")).containsExactly("-", "endedAt");
    }

    @Test
    void whatIsSaidStandsAndIsNotGuessedTwice() {
        assertThat(fields(BringKind.RUNS, Map.of("A", "job", "Name", ""), "A", "Name", "file"))
                .containsExactly("job", "-", "-");
        assertThatThrownBy(() -> fields(BringKind.RUNS, Map.of("B", "job"), "A"))
                .hasMessageContaining("no column called B");
        assertThatThrownBy(() -> fields(BringKind.RUNS, Map.of("A", "colour"), "A"))
                .hasMessageContaining("nothing called colour");
        assertThatThrownBy(() -> fields(BringKind.RUNS, Map.of("A", "job", "B", "job"), "A", "B"))
                .hasMessageContaining("Two columns");
    }

    @Test
    void everyFieldOfEveryKindIsKnownByItsOwnName() {
        for (BringKind kind : BringKind.values()) {
            String[] codes = kind.fields().stream().map(BringField::code).toArray(String[]::new);
            assertThat(fields(kind, Map.of(), codes)).as(kind.words()).isEqualTo(Arrays.asList(codes));
        }
    }
}
