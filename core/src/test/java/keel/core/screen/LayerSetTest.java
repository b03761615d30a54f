package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class LayerSetTest {

    private static final int X = 2560;
    private static final int Y = 1620;

    private static LayerSet set(String code) {
        return LayerSet.all(X, Y).stream()
                .filter(s -> s.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theTestsAreThePicturesOfThePatterns() {
        LayerSet tests = set("tests");
        assertThat(tests.layers()).hasSize(TestPattern.values().length);
        for (TestPattern p : TestPattern.values()) {
            TestPicture picture = TestPicture.of(p, X, Y);
            assertThat(tests.layers().get(p.ordinal()).picture().grey(700, 803)).isEqualTo(picture.grey(700, 803));
        }
    }

    /** Changes in a row double from level to level up to one a pixel; so do grey pixels, up to the whole row. */
    @Test
    void eachLevelAsksForTwiceAsMuch() {
        List<LayerSet.Layer> layers = set("harder").layers();
        assertThat(layers).hasSize(12);
        int before = 0;
        long greyBefore = 0;
        for (LayerSet.Layer layer : layers) {
            int changes = changes(layer.picture(), 500);
            long grey = greys(layer.picture(), 1100);
            assertThat(changes).as(layer.shows()).isGreaterThan(before);
            assertThat(grey).as(layer.shows()).isGreaterThan(greyBefore);
            if (before > 8 && changes < X - 1) {
                assertThat((double) changes / before).isBetween(1.8, 2.2);
            }
            before = changes;
            greyBefore = grey;
        }
        assertThat(before).as("the last one changes at every pixel").isEqualTo(X - 1);
        assertThat(greyBefore).as("and every pixel of a row is grey").isEqualTo(X);
    }

    /** Strip n is lit in n of the layers, whatever the screen; notches count it. */
    @Test
    void eachStripIsLitOnceMoreThanTheOneBefore() {
        List<LayerSet.Layer> layers = set("exposure").layers();
        assertThat(layers).hasSize(ExposureStrips.STRIPS);
        int middle = Y / 2;
        List<Integer> seen = new ArrayList<>();
        for (int x = 0; x < X; x++) {
            int at = x;
            int lit = (int) layers.stream()
                    .filter(l -> l.picture().grey(at, middle) == 255)
                    .count();
            if (seen.isEmpty() || seen.get(seen.size() - 1) != lit) {
                seen.add(lit);
            }
        }
        assertThat(seen).containsExactly(0, 1, 0, 2, 0, 3, 0, 4, 0, 5, 0, 6, 0, 7, 0, 8, 0);
        int front = (int) (Y * 0.93);
        int edges = 0;
        for (int x = 1; x < X; x++) {
            edges += layers.get(7).picture().grey(x, front)
                            > layers.get(7).picture().grey(x - 1, front)
                    ? 1
                    : 0;
        }
        assertThat(edges)
                .as("each strip begins once, and once more behind each notch")
                .isEqualTo(8 + 36);
        assertThat(layers.get(0).shows()).isEqualTo("Strip 8 alone");
    }

    private static int changes(LayerSet.Picture picture, int y) {
        int changes = 0;
        for (int x = 1; x < X; x++) {
            changes += picture.grey(x, y) != picture.grey(x - 1, y) ? 1 : 0;
        }
        return changes;
    }

    private static long greys(LayerSet.Picture picture, int y) {
        long grey = 0;
        for (int x = 0; x < X; x++) {
            int g = picture.grey(x, y);
            grey += g > 0 && g < 255 ? 1 : 0;
        }
        return grey;
    }

    @Test
    void eachLevelBearsItsNumberAndTheCornerMarks() {
        Set<String> middles = new HashSet<>();
        for (LayerSet.Layer layer : set("harder").layers()) {
            StringBuilder middle = new StringBuilder();
            for (int y = Y / 2 - 150; y < Y / 2 + 150; y += 5) {
                for (int x = X / 2 - 150; x < X / 2 + 150; x += 5) {
                    middle.append(layer.picture().grey(x, y) == 0 ? '#' : ' ');
                }
            }
            assertThat(middle.toString().chars().filter(c -> c == '#').count())
                    .as("a number is there")
                    .isGreaterThan(60);
            middles.add(middle.toString());
            assertThat(layer.picture().grey(60, 60))
                    .as("a mark in the corner")
                    .isEqualTo(TestPicture.of(TestPattern.WHITE, X, Y).grey(60, 60));
        }
        assertThat(middles).as("all differ").hasSize(12);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new HarderPicture(TestPicture.of(TestPattern.WHITE, X, Y), 13, 12));
    }

    /** Two layers, one lit on the left half, one everywhere: the left is fully bright on average, the right half. */
    @Test
    void overOneAnotherIsTheMean() {
        LayerOverlay overlay = new LayerOverlay(400, 200, 100);
        overlay.add(400, 200, (x, y) -> x < 200 ? 255 : 0);
        overlay.add(400, 200, (x, y) -> 255);
        GreyPhoto picture = overlay.picture();
        assertThat(picture.width()).isEqualTo(100);
        assertThat(picture.height()).isEqualTo(50);
        assertThat(picture.grey()[50 * 20 + 10] & 0xff).isIn(255, 128);
        assertThat(picture.grey()[25 * 100 + 10] & 0xff).isEqualTo(255);
        assertThat(picture.grey()[25 * 100 + 90] & 0xff).isEqualTo(128);
        assertThatIllegalStateException().isThrownBy(() -> new LayerOverlay(10, 10, 10).picture());
        assertThat(LayerOverlay.of(set("tests"), 300).picture().width()).isEqualTo(300);
    }
}
