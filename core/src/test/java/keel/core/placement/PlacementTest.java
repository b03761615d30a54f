package keel.core.placement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.placement.Placement.Question;
import keel.core.placement.Placement.Spot;
import org.junit.jupiter.api.Test;

/** Placement against sums worked out one by one; the margin is common practice, no source. */
class PlacementTest {

    private static final double[][] EVEN = {{1}};

    @Test
    void onAnEvenPlateTheMiddleIsBest() {
        Placement p = Placement.best(
                new Question(144, 80, 40, 20, 2, List.of(), WearGrid.of(144, 80, EVEN), false, List.of()));
        assertThat(p.xMm()).isEqualTo(72);
        assertThat(p.yMm()).isEqualTo(40);
        assertThat(p.rotationDeg()).isZero();
        assertThat(p.wear()).isCloseTo(1, within(1e-9));
    }

    @Test
    void theLeastWornPlaceIsThatOfASearchOneByOne() {
        Random random = new Random(4);
        double[][] rows = new double[9][13];
        for (double[] row : rows) {
            for (int c = 0; c < row.length; c++) {
                row[c] = random.nextDouble();
            }
        }
        Placement p = Placement.best(
                new Question(130, 90, 33, 21, 2, List.of(), WearGrid.of(130, 90, rows), false, List.of()));
        double least = Double.MAX_VALUE;
        for (int turn = 0; turn < 2; turn++) {
            int w = turn == 0 ? 33 : 21;
            int d = turn == 0 ? 21 : 33;
            for (int y = 0; y <= 90 - d; y++) {
                for (int x = 0; x <= 130 - w; x++) {
                    double sum = 0;
                    for (int i = x; i < x + w; i++) {
                        for (int k = y; k < y + d; k++) {
                            sum += rows[k / 10][i / 10];
                        }
                    }
                    least = Math.min(least, sum / (w * d));
                }
            }
        }
        assertThat(p.wear()).isCloseTo(least, within(1e-9));
        assertThat(p.wear()).isLessThan(p.wearAtCentre());
    }

    @Test
    void spotsAreKeptOffByTheMargin() {
        List<Spot> spots = List.of(new Spot(72, 40, 4), new Spot(40, 40, 1));
        Placement p =
                Placement.best(new Question(144, 80, 30, 20, 2, spots, WearGrid.of(144, 80, EVEN), false, List.of()));
        for (Spot s : spots) {
            double w = p.rotationDeg() == 0 ? 30 : 20;
            double d = p.rotationDeg() == 0 ? 20 : 30;
            double dx = Math.max(0, Math.abs(s.xMm() - p.xMm()) - w / 2);
            double dy = Math.max(0, Math.abs(s.yMm() - p.yMm()) - d / 2);
            assertThat(Math.hypot(dx, dy)).isGreaterThanOrEqualTo(s.sizeMm() / 2 + 2);
        }
    }

    @Test
    void aLongPieceIsTurnedWhereItFitsOnlySo() {
        Placement p = Placement.best(
                new Question(100, 150, 140, 30, 2, List.of(), WearGrid.of(100, 150, EVEN), false, List.of()));
        assertThat(p.rotationDeg()).isEqualTo(90);
        assertThat(Placement.best(
                        new Question(100, 150, 160, 30, 2, List.of(), WearGrid.of(100, 150, EVEN), false, List.of())))
                .isNull();
    }

    @Test
    void aPieceThatFillsThePlateFitsAndAPlateFullOfSpotsHasNoPlace() {
        assertThat(Placement.best(new Question(
                                100, 60, 100, 60, 2, List.of(), WearGrid.of(100, 60, EVEN), false, List.of()))
                        .xMm())
                .isEqualTo(50);
        assertThat(Placement.best(new Question(
                        100.5, 60, 100.2, 60, 2, List.of(), WearGrid.of(100.5, 60, EVEN), false, List.of())))
                .isNotNull();
        List<Spot> everywhere = new ArrayList<>();
        for (int x = 0; x < 100; x += 8) {
            for (int y = 0; y < 60; y += 8) {
                everywhere.add(new Spot(x, y, 2));
            }
        }
        assertThat(Placement.best(
                        new Question(100, 60, 20, 20, 2, everywhere, WearGrid.of(100, 60, EVEN), false, List.of())))
                .isNull();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Placement.best(
                        new Question(100, 60, 0, 20, 2, List.of(), WearGrid.of(100, 60, EVEN), false, List.of())));
    }

    @Test
    void wearThatCannotBeIsRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> WearGrid.of(100, 60, new double[][] {{1, 2}, {1}}))
                .withMessageContaining("Row 2");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> WearGrid.of(100, 60, new double[][] {{-1}}))
                .withMessageContaining("0 or more");
        assertThatIllegalArgumentException().isThrownBy(() -> WearGrid.of(100, 60, new double[][] {{Double.NaN}}));
        assertThatIllegalArgumentException().isThrownBy(() -> WearGrid.of(100, 60, new double[0][]));
    }

    /**
     * A turned square of 40 mm reaches 56.57 mm across; under it, on a plate worn on its left half only, the share of
     * its area that lies there.
     */
    @Test
    void turnedBy45DegreesItLiesWhereTheWearIsLeast() {
        Placement p = Placement.best(new Question(
                144, 80, 40, 40, 2, List.of(), WearGrid.of(144, 80, new double[][] {{1, 0}}), true, List.of()));
        assertThat(p.rotationDeg()).isEqualTo(45);
        assertThat(p.wear()).isCloseTo(0, within(1e-9));
        assertThat(p.wearAtCentre()).isCloseTo(0.5, within(0.01));
        assertThat(p.xMm()).isBetween(72 + 28.2, 144 - 28.2);
        Placement straight =
                Placement.best(new Question(60, 50, 50, 45, 2, List.of(), WearGrid.of(60, 50, EVEN), true, List.of()));
        assertThat(straight.rotationDeg()).as("too large to be turned").isZero();
    }

    @Test
    void theOtherDiagonalIsTakenWhereItIsLessWorn() {
        double[][] rows = new double[80][80];
        for (int y = 0; y < 80; y++) {
            for (int x = 0; x < 80; x++) {
                rows[y][x] = Math.abs(x - y) < 12 ? 1 : 0;
            }
        }
        Placement p =
                Placement.best(new Question(80, 80, 80, 12, 0, List.of(), WearGrid.of(80, 80, rows), true, List.of()));
        assertThat(p.rotationDeg()).isEqualTo(135);
    }

    @Test
    void severalKeepOffOneAnotherAndTheLargestGoesFirst() {
        double[][] worn = {{3, 0}, {3, 3}};
        Question q = new Question(
                144, 80, 1, 1, 3, List.of(new Spot(140, 5, 2)), WearGrid.of(144, 80, worn), false, List.of());
        List<Placement.Size> sizes = List.of(
                new Placement.Size(20, 15),
                new Placement.Size(60, 30),
                new Placement.Size(25, 25),
                new Placement.Size(400, 10));
        List<Placement> places = Placement.several(q, sizes);
        assertThat(places).hasSize(4);
        assertThat(places.get(3)).as("longer than the plate").isNull();
        assertThat(places.get(1).wear())
                .as("the largest has the corner that is not worn")
                .isCloseTo(0, within(1e-9));
        List<PlacedPart> parts = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            parts.add(places.get(i).part(sizes.get(i).lengthMm(), sizes.get(i).widthMm()));
        }
        for (int i = 0; i < 3; i++) {
            assertThat(parts.get(i).within(144, 80)).isTrue();
            for (int k = 0; k < i; k++) {
                assertThat(Overlap.nearer(parts.get(i), parts.get(k), 3))
                        .as(i + " and " + k)
                        .isFalse();
            }
        }
    }

    @Test
    void whereOthersLieAPlaceThatIsTurnedKeepsOffThemToo() {
        PlacedPart other = PlacedPart.atCorner(0, 0, 70, 80);
        Placement p = Placement.best(
                new Question(144, 80, 40, 12, 2, List.of(), WearGrid.of(144, 80, EVEN), true, List.of(other)));
        assertThat(p.rotationDeg()).isIn(45, 135);
        assertThat(p.xMm() - p.part(40, 12).halfAcross()).isGreaterThanOrEqualTo(72 - 1e-9);
    }
}
