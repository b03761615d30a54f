package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What is shown, pixel by pixel. Pixels of 0.018 to 0.05 mm are usual: common practice, no source. */
class TestPictureTest {

    @ParameterizedTest
    @CsvSource({"5760, 3240, 0.05", "2560, 1440, 0.05", "11520, 5120, 0.019", "640, 480, 0.05"})
    void marksLieWithinTwelveMillimetresOfTheCorners(int x, int y, double pixelMm) {
        CornerMarks marks = CornerMarks.of(x, y);
        assertThat((marks.marginPx() + marks.sizePx()) * pixelMm).isLessThanOrEqualTo(12);
        assertThat(marks.marks()).hasSize(4).allSatisfy(m -> {
            assertThat(Math.min(m.x(), x - m.x() - marks.sizePx())).isEqualTo(marks.marginPx());
            assertThat(Math.min(m.y(), y - m.y() - marks.sizePx())).isEqualTo(marks.marginPx());
        });
    }

    @Test
    void eachMarkHasACodeOfItsOwnAndNoneIsAnotherTurned() {
        Set<String> seen = new HashSet<>();
        for (CornerMarks.Mark m : CornerMarks.of(1600, 1600).marks()) {
            int[][] grey = m.grey();
            for (int turn = 0; turn < 4; turn++) {
                assertThat(seen.add(Arrays.deepToString(grey)))
                        .as(m.code() + " turned " + turn)
                        .isTrue();
                grey = turned(grey);
            }
        }
    }

    private static int[][] turned(int[][] grey) {
        int n = grey.length;
        int[][] turned = new int[n][n];
        for (int y = 0; y < n; y++) {
            for (int x = 0; x < n; x++) {
                turned[x][n - 1 - y] = grey[y][x];
            }
        }
        return turned;
    }

    @ParameterizedTest
    @EnumSource(TestPattern.class)
    void everyPatternHasTheSameMarksOnWhite(TestPattern pattern) {
        TestPicture picture = TestPicture.of(pattern, 1600, 900);
        TestPicture white = TestPicture.of(TestPattern.WHITE, 1600, 900);
        for (int y = 0; y < 900; y++) {
            for (int x = 0; x < 1600; x++) {
                if (picture.marks().covers(x, y)) {
                    assertThat(picture.grey(x, y)).isEqualTo(white.grey(x, y));
                }
            }
        }
        assertThat(picture.grey(0, 0)).isEqualTo(255);
    }

    @Test
    void patternsAreWhatTheyAreCalled() {
        assertThat(TestPicture.of(TestPattern.BLACK, 1600, 900).grey(800, 450)).isZero();
        TestPicture checker = TestPicture.of(TestPattern.CHECKER, 1600, 900);
        assertThat(checker.grey(450, 450)).isEqualTo(255);
        assertThat(checker.grey(550, 450)).isZero();
        assertThat(checker.grey(550, 550)).isEqualTo(255);
        TestPicture grid = TestPicture.of(TestPattern.GRID, 1600, 900);
        assertThat(grid.grey(801, 450)).as("a line").isZero();
        assertThat(grid.grey(950, 550)).as("within a cell").isEqualTo(255);
        TestPicture along = TestPicture.of(TestPattern.LINES_X, 1600, 900);
        assertThat(along.grey(700, 400))
                .as("a line along x")
                .isEqualTo(along.grey(900, 400))
                .isNotEqualTo(along.grey(700, 404));
        TestPicture up = TestPicture.of(TestPattern.LINES_Y, 1600, 900);
        assertThat(up.grey(700, 400)).isEqualTo(up.grey(700, 500)).isNotEqualTo(up.grey(704, 400));
    }

    /** The bottom is the front: a ramp along y is dark there. */
    @Test
    void rampsRiseToTheRightAndToTheBack() {
        TestPicture x = TestPicture.of(TestPattern.RAMP_X, 1601, 901);
        TestPicture y = TestPicture.of(TestPattern.RAMP_Y, 1601, 901);
        assertThat(x.grey(800, 300)).isEqualTo(128);
        assertThat(y.grey(800, 450)).isEqualTo(128);
        for (int i = 1; i < 800; i++) {
            assertThat(x.grey(400 + i, 450)).isGreaterThanOrEqualTo(x.grey(399 + i, 450));
        }
        assertThat(y.grey(800, 200)).isGreaterThan(y.grey(800, 700));
    }

    /** Cells are numbered, so that a spot can be told over the phone: no two of a row look alike. */
    @Test
    void cellsOfTheGridAreNumbered() {
        TestPicture grid = TestPicture.of(TestPattern.GRID, 5760, 3240);
        Set<String> seen = new HashSet<>();
        for (int column = 4; column < 24; column++) {
            StringBuilder cell = new StringBuilder();
            for (int y = 404; y < 470; y++) {
                for (int x = 4; x < 70; x++) {
                    cell.append(grid.grey(200 * column + x, y) == 0 ? '#' : '.');
                }
            }
            assertThat(seen.add(cell.toString())).as("column " + column).isTrue();
        }
    }

    @Test
    void tooFewOrTooManyPixelsAreRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> TestPicture.of(TestPattern.WHITE, 319, 900))
                .withMessageContaining("319 × 900");
        assertThatIllegalArgumentException().isThrownBy(() -> TestPicture.of(TestPattern.WHITE, 900, 20_001));
        assertThat(TestPattern.WHITE.shows(ScreenInspection.SpotKind.LIT)).isFalse();
        assertThat(TestPattern.BLACK.shows(ScreenInspection.SpotKind.LIT)).isTrue();
        assertThat(TestPattern.CHECKER.shows(ScreenInspection.SpotKind.DARK)).isTrue();
    }
}
