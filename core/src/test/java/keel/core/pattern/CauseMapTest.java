package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CauseMapTest {

    private final Map<String, Integer> prints = new LinkedHashMap<>();

    /** Shrunk as the check values of four groups of 50 each with 1, 12, 4 and 7 events; from calculations by hand. */
    @Test
    void sharesAreDrawnToWhatTheMachinesHaveInCommon() {
        for (String m : List.of("a", "b", "c", "d")) {
            prints.put(m, 50);
        }
        CauseMap map = CauseMap.of(Map.of("film-worn", Map.of("a", 1, "b", 12, "c", 4, "d", 7)), prints, 0.1);
        double[] shrunk = {0.050934, 0.202879, 0.092374, 0.133813};
        for (int i = 0; i < 4; i++) {
            assertThat(map.cells().get(i).shrunk()).isCloseTo(shrunk[i], within(1e-5));
        }
    }

    @Test
    void aMachineStandsOutUnderItsCauseAndNotUnderOthers() {
        for (String m : List.of("a", "b", "c", "d")) {
            prints.put(m, 200);
        }
        Map<String, Map<String, Integer>> failed = new LinkedHashMap<>();
        failed.put("plate-bolts-loose", Map.of("a", 18, "b", 2, "c", 1, "d", 2));
        failed.put("film-worn", Map.of("a", 5, "b", 6, "c", 4, "d", 5));
        List<CauseMap.Cell> out = CauseMap.of(failed, prints, 0.1).cells().stream()
                .filter(CauseMap.Cell::standsOut)
                .toList();
        assertThat(out).hasSize(1);
        assertThat(out.get(0).machine()).isEqualTo("a");
        assertThat(out.get(0).cause()).isEqualTo("plate-bolts-loose");
    }

    @Test
    void whatFailsLessDoesNotStandOut() {
        prints.put("a", 300);
        prints.put("b", 300);
        CauseMap map = CauseMap.of(Map.of("z-dry", Map.of("a", 30)), prints, 0.1);
        assertThat(map.cells().get(0).standsOut()).isTrue();
        assertThat(map.cells().get(1).standsOut()).isFalse();
        assertThat(CauseMap.of(Map.of("z-dry", Map.of()), Map.of(), 0.1).cells())
                .isEmpty();
    }
}
