package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.screen.ScreenInspection.SpotKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Photographs of a made camera: twelve megapixels, tilted, darker towards the rim, noisy. */
class ScreenInspectionTest {

    @ParameterizedTest
    @CsvSource({
        "WHITE, 5760, 3240, 144, 81, 0, 0, 0, 1600",
        "WHITE, 5760, 3240, 144, 81, 20, -15, 3, 2000",
        "BLACK, 5760, 3240, 144, 81, -17, 18, -4, 1600",
        "WHITE, 2560, 1620, 120, 76, 12, 20, 2, 1600",
        "BLACK, 3840, 2160, 192, 108, 24, 6, 1, 1600",
        "CHECKER, 3840, 2160, 192, 108, 10, 10, 2, 1600",
        "GRID, 5760, 3240, 144, 81, 14, 4, 0, 1600",
        "WHITE, 7680, 4320, 330, 186, 18, 17, 5, 4000"
    })
    void spotsOfAMillimetreAreFoundWhereTheyAre(
            TestPattern pattern,
            int px,
            int py,
            double w,
            double h,
            double tiltX,
            double tiltY,
            double turn,
            int wide) {
        TestPicture picture = TestPicture.of(pattern, px, py);
        List<double[]> spots = spots(pattern, w, h);
        ScreenInspection seen = ScreenInspection.of(
                Photographed.of(picture, w, h, spots, tiltX, tiltY, turn, 8, 0.15, 1, wide), picture, w, h);
        assertThat(seen.found()).as(seen.message()).isTrue();
        long found = spots.stream()
                .filter(s -> seen.spots().stream()
                        .anyMatch(p -> Math.hypot(p.xMm() - s[0], p.yMm() - s[1]) < 1
                                && (p.kind() == SpotKind.LIT) == (s[3] == 1)))
                .count();
        long extra = seen.spots().stream()
                .filter(p -> spots.stream().noneMatch(s -> Math.hypot(p.xMm() - s[0], p.yMm() - s[1]) < 1 + s[2] / 2))
                .count();
        assertThat((double) found / spots.size()).isGreaterThanOrEqualTo(0.95);
        assertThat(extra).isLessThanOrEqualTo(1);
    }

    /** Spots that a pattern can show, clear of marks, edges and lines. */
    private static List<double[]> spots(TestPattern pattern, double w, double h) {
        Random random = new Random(5);
        List<double[]> spots = new ArrayList<>();
        double cell =
                pattern == TestPattern.CHECKER ? 100 * w / 3840 : pattern == TestPattern.GRID ? 200 * w / 5760 : 0;
        while (spots.size() < 20) {
            double x = 14 + (w - 28) * random.nextDouble();
            double y = 14 + (h - 28) * random.nextDouble();
            if (cell > 0) {
                x = (Math.floor(x / cell) + (pattern == TestPattern.GRID ? 0.65 : 0.5)) * cell;
                y = h - (Math.floor((h - y) / cell) + (pattern == TestPattern.GRID ? 0.65 : 0.5)) * cell;
            }
            double kind = pattern == TestPattern.BLACK
                    ? 1
                    : pattern == TestPattern.CHECKER && ((int) (x / cell) + (int) ((h - y) / cell)) % 2 == 1 ? 1 : 0;
            double at = x;
            double up = y;
            if (spots.stream().allMatch(s -> Math.hypot(s[0] - at, s[1] - up) > 5)) {
                spots.add(new double[] {x, y, 1 + (cell > 0 ? 0 : 2 * random.nextDouble()), kind});
            }
        }
        return spots;
    }

    @Test
    void aSoundScreenShowsNoSpotsAndAPatchIsSeenWhole() {
        TestPicture picture = TestPicture.of(TestPattern.WHITE, 5760, 3240);
        ScreenInspection sound = ScreenInspection.of(
                Photographed.of(picture, 144, 81, List.of(), 15, 12, 2, 10, 0.15, 3, 1600), picture, 144, 81);
        assertThat(sound.spots()).isEmpty();
        assertThat(sound.printableShare()).isEqualTo(1);
        assertThat(sound.message()).isEqualTo("No spots are seen.");
        ScreenInspection patch = ScreenInspection.of(
                Photographed.of(picture, 144, 81, List.of(new double[] {50, 40, 26, 0}), 8, -10, 0, 8, 0.15, 3, 1600),
                picture,
                144,
                81);
        assertThat(patch.spots()).singleElement().satisfies(p -> {
            assertThat(p.sizeMm()).isBetween(25.0, 27.0);
            assertThat(Math.hypot(p.xMm() - 50, p.yMm() - 40)).isLessThan(0.5);
            assertThat(p.confidence()).isGreaterThan(0.9);
        });
        assertThat(patch.printableShare()).isBetween(0.9, 0.95);
    }

    /** Held upside down, the marks say which way it is. */
    @Test
    void aPhotographUpsideDownIsTurnedByItsMarks() {
        TestPicture picture = TestPicture.of(TestPattern.WHITE, 3840, 2160);
        List<double[]> spots = List.of(new double[] {30, 25, 3, 0});
        ScreenInspection seen = ScreenInspection.of(
                Photographed.of(picture, 192, 108, spots, 5, 5, 178, 6, 0.1, 1, 1600), picture, 192, 108);
        assertThat(seen.spots()).singleElement().satisfies(p -> assertThat(Math.hypot(p.xMm() - 30, p.yMm() - 25))
                .isLessThan(1));
    }

    @Test
    void whatIsNoTestPictureIsSaidSo() {
        TestPicture picture = TestPicture.of(TestPattern.WHITE, 3840, 2160);
        byte[] noise = new byte[1200 * 900];
        new Random(1).nextBytes(noise);
        ScreenInspection none = ScreenInspection.of(new GreyPhoto(1200, 900, noise), picture, 192, 108);
        assertThat(none.found()).isFalse();
        assertThat(none.message()).startsWith("No corner marks are seen");
        assertThat(none.printableShare()).isNull();
        GreyPhoto photo = Photographed.of(picture, 192, 108, List.of(), 5, 5, 0, 6, 0.1, 1, 1600);
        ScreenInspection wrong = ScreenInspection.of(photo, TestPicture.of(TestPattern.WHITE, 2560, 1440), 192, 108);
        assertThat(wrong.found()).isFalse();
        assertThat(wrong.message()).contains("do not fit a picture of 2560 × 1440");
        assertThat(ScreenInspection.of(photo, TestPicture.of(TestPattern.CHECKER, 3840, 2160), 192, 108)
                        .found())
                .as("another pattern was shown")
                .isFalse();
        assertThatIllegalArgumentException().isThrownBy(() -> ScreenInspection.of(photo, picture, 0, 108));
    }
}
