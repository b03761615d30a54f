package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.DoubleBinaryOperator;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Patches, dead lines, what hides a screen, and photographs of something else, on photographs of a made camera. */
class ScreenDefectsTest {

    private static final double W = 144;
    private static final double D = 81;
    private static final TestPicture WHITE = TestPicture.of(TestPattern.WHITE, 5760, 3240);

    private static GreyPhoto photo(TestPicture picture, double w, double d, int wide, double[]... spots) {
        return Photographed.of(picture, w, d, List.of(spots), 9, -7, 1.5, 8, 0.15, 3, wide);
    }

    private static ScreenInspection seen(double[]... spots) {
        return ScreenInspection.of(photo(WHITE, W, D, 1600, spots), WHITE, W, D);
    }

    /** Changes the photograph by millimetres on the screen; the factor for each place. */
    private static GreyPhoto over(GreyPhoto photo, DoubleBinaryOperator factor) {
        byte[] grey = photo.grey().clone();
        for (int y = 0; y < photo.height(); y++) {
            for (int x = 0; x < photo.width(); x++) {
                double[] at = Photographed.place(W, D, 9, -7, 1.5, photo.width(), x, y);
                int i = y * photo.width() + x;
                double value = (grey[i] & 0xff) * factor.applyAsDouble(at[0], at[1]);
                grey[i] = (byte) Math.max(0, Math.min(255, Math.round(value)));
            }
        }
        return new GreyPhoto(photo.width(), photo.height(), grey);
    }

    @ParameterizedTest
    @CsvSource({
        "144, 81, 5760, 3240, 60, 40, 40, 0.7",
        "144, 81, 5760, 3240, 110, 50, 44, 0.5",
        "144, 81, 5760, 3240, 72, 40, 70, 0.7",
        "144, 81, 5760, 3240, 30, 26, 50, 0.3",
        "120, 76, 2560, 1620, 50, 38, 60, 0.65",
        "192, 108, 3840, 2160, 150, 30, 42, 0.6",
        "330, 186, 7680, 4320, 100, 90, 90, 0.7"
    })
    void aDimPatchIsFoundGradedAndNotCountedAsGood(
            double w, double d, int px, int py, double x, double y, double size, double light) {
        TestPicture picture = TestPicture.of(TestPattern.WHITE, px, py);
        ScreenInspection seen =
                ScreenInspection.of(photo(picture, w, d, 1600, new double[] {x, y, size, light}), picture, w, d);
        assertThat(seen.found()).as(seen.message()).isTrue();
        assertThat(seen.spots()).as(seen.message()).singleElement().satisfies(p -> {
            assertThat(p.kind()).isEqualTo(SpotKind.DIM);
            assertThat(p.light()).isCloseTo(light, within(0.06));
            assertThat(p.sizeMm()).isCloseTo(size, within(0.08 * size));
            assertThat(Math.hypot(p.xMm() - x, p.yMm() - y)).isLessThan(3);
        });
        double lost = Math.PI * Math.pow(size / 2, 2) / (w * d);
        assertThat(seen.printableShare()).isLessThan(1 - 0.9 * lost);
        assertThat(seen.message()).contains("1 region gives less light");
    }

    @Test
    void aSquarePatchKeepsItsCornersAndSpotsInsideItAreTheirOwn() {
        ScreenInspection seen = seen(new double[] {70, 45, 1.5, 0}, new double[] {60, 40, 42, 0.6, 42});
        assertThat(seen.spots()).hasSize(2);
        Spot patch = seen.spots().get(0);
        assertThat(patch.kind()).isEqualTo(SpotKind.DIM);
        assertThat(patch.acrossMm()).isCloseTo(42, within(1.0));
        assertThat(patch.deepMm()).isCloseTo(42, within(1.0));
        assertThat(patch.off(60 + 20, 40 + 20, 1, 1)).isZero();
        assertThat(seen.spots().get(1).kind()).isEqualTo(SpotKind.DARK);
        assertThat(patch.rounds())
                .allSatisfy(r -> assertThat(patch.off(r.xMm(), r.yMm(), 0, 0)).isZero());
    }

    @ParameterizedTest
    @CsvSource({"1, 1600", "2, 1600", "4, 1600", "1, 4000", "12, 1600"})
    void aDeadColumnIsALineFromEdgeToEdge(int pixels, int wide) {
        double width = pixels * W / 5760;
        ScreenInspection seen =
                ScreenInspection.of(photo(WHITE, W, D, wide, new double[] {101.5, 40.5, width, 0, 81}), WHITE, W, D);
        assertThat(seen.spots()).as(seen.message()).singleElement().satisfies(p -> {
            assertThat(p.kind()).isEqualTo(SpotKind.LINE);
            assertThat(p.xMm()).isCloseTo(101.5, within(0.4));
            assertThat(p.lengthMm()).isCloseTo(81, within(0.5));
            assertThat(p.deep()).isTrue();
            assertThat(p.sizeMm()).isCloseTo(width, within(0.06));
        });
        assertThat(seen.printableShare()).isCloseTo(1 - 4.05 / 144, within(0.01));
        assertThat(seen.spots().get(0).rounds())
                .as("kept off along all of it")
                .anySatisfy(r -> assertThat(r.yMm()).isLessThan(1))
                .anySatisfy(r -> assertThat(r.yMm()).isGreaterThan(80));
    }

    @Test
    void aRowThatStaysLitIsALineOnBlack() {
        TestPicture black = TestPicture.of(TestPattern.BLACK, 5760, 3240);
        ScreenInspection seen =
                ScreenInspection.of(photo(black, W, D, 1600, new double[] {72, 30, 144, 1, 0.1}), black, W, D);
        assertThat(seen.spots()).as(seen.message()).singleElement().satisfies(p -> {
            assertThat(p.kind()).isEqualTo(SpotKind.LINE);
            assertThat(p.deep()).isFalse();
            assertThat(p.yMm()).isCloseTo(30, within(0.4));
            assertThat(p.lengthMm()).isCloseTo(144, within(0.5));
        });
    }

    @Test
    void glareAHairAndACutCornerAreNotSeenAndNotGood() {
        ScreenInspection glare = ScreenInspection.of(
                over(photo(WHITE, W, D, 1600), (x, y) -> Math.hypot(x - 90, y - 40) < 15 ? 1.35 : 1), WHITE, W, D);
        assertThat(glare.spots()).isEmpty();
        assertThat(glare.notSeen()).isCloseTo(Math.PI * 225 / (W * D), within(0.006));
        assertThat(glare.printableShare()).isLessThanOrEqualTo(1 - glare.notSeen() + 1e-9);
        assertThat(glare.message()).contains("is not seen: glare");

        ScreenInspection hair = ScreenInspection.of(
                over(
                        photo(WHITE, W, D, 1600),
                        (x, y) -> x > 40 && x < 75 && Math.abs(y - 30 - 4 * Math.sin(x / 5)) < 0.25 ? 0.3 : 1),
                WHITE,
                W,
                D);
        assertThat(hair.spots()).as(hair.message()).isEmpty();
        assertThat(hair.notSeen()).isPositive();
        assertThat(hair.printableShare()).isLessThan(1);

        ScreenInspection corner =
                ScreenInspection.of(over(photo(WHITE, W, D, 1600), (x, y) -> x + y < 30 ? 0.1 : 1), WHITE, W, D);
        assertThat(corner.found()).as(corner.message()).isTrue();
        assertThat(corner.spots()).isEmpty();
        assertThat(corner.notSeen()).isCloseTo(450 / (W * D), within(0.01));
        assertThat(corner.hidden()).anySatisfy(h -> assertThat(h.covers(12, 12)).isTrue());
        assertThat(corner.hiddenOnPhoto()).hasSameSizeAs(corner.hidden());
    }

    /** A shadow and a worn region look alike: it counts as both. */
    @Test
    void aShadowIsNeverCountedAsGood() {
        ScreenInspection seen = ScreenInspection.of(
                over(
                        photo(WHITE, W, D, 1600),
                        (x, y) -> 1 - 0.5 / (1 + Math.exp((x - 60) / 4)) + 0.5 / (1 + Math.exp((x - 25) / 4))),
                WHITE,
                W,
                D);
        assertThat(seen.spots()).isNotEmpty().allSatisfy(p -> assertThat(p.kind())
                .isEqualTo(SpotKind.DIM));
        assertThat(seen.notSeen()).isBetween(0.15, 0.4);
        assertThat(seen.printableShare()).isLessThan(0.85);
    }

    @Test
    void aMirroredPhotographIsToldSo() {
        ScreenInspection seen = ScreenInspection.of(photo(WHITE, W, D, 1600).mirrored(), WHITE, W, D);
        assertThat(seen.found()).isFalse();
        assertThat(seen.message()).contains("mirrored");
    }

    /** Each picture named as each other one. */
    @ParameterizedTest
    @EnumSource(TestPattern.class)
    void anotherPictureThanTheOneThatIsNamedIsNoticed(TestPattern shown) {
        GreyPhoto photo = photo(TestPicture.of(shown, 2560, 1620), 120, 76, 1300);
        for (TestPattern named : TestPattern.values()) {
            ScreenInspection seen = ScreenInspection.of(photo, TestPicture.of(named, 2560, 1620), 120, 76);
            assertThat(seen.found())
                    .as("%s named %s: %s", shown, named, seen.message())
                    .isEqualTo(shown == named);
            if (shown == named && named.ordinal() > 1) {
                assertThat(seen.message()).contains(named.use());
            }
        }
    }

    @Test
    void aSoundScreenIsSeenWhole() {
        ScreenInspection seen = seen();
        assertThat(seen.spots()).isEmpty();
        assertThat(seen.notSeen()).isZero();
        assertThat(seen.printableShare()).isEqualTo(1);
    }
}
