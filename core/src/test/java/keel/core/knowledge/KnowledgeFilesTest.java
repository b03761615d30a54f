package keel.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import keel.core.CheckedYaml;
import org.junit.jupiter.api.Test;

/** The table itself is common practice in the trade, no published source. */
class KnowledgeFilesTest {

    private final Knowledge knowledge = KnowledgeFiles.shipped();

    @Test
    void theShippedTableIsWhole() {
        assertThat(knowledge.symptoms()).hasSize(38);
        assertThat(knowledge.causes()).hasSize(48);
        assertThat(knowledge.checks()).hasSize(28);
        assertThat(knowledge.pairs()).hasSize(9);
    }

    @Test
    void everySymptomHasACauseThatAlmostAlwaysOrOftenShowsIt() {
        assertThat(knowledge.symptoms())
                .allSatisfy(s -> assertThat(knowledge.causes()).anyMatch(c -> c.strength(s.code()) >= 2));
    }

    @Test
    void everyCauseIsFoundByACheckOrSettledByAPrint() {
        assertThat(knowledge.causes()).allSatisfy(c -> assertThat(knowledge.checks())
                .anyMatch(k -> k.separates().contains(c.code()) || k.answers() == Check.Answer.SIDE));
    }

    @Test
    void aScreenTestAfterACrushMissesMoreThanOtherwise() {
        Check test = knowledge.check("screen-test").orElseThrow();
        assertThat(test.misses()).isEqualTo(0.1);
        assertThat(test.missesAfterCrush()).isEqualTo(0.3);
    }

    @Test
    void onlyChecksThatPrintSomethingAreRisky() {
        assertThat(knowledge.checks().stream().filter(Check::risky).map(Check::code))
                .containsExactly("axis-piece", "known-good", "move-job");
    }

    @Test
    void aStrengthOutsideTheScaleIsRefusedByTheSchema() {
        JsonNode causes = KnowledgeFiles.shippedFile("causes");
        ((ObjectNode) causes.at("/causes/0/shows")).put("bare-plate", 4);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> of(causes))
                .withMessageStartingWith("causes.yaml:")
                .withMessageContaining("bare-plate");
    }

    @Test
    void aFieldThatTheSchemaDoesNotKnowIsRefused() {
        JsonNode causes = KnowledgeFiles.shippedFile("causes");
        ((ObjectNode) causes.at("/causes/3")).put("wieght", 2);
        assertThatIllegalArgumentException().isThrownBy(() -> of(causes)).withMessageContaining("wieght");
    }

    @Test
    void aCodeThatIsNotDefinedIsNamed() {
        JsonNode causes = KnowledgeFiles.shippedFile("causes");
        ((ObjectNode) causes.at("/causes/0/shows")).put("bare-plat", 2);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> of(causes))
                .withMessage("Not defined: symptom bare-plat of cause plate-tilted");
    }

    @Test
    void brokenYamlIsSaidToBeUnreadable() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> CheckedYaml.parse("a: [1"))
                .withMessageStartingWith("Not readable as YAML");
    }

    private static Knowledge of(JsonNode causes) {
        return KnowledgeFiles.of(KnowledgeFiles.shippedFile("symptoms"), causes, KnowledgeFiles.shippedFile("checks"));
    }
}
