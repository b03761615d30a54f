package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import keel.core.screen.ScreenVerdict.Known;
import keel.core.screen.ScreenVerdict.Size;
import keel.core.screen.ScreenVerdict.Verdict;
import org.junit.jupiter.api.Test;

/** Areas and places are checked against java.awt.geom; the rules are common practice, no source. */
class ScreenVerdictTest {

    private static final double W = 144;
    private static final double D = 81;

    private static Spot spot(double x, double y, double size) {
        return new Spot(SpotKind.DARK, x, y, size, 1);
    }

    private static ScreenVerdict judge(List<Spot> spots, Size usual, double byAge) {
        return ScreenVerdict.of(new Known(spots, List.of(), 0, W, D, usual, byAge, 0.25, true));
    }

    @Test
    void withoutSpotsItIsGoodAsItIs() {
        ScreenVerdict v = judge(List.of(), new Size(60, 40), 0.02);
        assertThat(v.verdict()).isEqualTo(Verdict.USABLE);
        assertThat(v.printableShare()).isEqualTo(1);
    }

    @Test
    void aFewSpotsAreSteeredRound() {
        List<Spot> spots = List.of(spot(40, 30, 2), spot(100, 60, 1));
        ScreenVerdict v = judge(spots, new Size(30, 30), 0.01);
        assertThat(v.verdict()).isEqualTo(Verdict.AROUND);
        double blocked = Math.PI * 9 + Math.PI * 2.5 * 2.5;
        assertThat(v.printableShare()).isCloseTo(1 - blocked / (W * D), within(0.0006));
    }

    /** Each place on a grid of a millimetre, by the areas of Java 2D. */
    @Test
    void placesThatAreClearAreCountedAsJava2dCountsThem() {
        Random random = new Random(4);
        for (int round = 0; round < 12; round++) {
            List<Spot> spots = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(6); i++) {
                spots.add(spot(W * random.nextDouble(), D * random.nextDouble(), 0.5 + 4 * random.nextDouble()));
            }
            Size size = new Size(15 + random.nextInt(70), 15 + random.nextInt(40));
            int free = 0;
            int all = 0;
            for (int y = 0; y <= D - size.deepMm(); y++) {
                for (int x = 0; x <= W - size.acrossMm(); x++) {
                    all++;
                    free += clear(spots, x, y, size) ? 1 : 0;
                }
            }
            assertThat(judge(spots, size, 0).freePlaces())
                    .as("round " + round)
                    .isCloseTo((double) free / all, within(0.003));
        }
    }

    private static boolean clear(List<Spot> spots, double x, double y, Size size) {
        Rectangle2D job = new Rectangle2D.Double(x, y, size.acrossMm(), size.deepMm());
        for (Spot s : spots) {
            double r = s.sizeMm() / 2 + 2;
            Area both = new Area(new Ellipse2D.Double(s.xMm() - r, s.yMm() - r, 2 * r, 2 * r));
            both.intersect(new Area(job));
            if (!both.isEmpty()) {
                return false;
            }
        }
        return true;
    }

    @Test
    void whereAUsualJobFindsNoPlaceOrLittleIsLeftOrItIsLikelyToFailItIsChanged() {
        assertThat(judge(List.of(spot(72, 40, 3)), new Size(130, 75), 0).verdict())
                .as("it finds no place")
                .isEqualTo(Verdict.CHANGE);
        ScreenVerdict patch = judge(List.of(spot(72, 40, 76)), null, 0);
        assertThat(patch.verdict()).isEqualTo(Verdict.CHANGE);
        assertThat(patch.reasons().get(0)).contains("can be printed on");
        assertThat(judge(List.of(), null, 0.3).verdict()).as("likely to fail").isEqualTo(Verdict.CHANGE);
        ScreenVerdict unseen = ScreenVerdict.of(new Known(List.of(), List.of(), 0, W, D, null, 0.3, 0.25, false));
        assertThat(unseen.verdict()).as("hours alone").isEqualTo(Verdict.USABLE);
        assertThat(unseen.reasons()).anyMatch(r -> r.contains("photograph it"));
        assertThat(judge(List.of(spot(10, 10, 1)), null, 0.24).verdict()).isEqualTo(Verdict.AROUND);
    }

    @Test
    void manyNewOnesSayThatItIsGoing() {
        ScreenVerdict v = ScreenVerdict.of(new Known(
                List.of(spot(20, 20, 1), spot(60, 20, 1), spot(90, 50, 1)), List.of(), 3, W, D, null, 0, 0.25, true));
        assertThat(v.verdict()).isEqualTo(Verdict.AROUND);
        assertThat(v.reasons()).anyMatch(r -> r.contains("it is going"));
    }

    @Test
    void aJobThatFitsTurnedOnlyIsTurned() {
        assertThat(judge(List.of(spot(5, 5, 1)), new Size(70, 100), 0).freePlaces())
                .isGreaterThan(0.8);
    }
}
