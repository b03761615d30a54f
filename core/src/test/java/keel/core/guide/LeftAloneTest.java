package keel.core.guide;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import org.junit.jupiter.api.Test;

/** Common practice, no source. */
class LeftAloneTest {

    private static final List<Step> FILM = Procedures.shipped()
            .called("film-change")
            .orElseThrow()
            .path(new MachineTraits(MachineKind.MASK, false, true, false, LevelJoint.BALL), Map.of());

    private static Step step(String code) {
        return FILM.stream().filter(s -> s.code().equals(code)).findFirst().orElseThrow();
    }

    @Test
    void aShortPauseSaysNothingAndALongOneWhatToLookAt() {
        assertThat(LeftAlone.words(FILM, step("leak"), Duration.ofHours(2))).isEmpty();
        assertThat(LeftAlone.words(FILM, step("leak"), Duration.ofHours(20)).orElseThrow())
                .startsWith("Left for 20 h")
                .contains("skinned over")
                .contains("Time this step anew");
        assertThat(LeftAlone.words(FILM, step("reason"), Duration.ofDays(3)).orElseThrow())
                .as("nothing was open yet")
                .isEqualTo("Left for 3 days: look before you go on.");
    }
}
