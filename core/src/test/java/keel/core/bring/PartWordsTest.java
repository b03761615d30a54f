package keel.core.bring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import keel.core.bring.PartWords.ChangedPart;
import org.junit.jupiter.api.Test;

class PartWordsTest {

    /** Common practice, no source. */
    @Test
    void partsAreReadAsPeopleWriteThem() {
        Map.of(
                        "Film", ChangedPart.FILM,
                        "release-film", ChangedPart.FILM,
                        "FEP", ChangedPart.FILM,
                        " LCD ", ChangedPart.SCREEN,
                        "UV light", ChangedPart.LIGHT,
                        "Build plate", ChangedPart.PLATE)
                .forEach((word, part) -> assertThat(PartWords.of(word)).as(word).contains(part));
        assertThat(PartWords.of("gizmo")).isEmpty();
        assertThat(PartWords.of("")).isEmpty();
    }

    @Test
    void headingsOfChangesAreGuessed() {
        Columns columns = Columns.of(
                BringKind.PARTS,
                List.of("Printer", "Changed", "Part", "Why", "Thickness (mm)", "S/N", "Colour"),
                Map.of());
        assertThat(columns.columns().stream().map(Columns.Column::field))
                .containsExactly(
                        BringField.MACHINE,
                        BringField.CHANGED_AT,
                        BringField.PART,
                        BringField.END_REASON,
                        BringField.THICKNESS_MM,
                        BringField.SERIAL,
                        null);
    }
}
