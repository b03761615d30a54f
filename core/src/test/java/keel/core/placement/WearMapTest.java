package keel.core.placement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.hipparchus.stat.descriptive.moment.Mean;
import org.hipparchus.stat.descriptive.moment.StandardDeviation;
import org.junit.jupiter.api.Test;

/**
 * Areas against java.awt.geom, spreads against Hipparchus; cells of five millimetres are common practice, no source.
 */
class WearMapTest {

    private static final PlateCells SMALL = new PlateCells(144, 81);

    @Test
    void cellsDivideThePlateEvenlyFromTheFrontLeft() {
        assertThat(SMALL.across()).isEqualTo(29);
        assertThat(SMALL.deep()).isEqualTo(16);
        assertThat(SMALL.cellLengthMm() * SMALL.across()).isCloseTo(144, within(1e-9));
        assertThat(SMALL.xMm(0)).isCloseTo(SMALL.cellLengthMm() / 2, within(1e-9));
        assertThat(SMALL.yMm(SMALL.count() - 1)).isCloseTo(81 - SMALL.cellWidthMm() / 2, within(1e-9));
        assertThat(new PlateCells(2, 2).count()).isEqualTo(1);
        assertThatIllegalArgumentException().isThrownBy(() -> new PlateCells(0, 80));
        assertThatIllegalArgumentException().isThrownBy(() -> new PlateCells(Double.NaN, 80));
    }

    @Test
    void whatLiesOnThePlateIsSharedOutToTheLastSquareMillimetre() {
        Random random = new Random(8);
        double cell = SMALL.cellLengthMm() * SMALL.cellWidthMm();
        for (int i = 0; i < 200; i++) {
            PlacedPart part = new PlacedPart(
                    50 + 40 * random.nextDouble(),
                    30 + 20 * random.nextDouble(),
                    1 + 40 * random.nextDouble(),
                    1 + 20 * random.nextDouble(),
                    random.nextInt(180));
            if (part.within(144, 81)) {
                double area = Arrays.stream(new Footprint.Parts(List.of(part))
                                        .over(SMALL)
                                        .light())
                                .sum()
                        * cell;
                assertThat(area).as(part.toString()).isCloseTo(part.lengthMm() * part.widthMm(), within(1e-6));
            }
        }
    }

    @Test
    void aTurnedRectangleCoversOfACellWhatAReferenceLibrarySays() {
        Random random = new Random(5);
        for (int i = 0; i < 300; i++) {
            PlacedPart part = new PlacedPart(
                    10 * random.nextDouble(),
                    10 * random.nextDouble(),
                    1 + 12 * random.nextDouble(),
                    1 + 6 * random.nextDouble(),
                    random.nextInt(180));
            assertThat(Overlap.area(part, 3, 4, 5, 5))
                    .as(part.toString())
                    .isCloseTo(reference(part, new Rectangle2D.Double(3, 4, 5, 5)), within(1e-6));
        }
    }

    @Test
    void whetherTwoTouchIsWhatTheirCommonAreaSays() {
        Random random = new Random(6);
        for (int i = 0; i < 400; i++) {
            PlacedPart a = new PlacedPart(
                    20 * random.nextDouble(),
                    20 * random.nextDouble(),
                    1 + 12 * random.nextDouble(),
                    1 + 6 * random.nextDouble(),
                    random.nextInt(180));
            PlacedPart b = new PlacedPart(
                    20 * random.nextDouble(),
                    20 * random.nextDouble(),
                    1 + 12 * random.nextDouble(),
                    1 + 6 * random.nextDouble(),
                    random.nextInt(180));
            Area common = area(a);
            common.intersect(area(b));
            assertThat(Overlap.nearer(a, b, 0)).as(a + " " + b).isEqualTo(!common.isEmpty());
        }
    }

    @Test
    void uvTimeAndPeelsGoWhereTheFootprintLay() {
        WearMap map = WearMap.empty(new PlateCells(100, 50));
        map.add(new Footprint.Parts(List.of(PlacedPart.atCorner(0, 0, 50, 50))), 2, 1000);
        map.add(
                new Footprint.Parts(List.of(PlacedPart.atCorner(45, 0, 10, 50), PlacedPart.atCorner(47, 3, 4, 4))),
                1,
                500);
        assertThat(map.uvHours()[0]).isEqualTo(2);
        assertThat(map.uvHours()[9])
                .as("both; what lies over another counts once")
                .isEqualTo(3);
        assertThat(map.peels()[9]).isEqualTo(1500);
        assertThat(map.uvHours()[10]).isEqualTo(1);
        assertThat(map.uvHours()[11]).isZero();
        assertThat(map.spread().worst()).isIn(9, 29, 49, 69, 89, 109, 129, 149, 169, 189);
        assertThat(map.spread().most()).isEqualTo(3);
    }

    @Test
    void unevennessIsTheCoefficientOfVariation() {
        Random random = new Random(2);
        PlateCells cells = new PlateCells(60, 40);
        double[] uv = random.doubles(cells.count(), 0, 30).toArray();
        WearMap.Spread spread = WearMap.of(cells, uv, uv).spread();
        double mean = new Mean().evaluate(uv);
        assertThat(spread.mean()).isCloseTo(mean, within(1e-9));
        assertThat(spread.unevenness()).isCloseTo(new StandardDeviation(false).evaluate(uv) / mean, within(1e-9));
        assertThat(spread.most()).isEqualTo(Arrays.stream(uv).max().orElseThrow());
        assertThat(WearMap.empty(cells).spread().unevenness()).isZero();
        assertThat(WearMap.of(cells, uv, new double[cells.count()])
                        .spreadOfPeels()
                        .most())
                .isZero();
    }

    @Test
    void theOrderOfRunsDoesNotMatter() {
        Random random = new Random(3);
        List<PlacedPart> parts = random.doubles(30, 20, 60)
                .mapToObj(x -> new PlacedPart(x, 40, 10 + x / 4, 8, (int) x))
                .toList();
        WearMap forth = WearMap.empty(SMALL);
        WearMap back = WearMap.empty(SMALL);
        for (int i = 0; i < parts.size(); i++) {
            forth.add(new Footprint.Parts(List.of(parts.get(i))), i, 10 * i);
            int k = parts.size() - 1 - i;
            back.add(new Footprint.Parts(List.of(parts.get(k))), k, 10 * k);
        }
        assertThat(forth.uvHours()).usingComparatorWithPrecision(1e-9).containsExactly(back.uvHours());
    }

    @Test
    void sharedWearWeighsEachByItsPrice() {
        PlateCells cells = new PlateCells(10, 5);
        WearMap film = WearMap.of(cells, new double[] {100, 0}, new double[] {0, 90_000});
        WearMap screen = WearMap.of(cells, new double[] {300, 600}, new double[] {0, 0});
        double[] byUv = SharedWear.of(
                List.of(new SharedWear.Layer(film, false, 200, 20), new SharedWear.Layer(screen, false, 1200, 80)));
        assertThat(byUv[0]).isCloseTo(0.2 * 100 / 200 + 0.8 * 300 / 1200, within(1e-12));
        assertThat(byUv[1]).isCloseTo(0.8 * 600 / 1200, within(1e-12));
        assertThat(SharedWear.of(List.of(new SharedWear.Layer(film, true, 180_000, 20))))
                .containsExactly(0, 0.5);
    }

    @Test
    void whatIsNoFootprintIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new PlacedPart(10, 10, 0, 5, 0));
        assertThatIllegalArgumentException().isThrownBy(() -> new PlacedPart(10, Double.NaN, 5, 5, 0));
        assertThatIllegalArgumentException().isThrownBy(() -> new Footprint.Parts(List.of()));
        assertThatIllegalArgumentException().isThrownBy(() -> new Footprint.Masks(2, 2, new double[4], new double[3]));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Footprint.Masks(1, 1, new double[] {1.2}, new double[1]));
        assertThatIllegalArgumentException().isThrownBy(() -> WearMap.of(SMALL, new double[3], new double[3]));
        assertThat(new PlacedPart(72, 40, 140, 70, 45).within(144, 81)).isFalse();
        assertThat(new PlacedPart(72, 40, 20, 10, -90).rotationDeg()).isEqualTo(90);
    }

    private static double reference(PlacedPart part, Rectangle2D cell) {
        Area common = area(part);
        common.intersect(new Area(cell));
        double twice = 0;
        double[] at = new double[6];
        double[] start = new double[2];
        double[] last = new double[2];
        for (PathIterator path = common.getPathIterator(null); !path.isDone(); path.next()) {
            int kind = path.currentSegment(at);
            double x = kind == PathIterator.SEG_CLOSE ? start[0] : at[0];
            double y = kind == PathIterator.SEG_CLOSE ? start[1] : at[1];
            if (kind == PathIterator.SEG_MOVETO) {
                start = new double[] {x, y};
            } else {
                twice += last[0] * y - x * last[1];
            }
            last = new double[] {x, y};
        }
        return Math.abs(twice) / 2;
    }

    private static Area area(PlacedPart part) {
        double[] c = part.corners();
        Path2D path = new Path2D.Double();
        path.moveTo(c[0], c[1]);
        for (int i = 2; i < c.length; i += 2) {
            path.lineTo(c[i], c[i + 1]);
        }
        path.closePath();
        return new Area(path);
    }
}
