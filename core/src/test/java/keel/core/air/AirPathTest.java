package keel.core.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import keel.core.Findings;
import keel.core.air.AirPath.Hose;
import keel.core.air.AirPlan.Fitting;
import keel.core.air.AirPlan.Point;
import org.junit.jupiter.api.Test;

/** The path held against the plan of the open interface, part by part; K values are handbook ones, from memory. */
class AirPathTest {

    private static final Fan BATHROOM = Fan.called("bathroom-100").orElseThrow();

    private static AirPath path(
            Double gap,
            int outlets,
            int hoses,
            double diameter,
            double compression,
            Double reducer,
            int bends,
            Double mesh,
            boolean flaps,
            boolean atWindow,
            Fan fan) {
        return new AirPath(
                gap,
                outlets,
                75,
                Hose.FLEX,
                hoses,
                diameter,
                3,
                compression,
                reducer,
                bends,
                mesh,
                flaps,
                atWindow,
                fan);
    }

    @Test
    void itMovesWhatThePlanOfTheSamePartsMoves() {
        AirPath.Moved moved =
                path(null, 1, 1, 100, 20, 75.0, 2, null, true, false, BATHROOM).moved();
        AirPlan plan = AirPlan.of(new AirPlan.Question(
                new AirPlan.Room(30.0, 1.0),
                BATHROOM.points(),
                List.of(new Duct(100, 3, 1.5, 20)),
                List.of(
                        new Fitting(0.5, 100.0),
                        new Fitting(0.7, 100.0),
                        new Fitting(0.5 * (1 - 0.75 * 0.75), 75.0),
                        new Fitting(1.2, 75.0),
                        new Fitting(1.0, 75.0))));
        assertThat(moved.flowM3H()).isCloseTo(plan.flowM3H(), within(1e-6));
        assertThat(moved.stations().stream()
                        .mapToDouble(AirPath.Station::lossPa)
                        .sum())
                .as("what the fan gives is what the parts take")
                .isCloseTo(0, within(1e-6));
        assertThat(moved.stations().get(moved.stations().size() - 1).gaugePa())
                .as("outdoors as in the room")
                .isCloseTo(0, within(1e-6));
    }

    @Test
    void theHoseIsUnderPressureOrUnderSuctionByWhereTheFanSits() {
        assertThat(path(null, 1, 1, 100, 0, null, 0, null, false, false, BATHROOM)
                        .moved()
                        .stations())
                .filteredOn(s -> s.name().startsWith("Hose"))
                .allMatch(s -> s.gaugePa() > 0);
        assertThat(path(null, 1, 1, 100, 0, null, 0, null, false, true, BATHROOM)
                        .moved()
                        .stations())
                .filteredOn(s -> s.name().startsWith("Hose"))
                .allMatch(s -> s.gaugePa() < 0);
        assertThat(path(null, 1, 1, 100, 0, null, 0, null, false, true, BATHROOM)
                        .moved()
                        .flowM3H())
                .isCloseTo(
                        path(null, 1, 1, 100, 0, null, 0, null, false, false, BATHROOM)
                                .moved()
                                .flowM3H(),
                        within(1e-9));
    }

    /** 60 m³/h through 200 cm²: 60/3600/0.02 = 0.833 m/s. */
    @Test
    void faceVelocityIsFlowOverOpenArea() {
        AirPath.Moved moved =
                path(200.0, 2, 1, 100, 10, null, 1, 0.7, true, false, BATHROOM).moved();
        assertThat(moved.faceMs()).isCloseTo(moved.flowM3H() / 60 * 0.8333, within(1e-3));
        assertThat(moved.stations())
                .extracting(AirPath.Station::name)
                .startsWith("Gaps of the cover", "Collector, 2 outlets");
    }

    @Test
    void whatWouldHelpIsRankedAndTrue() {
        AirPath narrow = path(null, 1, 1, 100, 30, 75.0, 2, 0.3, true, false, BATHROOM);
        AirPath.Moved moved = narrow.moved();
        assertThat(moved.changes()).extracting(AirPath.Change::gainM3H).isSortedAccordingTo(Comparator.reverseOrder());
        assertThat(moved.changes())
                .extracting(AirPath.Change::what)
                .contains("without the reducer", "a clean mesh", "the hose pulled straight");
        AirPath.Change without = moved.changes().stream()
                .filter(c -> c.what().equals("without the reducer"))
                .findFirst()
                .orElseThrow();
        assertThat(path(null, 1, 1, 100, 30, null, 2, 0.3, true, false, BATHROOM)
                        .moved()
                        .flowM3H())
                .isCloseTo(without.flowM3H(), within(1e-9));
        assertThat(path(null, 1, 2, 100, 0, null, 0, null, false, false, BATHROOM)
                        .moved()
                        .flowM3H())
                .as("two hoses carry more")
                .isGreaterThan(path(null, 1, 1, 100, 0, null, 0, null, false, false, BATHROOM)
                        .moved()
                        .flowM3H());
    }

    @Test
    void aFanOfItsOwnPointsThatCannotIsSaid() {
        Fan weak = new Fan("own", "Own", 20, List.of(new Point(5.0, 0.5), new Point(10.0, 0.0)));
        assertThatIllegalArgumentException()
                .isThrownBy(() ->
                        new AirPath(null, 1, 75, Hose.FLEX, 1, 25, 20, 40, null, 6, 0.2, true, false, weak).moved())
                .withMessageContaining("cannot reach");
        Findings findings = new Findings();
        new AirPath(
                        -1.0,
                        0,
                        75,
                        Hose.FLEX,
                        1,
                        100,
                        3,
                        0,
                        120.0,
                        1,
                        2.0,
                        true,
                        false,
                        new Fan("own", "Own", 100, List.of(new Point(1.0, 1.0), new Point(1.0, 0.0))))
                .check(findings);
        assertThat(findings.list())
                .extracting(f -> f.field())
                .contains("gapCm2", "outlets", "reducerMm", "meshOpen", "fan");
    }

    /** An opening of 600 by 400 with 7 mm of gap: board 586 by 386, foam of 10 mm squeezed to 7. */
    @Test
    void aPanelIsCutSmallerThanItsOpening() {
        WindowPanel p = WindowPanel.middle(600, 400, 7, 9, 100, true);
        assertThat(p.boardWidthMm()).isEqualTo(586);
        assertThat(p.boardHeightMm()).isEqualTo(386);
        assertThat(p.foamMm()).isCloseTo(10, within(1e-9));
        assertThat(p.holeMm()).isEqualTo(102);
        assertThat(p.cuts()).extracting(WindowPanel.Cut::what).contains("board", "insect mesh", "handles");
        Findings findings = new Findings();
        p.check(findings);
        assertThat(findings.none()).isTrue();
        WindowPanel.middle(200, 150, 7, 9, 125, true).check(findings);
        assertThat(findings.list()).extracting(f -> f.field()).containsExactly("flangeMm");
    }

    /**
     * Two outlets of 75 into 100 mm: 2·(75 + 25) + 25 = 225 wide, 100 + 50 = 150 high, 100 deep; with 9 mm of board
     * the front is 243 by 168.
     */
    @Test
    void aBoxAndAPipeThroughAWallAreCut() {
        CollectorBox box = new CollectorBox(2, 75, 100, 9);
        assertThat(box.widthMm()).isEqualTo(225);
        assertThat(box.cuts().get(0))
                .satisfies(c -> assertThat(c.lengthMm()).isEqualTo(243))
                .satisfies(c -> assertThat(c.widthMm()).isEqualTo(168));
        assertThat(new CollectorBox(1, 40, 150, 9).widthMm())
                .as("never narrower than the hose asks for")
                .isEqualTo(200);
        WallDuct duct = new WallDuct(300, 100);
        assertThat(duct.fallMm()).isEqualTo(6);
        assertThat(duct.holeMm()).isEqualTo(108);
        assertThat(duct.cuts().get(0).lengthMm()).isCloseTo(Math.sqrt(300 * 300 + 36) + 40, within(1e-9));
        Findings findings = new Findings();
        new CollectorBox(0, 5, 100, 9).check(findings);
        new WallDuct(-1, 100).check(findings);
        assertThat(findings.list()).extracting(f -> f.field()).containsExactly("outlets", "outletMm", "wallMm");
    }

    @Test
    void aReadingThatCannotBeSaysWhy() {
        Instant now = Instant.parse("2026-03-01T12:00:00Z");
        assertThat(new SensorReading(now, 120.0, 20.0, 45.0).wrong(now)).isEmpty();
        assertThat(new SensorReading(now.plusSeconds(7200), 120.0, null, null)
                        .wrong(now)
                        .orElseThrow())
                .contains("runs ahead");
        assertThat(new SensorReading(Instant.EPOCH, 120.0, null, null)
                        .wrong(now)
                        .orElseThrow())
                .contains("reset");
        assertThat(new SensorReading(now, -1.0, null, null).wrong(now)).isPresent();
        assertThat(new SensorReading(now, Double.NaN, null, null).wrong(now)).isPresent();
        assertThat(new SensorReading(now, null, null, null).wrong(now)).isPresent();
        assertThat(new SensorReading(null, 1.0, null, null).wrong(now)).isPresent();
    }
}
