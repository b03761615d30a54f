package keel.core.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import keel.core.CheckedYaml;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What the file says of each service is what the open interface promises. */
class ServiceSheetTest {

    private static ObjectNode file() {
        return CheckedYaml.shipped("standing/services").deepCopy();
    }

    private static ObjectNode service(JsonNode file, ServiceKind kind) {
        return (ObjectNode) file.get("services").get(kind.name());
    }

    /** Names and codes are a contract: those of the interface's description. */
    @Test
    void theFilmChangeAsksForWhatTheInterfaceNames() {
        assertThat(ServiceKind.FILM_CHANGE.fields())
                .extracting(ServiceField::name)
                .containsExactly("material", "thicknessMm", "endReason", "vat", "pack", "fromStores");
        assertThat(ServiceKind.FILM_CHANGE.field("endReason").orElseThrow().options())
                .extracting(ServiceField.Option::code)
                .containsExactly("CLOUDED", "PIERCED", "SLACK", "SCRATCHED", "DENTED", "PLANNED", "OTHER");
        ServiceField thickness = ServiceKind.FILM_CHANGE.field("thicknessMm").orElseThrow();
        assertThat(thickness.required()).isTrue();
        assertThat(thickness.low()).isEqualTo(0.02);
        assertThat(thickness.unit()).isEqualTo("mm");
    }

    @ParameterizedTest
    @EnumSource
    void everyKindSaysWhatItIs(ServiceKind kind) {
        assertThat(kind.done()).isNotBlank();
        assertThat(kind.task()).isNotBlank().isNotEqualTo(kind.done());
        assertThat(kind.caution()).isNotNull();
        assertThat(kind.fields()).extracting(ServiceField::name).doesNotHaveDuplicates();
    }

    @Test
    void aKindThatIsLeftOutOrUnknownIsNoticed() {
        ObjectNode without = file();
        ((ObjectNode) without.get("services")).remove("LEVELLING");
        assertThatIllegalArgumentException().isThrownBy(() -> ServiceSheet.read(without));
        ObjectNode more = file();
        ((ObjectNode) more.get("services")).set("POLISHED", service(more, ServiceKind.LEVELLING));
        assertThatIllegalArgumentException().isThrownBy(() -> ServiceSheet.read(more));
    }

    @Test
    void aChoiceWithoutChoicesAndANumberWithoutBoundsAreNoticed() {
        ObjectNode file = file();
        ((ObjectNode) service(file, ServiceKind.LUBRICATION).get("fields").get(0)).remove("options");
        assertThatIllegalArgumentException().isThrownBy(() -> ServiceSheet.read(file));
        ObjectNode other = file();
        ((ObjectNode) service(other, ServiceKind.STANCE_CHECKED).get("fields").get(0)).remove("low");
        assertThatIllegalArgumentException().isThrownBy(() -> ServiceSheet.read(other));
    }
}
