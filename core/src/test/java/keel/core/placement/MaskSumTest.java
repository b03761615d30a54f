package keel.core.placement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class MaskSumTest {

    private static final PlateCells CELLS = new PlateCells(20, 10);

    /** A picture of 80 × 40 px over 20 × 10 mm: four pixels a millimetre, its top the back of the plate. */
    private static MaskSum.Picture lit(int left, int top, int width, int height, int grey) {
        return (x, y) -> x >= left && x < left + width && y >= top && y < top + height ? grey : 0;
    }

    @Test
    void thePicturesBottomLeftIsTheFrontLeft() {
        MaskSum sum = new MaskSum(CELLS);
        sum.layer(80, 40, lit(0, 20, 20, 20, 255), false);
        assertThat(sum.footprint().light()).containsExactly(1, 0, 0, 0, 0, 0, 0, 0);
        MaskSum mirrored = new MaskSum(CELLS);
        mirrored.layer(80, 40, lit(0, 20, 20, 20, 255), true);
        assertThat(mirrored.footprint().light()).containsExactly(0, 0, 0, 1, 0, 0, 0, 0);
    }

    @Test
    void lightIsTheMeanOverLayersAndPeelsAreLayersInWhichAnythingWasLit() {
        MaskSum sum = new MaskSum(CELLS);
        sum.layer(80, 40, lit(0, 20, 10, 20, 200), false);
        sum.layer(80, 40, lit(0, 20, 20, 20, 255), false);
        sum.layer(80, 40, lit(60, 0, 20, 20, 255), false);
        sum.layer(80, 40, lit(0, 0, 80, 40, 90), false);
        Footprint.Masks masks = sum.footprint();
        assertThat(masks.light()[0]).as("half in one, all of another, of four").isCloseTo(1.5 / 4, within(1e-12));
        assertThat(masks.peel()[0]).isCloseTo(2 / 4.0, within(1e-12));
        assertThat(masks.light()[7]).isCloseTo(0.25, within(1e-12));
        assertThat(masks.light()[1]).as("darker than half grey is not lit").isZero();
    }

    @Test
    void aSummedPictureIsReadAsShares() {
        MaskSum sum = new MaskSum(CELLS);
        sum.sum(80, 40, lit(20, 0, 20, 20, 51), false);
        assertThat(sum.footprint().light()[5]).isCloseTo(0.2, within(1e-12));
        assertThat(sum.footprint().peel()[5]).isCloseTo(0.2, within(1e-12));
    }

    @Test
    void masksStretchOverAPlateOfOtherCells() {
        MaskSum sum = new MaskSum(CELLS);
        sum.layer(80, 40, lit(0, 20, 20, 20, 255), false);
        double[] fine = sum.footprint().over(new PlateCells(40, 20)).light();
        assertThat(Arrays.stream(fine).sum())
                .as("a quarter of the width and half of the depth of 8 × 4 cells")
                .isCloseTo(4, within(1e-9));
        WearMap map = WearMap.empty(CELLS);
        map.add(sum.footprint(), 3, 100);
        assertThat(map.uvHours()[0]).isEqualTo(3);
    }

    @Test
    void rectanglesAndTheirPictureAgree() {
        MaskSum sum = new MaskSum(CELLS);
        sum.layer(80, 40, lit(10, 10, 30, 20, 255), false);
        double[] drawn = new Footprint.Parts(List.of(PlacedPart.atCorner(2.5, 2.5, 7.5, 5)))
                .over(CELLS)
                .light();
        assertThat(sum.footprint().light()).usingComparatorWithPrecision(1e-9).containsExactly(drawn);
    }

    @Test
    void nothingLitOrNoPictureIsSaidSo() {
        MaskSum none = new MaskSum(CELLS);
        assertThatIllegalArgumentException().isThrownBy(none::footprint).withMessageContaining("no picture");
        none.layer(80, 40, (x, y) -> 0, false);
        assertThatIllegalArgumentException().isThrownBy(none::footprint).withMessageContaining("Nothing is lit");
    }
}
