package keel.core.standing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import keel.core.Findings;
import org.junit.jupiter.api.Test;

/** Several readings of the same, as they come from pages and programs. */
class FieldReadingTest {

    private static final List<ServiceField> LIFT = List.of(
            new ServiceField("liftS", "Time to lift", ServiceField.Type.NUMBERS, false, List.of(), 0.05, 600, "s"));

    private static Object read(Object given, Findings findings) {
        return FieldReading.read(LIFT, Collections.singletonMap("liftS", given), findings)
                .get("liftS");
    }

    @Test
    void readingsComeAsTextAsANumberOrAsAList() {
        Findings findings = new Findings();
        assertThat(read("3.1 3,2;3.3", findings)).isEqualTo(List.of(3.1, 3.2, 3.3));
        assertThat(read(3, findings)).isEqualTo(List.of(3.0));
        assertThat(read(List.of(3, "2,9"), findings)).isEqualTo(List.of(3.0, 2.9));
        assertThat(read(" ", findings)).as("may be left out").isNull();
        assertThat(findings.none()).isTrue();
    }

    @Test
    void whatIsNoneIsSaidAndNothingIsTaken() {
        for (Object wrong : new Object[] {
            "3.1 fast", "3.1 -1", List.of("3", ""), Double.NaN, List.of(Map.of()), "1e99", "3 ".repeat(51)
        }) {
            Findings findings = new Findings();
            assertThat(read(wrong, findings)).as("" + wrong).isNull();
            assertThat(findings.list()).as("" + wrong).isNotEmpty().allSatisfy(f -> assertThat(f.field())
                    .isEqualTo("liftS"));
        }
    }
}
