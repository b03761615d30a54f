package keel.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import keel.core.Findings;
import keel.core.light.UvMap.Reading;
import org.junit.jupiter.api.Test;

class UvMapTest {

    private static List<Reading> grid(double... lights) {
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < lights.length; i++) {
            readings.add(new Reading((i % 3 + 0.5) * 48, (i / 3 + 0.5) * 27, lights[i]));
        }
        return readings;
    }

    private static Findings check(List<Reading> readings) {
        Findings findings = new Findings();
        UvMap.check(readings, 144, 81, findings);
        return findings;
    }

    /** Least over greatest of nine points, as IEC 61947-1 has it (from memory); mean by hand. */
    @Test
    void ninePointsSayHowEvenItIs() {
        UvMap map = UvMap.of(grid(2.4, 2.7, 2.5, 2.8, 3.0, 2.7, 2.5, 2.8, 2.6), 144, 81);
        assertThat(map.uniformity()).isCloseTo(0.8, within(1e-12));
        assertThat(map.even()).isTrue();
        assertThat(map.mean()).isCloseTo(24.0 / 9, within(1e-12));
        assertThat(map.least().xMm()).isEqualTo(24);
        assertThat(map.greatest().yMm()).isEqualTo(40.5);
        assertThat(UvMap.of(grid(2.3, 2.7, 2.5, 2.8, 3.0, 2.7, 2.5, 2.8, 2.6), 144, 81)
                        .even())
                .isFalse();
    }

    /** A plane of a tenth from left to right and nothing from front to back is found exactly. */
    @Test
    void aTiltIsFoundWithItsDirection() {
        UvMap map = UvMap.of(
                grid(Stream.of(24, 72, 120, 24, 72, 120, 24, 72, 120)
                        .mapToDouble(x -> 3 * (1 + 0.1 * (x - 72.0) / 144))
                        .toArray()),
                144,
                81);
        assertThat(map.tiltX()).isCloseTo(0.1, within(1e-9));
        assertThat(map.tiltY()).isCloseTo(0, within(1e-9));
    }

    @Test
    void whatIsNoMapIsSaid() {
        assertThat(check(grid(1, 1, 1, 1, 1, 1, 1, 1)).list().get(0).message()).contains("9 readings at least");
        assertThat(check(grid(1, 1, 1, 1, -1, 1, 1, 1, 1)).list())
                .singleElement()
                .satisfies(f -> assertThat(f.field()).isEqualTo("readings[4].light"));
        assertThat(check(grid(1, 1, 1, 1, Double.NaN, 1, 1, 1, 1)).none()).isFalse();
        assertThat(check(grid(0, 0, 0, 0, 0, 0, 0, 0, 0)).list().get(0).message())
                .contains("Every reading is 0");
        List<Reading> together = new ArrayList<>(grid(1, 1, 1, 1, 1, 1, 1, 1, 1))
                .stream()
                        .map(r -> new Reading(r.xMm() / 3, r.yMm() / 3, r.light()))
                        .toList();
        assertThat(check(together).list().get(0).message()).contains("too close together");
        assertThat(check(List.of()).none()).isFalse();
        assertThatIllegalArgumentException().isThrownBy(() -> UvMap.of(List.of(), 144, 81));
    }
}
