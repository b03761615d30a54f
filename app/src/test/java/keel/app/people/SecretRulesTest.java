package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import keel.core.Findings;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SecretRulesTest {

    private static List<String> password(String password) {
        Findings findings = new Findings();
        SecretRules.password(password, List.of("marenwolf"), findings);
        return findings.list().stream().map(f -> f.field()).toList();
    }

    private static boolean pin(String pin) {
        Findings findings = new Findings();
        SecretRules.pin(pin, findings);
        return findings.list().isEmpty();
    }

    /** Among the commonest of every published list of leaked passwords (from memory), and a name that is known. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "123456789012",
                "password1234",
                "qwertyuiop12",
                "aaaaaaaaaaaa",
                "iloveyou1234",
                "marenwolf2026",
                "letmeinletmein",
                "short"
            })
    void whatIsGuessedSoonIsRefused(String password) {
        assertThat(password(password)).containsExactly("password");
    }

    /** Any alphabet, and as long as somebody cares to type (NIST SP 800-63B 5.1.1.2: at least 64 characters). */
    @Test
    void longOnesInAnyAlphabetAreTaken() {
        assertThat(password("лодка шторм якорь маяк")).isEmpty();
        assertThat(password("大嵐の夜に灯台が見えた海岸線")).isEmpty();
        assertThat(password(IntStream.range(0, 20)
                        .mapToObj(i -> "tide" + i * i + " ")
                        .reduce("", String::concat)))
                .isEmpty();
        assertThat(password("x7Q".repeat(100))).containsExactly("password");
    }

    @Test
    void pinsThatEverybodyTriesFirstAreRefused() {
        assertThat(List.of("0000", "1234", "4321", "9012", "1212", "1122", "1984", "2024", "2580", "777777"))
                .noneMatch(SecretRulesTest::pin);
        assertThat(List.of("7304", "5186", "29471", "80364", "")).allMatch(SecretRulesTest::pin);
        assertThat(List.of("12", "abcd", "123456789")).noneMatch(SecretRulesTest::pin);
        long refused = IntStream.range(0, 10_000)
                .mapToObj("%04d"::formatted)
                .filter(p -> !pin(p))
                .count();
        assertThat(refused).as("most of them stay free").isBetween(300L, 500L);
    }
}
