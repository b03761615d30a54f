package keel.core.emergency;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The order of things is common practice, no source: what must never come before what. */
class EmergenciesTest {

    private static final Emergencies ALL = Emergencies.shipped();

    static List<Emergency> all() {
        return ALL.all();
    }

    private static int first(Emergency e, String words) {
        return IntStream.range(0, e.steps().size())
                .filter(i -> e.steps().get(i).what().toLowerCase().contains(words))
                .findFirst()
                .orElseThrow(() -> new AssertionError(e.code() + ": " + words));
    }

    @ParameterizedTest
    @MethodSource("all")
    void eachIsShortAndLeadsSomewhere(Emergency e) {
        assertThat(e.steps()).hasSizeBetween(3, 9).allSatisfy(s -> {
            assertThat(s.what()).hasSizeLessThan(130);
            assertThat(s.to() == null || ALL.called(s.to()).isPresent()).isTrue();
        });
        assertThat(e.never()).isNotEmpty();
        assertThat(e.says()).endsWith(".");
        assertThat(e.code()).matches("[a-z-]+");
    }

    /** Nothing with resin is touched before gloves are on. */
    @ParameterizedTest
    @MethodSource("all")
    void glovesComeBeforeResinIsTouched(Emergency e) {
        for (String touch :
                List.of("vat off", "vat straight", "pour the vat", "lift out", "soak it up", "look into the vat")) {
            IntStream.range(0, e.steps().size())
                    .filter(i -> e.steps().get(i).what().toLowerCase().contains(touch))
                    .forEach(i -> assertThat(first(e, "gloves"))
                            .as(e.code() + ": " + touch)
                            .isLessThanOrEqualTo(i));
        }
    }

    @Test
    void aLeakIsUnpluggedBeforeTheVatIsLiftedAndNothingLightsBeforeItIsSeenDry() {
        Emergency leak = ALL.called("leak").orElseThrow();
        assertThat(first(leak, "gloves")).isZero();
        assertThat(first(leak, "stop the print")).isLessThan(first(leak, "pull the plug"));
        assertThat(first(leak, "pull the plug")).isLessThan(first(leak, "vat straight up"));
        assertThat(first(leak, "vat straight up")).isLessThan(first(leak, "lift the resin with a dry"));
        assertThat(first(leak, "lift the resin with a dry")).isLessThan(first(leak, "damp with alcohol"));
        assertThat(first(leak, "no test picture")).isEqualTo(leak.steps().size() - 1);
    }

    @Test
    void nothingIsHomedOnAPartAndNothingHotIsTouched() {
        Emergency cut = ALL.called("power-cut").orElseThrow();
        assertThat(first(cut, "do not home")).isLessThan(first(cut, "run the plate up"));
        Emergency sun = ALL.called("sun").orElseThrow();
        assertThat(first(sun, "do not touch")).isZero();
        assertThat(first(sun, "until it is cold")).isLessThan(first(sun, "gloves"));
        Emergency smoke = ALL.called("smoke").orElseThrow();
        assertThat(first(smoke, "everybody out")).isZero();
    }
}
