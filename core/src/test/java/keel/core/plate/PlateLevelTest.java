package keel.core.plate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.plate.PlateLevel.Corner;
import keel.core.plate.PlateLevel.Place;
import keel.core.plate.PlateLevel.Reading;
import keel.core.plate.PlateLevel.Verdict;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.ejml.simple.SimpleMatrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlateLevelTest {

    private static final double[] XS = {5, 72, 139};
    private static final double[] YS = {5, 40.5, 76};

    private static List<Reading> grid(double a, double b, double c) {
        List<Reading> readings = new ArrayList<>();
        for (double x : XS) {
            for (double y : YS) {
                readings.add(new Reading(x, y, c + a * x + b * y));
            }
        }
        return readings;
    }

    private static PlateLevel small(List<Reading> readings) {
        return PlateLevel.of(readings, 144, 81, 0.05, PlateLevel.USUAL_GAUGE_SD_MM);
    }

    @Test
    void anExactPlaneIsFoundExactly() {
        PlateLevel level = small(grid(0.0008, -0.0011, 0.3));
        assertThat(level.tiltXMmPer100()).isCloseTo(0.08, within(1e-9));
        assertThat(level.tiltYMmPer100()).isCloseTo(-0.11, within(1e-9));
        assertThat(level.flatnessMm()).isCloseTo(0, within(1e-9));
        assertThat(level.lowCorner()).isEqualTo(Corner.BACK_LEFT);
        assertThat(level.lowByMm()).isCloseTo(0.0008 * 144 + 0.0011 * 81, within(1e-9));
        assertThat(level.verdict()).isEqualTo(Verdict.ADJUST);
    }

    /** Against the least squares of EJML 0.44, an independent linear algebra library. */
    @Property(tries = 200)
    void agreesWithAReferenceLibrary(@ForAll @IntRange(min = 4, max = 25) int n, @ForAll Random random) {
        List<Reading> readings = new ArrayList<>();
        SimpleMatrix rows = new SimpleMatrix(n, 3);
        SimpleMatrix z = new SimpleMatrix(n, 1);
        for (int i = 0; i < n; i++) {
            Reading r = new Reading(144 * random.nextDouble(), 81 * random.nextDouble(), random.nextGaussian() * 0.1);
            readings.add(r);
            rows.setRow(i, 0, 1, r.xMm(), r.yMm());
            z.set(i, 0, r.zMm());
        }
        SimpleMatrix plane = rows.solve(z);
        PlateLevel level = small(readings);
        assertThat(level.tiltXMmPer100()).isCloseTo(100 * plane.get(1), within(1e-7));
        assertThat(level.tiltYMmPer100()).isCloseTo(100 * plane.get(2), within(1e-7));
        SimpleMatrix left = z.minus(rows.mult(plane));
        assertThat(level.flatnessMm()).isCloseTo(left.elementMax() - left.elementMin(), within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "0.0008, 0.0008, FRONT_LEFT",
        "-0.0008, 0.0008, FRONT_RIGHT",
        "0.0008, -0.0008, BACK_LEFT",
        "-0.0008, -0.0008, BACK_RIGHT",
        "0.00002, 0, NONE"
    })
    void theLowCornerIsWhereTheSlopeGoesDown(double a, double b, Corner corner) {
        assertThat(small(grid(a, b, 0)).lowCorner()).isEqualTo(corner);
    }

    /** Tilt over the longer side against the bottom layer, 0.05 mm over 144 mm; common practice. */
    @ParameterizedTest
    @CsvSource({"0.00034, GOOD", "0.00036, ADJUST"})
    void theVerdictTurnsWhereTheTiltExceedsABottomLayer(double a, Verdict verdict) {
        assertThat(small(grid(a, 0, 0)).verdict()).isEqualTo(verdict);
    }

    @Test
    void aHollowPlateIsSandedEvenIfItIsAlsoTilted() {
        List<Reading> hollow = grid(0.002, 0, 0);
        hollow.set(4, new Reading(72, 40.5, 0.002 * 72 - 0.3));
        assertThat(small(hollow).verdict()).isEqualTo(Verdict.SAND);
    }

    /** A flat plate measured with a shaky gauge must not be sanded. */
    @Test
    void noiseOfTheGaugeAloneIsNoReasonToSand() {
        Random random = new Random(5);
        int sanded = 0;
        for (int trial = 0; trial < 500; trial++) {
            List<Reading> shaky = grid(0, 0, 0).stream()
                    .map(r -> new Reading(r.xMm(), r.yMm(), random.nextGaussian() * 0.05))
                    .toList();
            sanded += PlateLevel.of(shaky, 144, 81, 0.05, 0.05).verdict() == Verdict.SAND ? 1 : 0;
        }
        assertThat(sanded).isLessThan(10);
    }

    /** A level plate measured with a shaky gauge whose shake is told: levelling it again would only shake it. */
    @ParameterizedTest
    @CsvSource({"0.01, 9", "0.03, 9", "0.03, 4", "0.05, 9", "0.05, 4", "0.05, 25"})
    void noiseOfTheGaugeAloneIsNoReasonToLevel(double sd, int places) {
        Random random = new Random(11);
        int adjusted = 0;
        for (int trial = 0; trial < 400; trial++) {
            List<Reading> shaky = places(places).stream()
                    .map(r -> new Reading(r.xMm(), r.yMm(), random.nextGaussian() * sd))
                    .toList();
            adjusted += PlateLevel.of(shaky, 144, 81, 0.05, sd).verdict() == Verdict.ADJUST ? 1 : 0;
        }
        assertThat(adjusted).isLessThanOrEqualTo(20);
    }

    /** Two layers over the longer side are found with such a gauge all the same. */
    @Test
    void aTiltThatNoiseDoesNotExplainIsFound() {
        Random random = new Random(12);
        int adjusted = 0;
        for (int trial = 0; trial < 200; trial++) {
            List<Reading> tilted = grid(0.2 / 144, 0, 0).stream()
                    .map(r -> new Reading(r.xMm(), r.yMm(), r.zMm() + random.nextGaussian() * 0.03))
                    .toList();
            adjusted += PlateLevel.of(tilted, 144, 81, 0.05, 0.03).verdict() == Verdict.ADJUST ? 1 : 0;
        }
        assertThat(adjusted).isGreaterThan(180);
    }

    private static List<Reading> places(int count) {
        int side = (int) Math.sqrt(count);
        List<Reading> places = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            places.add(new Reading(5 + 134.0 * (i % side) / (side - 1), 5 + 71.0 * (i / side) / (side - 1), 0));
        }
        return places;
    }

    @Test
    void whatThePlacesCannotShowIsSaid() {
        List<Reading> corners = List.of(
                new Reading(5, 5, 0), new Reading(139, 5, 0.01), new Reading(5, 76, 0), new Reading(139, 76, 0.01));
        assertThat(small(corners).cannotSee())
                .containsExactly(PlateLevel.Shape.DISH, PlateLevel.Shape.BEND_ACROSS, PlateLevel.Shape.BEND_DEEP);
        assertThat(small(corners.subList(0, 3)).cannotSee()).hasSize(4);
        assertThat(small(grid(0.0001, 0, 0)).cannotSee()).isEmpty();
        assertThat(PlateLevel.of(corners, 144, 81, 0.05, 0.05).leftOpen(0.05))
                .hasSize(2)
                .first()
                .asString()
                .contains("noise");
    }

    /** d₂: 2 → 1.128, 5 → 2.326, 9 → 2.970, 25 → 3.931; control chart factors of ISO 7870-2, from memory. */
    @ParameterizedTest
    @CsvSource({"1, 0", "2, 1.128", "3, 1.693", "5, 2.326", "9, 2.970", "10, 3.078", "25, 3.931"})
    void theExpectedRangeIsThePublishedFactor(int n, double d2) {
        assertThat(GaugeNoise.expectedRange(n)).isCloseTo(d2, within(0.0006));
    }

    /** M4 has a pitch of 0.7 mm (ISO 261): 0.14 mm over 100 mm is a fifth of a turn. */
    @Test
    void turnsAreHeightOverPitchAgainstTheHighestScrew() {
        PlateLevel level = small(grid(0.0014, 0, 0));
        List<Double> turns = level.turns(
                List.of(new Place(0, 0), new Place(100, 0), new Place(0, 80), new Place(100, 80)),
                ScrewThread.called("M4"));
        assertThat(turns.get(1)).isCloseTo(0, within(1e-9));
        assertThat(turns.get(0)).isCloseTo(-0.2, within(1e-9));
        assertThat(turns.get(2)).isCloseTo(-0.2, within(1e-9));
    }

    /** ISO 261, coarse series: M3 0.5, M4 0.7, M5 0.8 mm. */
    @ParameterizedTest
    @CsvSource({"M3, 0.5", "m4, 0.7", "M5, 0.8"})
    void pitchesAreThoseOfTheCoarseSeries(String name, double pitch) {
        assertThat(ScrewThread.called(name).pitchMm()).isEqualTo(pitch);
    }

    @Test
    void whatCannotBeIsSaidInASentence() {
        Reading a = new Reading(0, 0, 0);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> small(List.of(a, new Reading(10, 0, 0))))
                .withMessageContaining("at least three");
        assertThatIllegalArgumentException()
                .isThrownBy(() ->
                        small(List.of(a, new Reading(10, 10, 0.1), new Reading(20, 20, 0.2), new Reading(30, 30, 0.1))))
                .withMessageContaining("one line");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> small(List.of(a, new Reading(10, 0, 0.1), new Reading(0, 10, 40))))
                .withMessageContaining("40.0 mm is not believable");
        assertThatIllegalArgumentException()
                .isThrownBy(
                        () -> small(List.of(a, new Reading(10, 0, 0), new Reading(0, 10, 0), new Reading(10, 10, 0))))
                .withMessageContaining("stuck");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> small(List.of(a, new Reading(10, 0, Double.NaN), new Reading(0, 10, 0))))
                .withMessageContaining("believable");
        assertThatIllegalArgumentException().isThrownBy(() -> PlateLevel.of(grid(0, 0.001, 0), 144, 0, 0.05, 0.01));
        assertThatIllegalArgumentException().isThrownBy(() -> ScrewThread.called("M400"));
    }
}
