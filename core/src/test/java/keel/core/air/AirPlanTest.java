package keel.core.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import keel.core.Findings;
import keel.core.air.AirPlan.Fitting;
import keel.core.air.AirPlan.Point;
import keel.core.air.AirPlan.Question;
import keel.core.air.AirPlan.Room;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AirPlanTest {

    private static final List<Point> FAN = List.of(new Point(0.0, 60.0), new Point(100.0, 45.0), new Point(200.0, 0.0));

    /**
     * Moody, Friction Factors for Pipe Flow, 1944: 0.0222 at Re = 10⁵ and 0.001, 0.0180 in a smooth pipe; laminar
     * 64/Re.
     */
    @ParameterizedTest
    @CsvSource({"1e5, 0.001, 0.0222", "1e5, 0, 0.0180", "1e6, 0.0001, 0.0134", "1e4, 0.01, 0.0431", "1000, 0.01, 0.064"
    })
    void frictionIsThatOfTheMoodyChart(double re, double relative, double f) {
        assertThat(Duct.friction(re, relative)).isCloseTo(f, within(6e-5));
    }

    @Test
    void theFactorSolvesColebrooksEquation() {
        for (double re : new double[] {5e3, 2e4, 1e5, 3e6}) {
            double f = Duct.friction(re, 0.0009);
            assertThat(1 / Math.sqrt(f))
                    .isCloseTo(-2 * Math.log10(0.0009 / 3.7 + 2.51 / (re * Math.sqrt(f))), within(1e-10));
        }
        assertThat(Duct.friction(3000, 0.001))
                .as("between laminar and turbulent")
                .isBetween(Duct.friction(2000, 0.001), Duct.friction(4000, 0.001));
    }

    /**
     * Munson, Young, Okiishi, Fundamentals of Fluid Mechanics, example 8.5 (from memory): air in drawn tubing of 4 mm
     * at Re 13 700, roughness 0.0015 mm; by Colebrook 0.0291.
     */
    @Test
    void frictionIsThatOfAWorkedExampleWithAir() {
        assertThat(Duct.friction(13_700, 0.0015 / 4)).isCloseTo(0.0291, within(6e-5));
    }

    /**
     * Çengel, Cimbala, Fluid Mechanics, examples 8-4 and 8-5 (from memory): heated air, 0.35 m³/s, through 150 m of
     * smooth plastic duct at a head of 20 m asks for 0.267 m, where it flows at 6.24 m/s with f = 0.0180; with twice
     * the length 0.24 m³/s are left. Their air is at 35 °C, ours at 20 °C: a head differs by 2 % at most.
     */
    @Test
    void aDuctOfAWorkedExampleMovesWhatTheBookSays() {
        double flow = 0.35 * 3600;
        Duct duct = new Duct(267, 150, 0, 0);
        assertThat(duct.velocity(flow)).isCloseTo(6.24, within(0.02));
        assertThat(Duct.friction(100_800, 0)).isCloseTo(0.0180, within(5e-5));
        assertThat(duct.lossPa(flow) / (Duct.DENSITY * 9.81)).isCloseTo(20, within(0.4));
        double pressure = 20 * Duct.DENSITY * 9.81;
        AirPlan twiceAsLong = AirPlan.of(new Question(
                new Room(100.0, 1.0),
                List.of(new Point(0.0, pressure), new Point(2000.0, pressure)),
                List.of(new Duct(267, 300, 0, 0)),
                null));
        assertThat(twiceAsLong.flowM3H() / 3600).isCloseTo(0.24, within(0.005));
    }

    /** CDC 2003, table B.1, with perfect mixing. */
    @ParameterizedTest
    @CsvSource({
        "2, 138, 207",
        "4, 69, 104",
        "6, 46, 69",
        "8, 35, 52",
        "10, 28, 41",
        "12, 23, 35",
        "15, 18, 28",
        "20, 14, 21"
    })
    void purgeTimesAreThoseOfTheTable(double changes, long ninetyNine, long threeNines) {
        assertThat(Math.round(AirPlan.purgeMinutes(changes, 0.99, 1))).isEqualTo(ninetyNine);
        assertThat(Math.round(AirPlan.purgeMinutes(changes, 0.999, 1))).isEqualTo(threeNines);
    }

    @Test
    void fanAndResistanceMeet() {
        Question q = new Question(
                new Room(30.0, 3.0),
                FAN,
                List.of(new Duct(100, 3, 0.9, 15), new Duct(75, 1.2, 0.09, 0)),
                List.of(new Fitting(0.9, 100.0), new Fitting(1.0, 75.0)));
        AirPlan plan = AirPlan.of(q);
        assertThat(Math.abs(plan.pressurePa() - q.lossPa(plan.flowM3H()))).isLessThan(1e-6);
        assertThat(plan.flowM3H()).isBetween(20.0, 150.0);
        assertThat(plan.velocityMs()).hasSize(2);
        assertThat(plan.velocityMs().get(0)).isCloseTo(plan.flowM3H() / 3600 / (Math.PI * 0.01 / 4), within(1e-9));
        assertThat(plan.airChangesPerHour()).isCloseTo(plan.flowM3H() / 30, within(1e-9));
        assertThat(plan.purgeMinutes().get("90"))
                .isCloseTo(3 * Math.log(10) / plan.airChangesPerHour() * 60, within(1e-9));
    }

    /** By hand: one fitting, K = 2 in 100 mm, against a straight fan: 50 − 0.25·Q = K·ρ/2·(Q/3600/A)². */
    @Test
    void aStraightFanAgainstOneFittingIsAQuadratic() {
        double a = 2 * 1.204 / 2 / Math.pow(3600 * Math.PI * 0.01 / 4, 2);
        double flow = (-0.25 + Math.sqrt(0.0625 + 4 * a * 50)) / (2 * a);
        AirPlan plan = AirPlan.of(new Question(
                new Room(20.0, null),
                List.of(new Point(0.0, 50.0), new Point(200.0, 0.0)),
                null,
                List.of(new Fitting(2.0, 100.0))));
        assertThat(plan.flowM3H()).isCloseTo(flow, within(1e-6));
    }

    @Test
    void withoutLossesItMovesWhatItCan() {
        assertThat(AirPlan.of(new Question(new Room(20.0, 1.0), FAN, null, null))
                        .flowM3H())
                .isCloseTo(200, within(1e-6));
        assertThat(AirPlan.of(new Question(new Room(20.0, 1.0), FAN.subList(0, 2), null, null))
                        .flowM3H())
                .as("beyond its last point as it fell: 45 / 0.15 more")
                .isCloseTo(400, within(1e-6));
    }

    @Test
    void aFanThatCannotAndWhatIsNoRoomAreSaid() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> AirPlan.of(new Question(
                        new Room(20.0, 1.0),
                        List.of(new Point(50.0, 1.0), new Point(100.0, 0.0)),
                        List.of(new Duct(20, 10, 0.1, 0)),
                        null)))
                .withMessageContaining("cannot reach");
        for (Question wrong : List.of(
                new Question(new Room(0.0, 1.0), FAN, null, null),
                new Question(new Room(20.0, 0.5), FAN, null, null),
                new Question(new Room(20.0, 1.0), FAN.subList(0, 1), null, null),
                new Question(new Room(20.0, 1.0), FAN, List.of(new Duct(0, 1, 0, 0)), null),
                new Question(new Room(20.0, 1.0), FAN, List.of(new Duct(100, Double.NaN, 0, 0)), null),
                new Question(null, FAN, null, null),
                new Question(new Room(20.0, 1.0), List.of(new Point(0.0, 50.0), new Point(0.0, 40.0)), null, null))) {
            Findings findings = new Findings();
            wrong.check(findings);
            assertThat(findings.none()).as(wrong.toString()).isFalse();
        }
    }

    /**
     * ACGIH's dilution formula, 1 pint an hour at 400 ppm, K = 1: 220 ft³/min (222.6 by the molar volume at 25 °C):
     * at that flow the steady concentration is 400 ppm.
     */
    @Test
    void vapourIsThatOfTheDilutionFormula() {
        double gPerH = 473.176 * 0.786;
        double flow = 222.6 * 1.699011;
        Vapour v = Vapour.of(new Vapour.Question(40.0, flow, gPerH, null, null));
        assertThat(v.steadyPpm()).isCloseTo(400, within(1.0));
        assertThat(v.ppm()).isEqualTo(v.steadyPpm());
        assertThat(v.shareOfLel()).isCloseTo(0.02, within(1e-4));
        Vapour soon = Vapour.of(new Vapour.Question(40.0, flow, gPerH, 60.1, 40 / flow * 60));
        assertThat(soon.ppm() / v.steadyPpm()).as("after one air change").isCloseTo(1 - Math.exp(-1), within(1e-9));
        assertThat(Vapour.of(new Vapour.Question(40.0, 0.0, 60.1, 60.1, 60.0)).ppm())
                .as("a mole in 40 m³")
                .isCloseTo(24.45e-3 / 40 * 1e6, within(1e-6));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Vapour.of(new Vapour.Question(0.0, 10.0, 10.0, null, null)));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Vapour.of(new Vapour.Question(10.0, 0.0, 10.0, null, null)));
    }

    private static List<Decay.Sample> series(
            double changes, double top, double background, double noise, long seed, int minutes) {
        Random random = new Random(seed);
        List<Decay.Sample> samples = new ArrayList<>();
        for (int t = 0; t < minutes; t++) {
            if (t % 17 < 13) {
                samples.add(new Decay.Sample(
                        t, background + top * Math.exp(-changes * t / 60.0) + noise * random.nextGaussian()));
            }
        }
        return samples;
    }

    /** Readings a minute with gaps, noise and background; within five per cent, the background known or not. */
    @ParameterizedTest
    @CsvSource({"2, 90, 1", "4, 90, 2", "8, 60, 3", "12, 60, 4", "6, 240, 5", "20, 45, 6"})
    void theRateIsFoundWithinFivePerCent(double changes, int minutes, long seed) {
        List<Decay.Sample> noisy = series(changes, 900, 120, 9, seed, minutes);
        assertThat(Decay.of(noisy, 120.0).airChangesPerHour()).isCloseTo(changes, within(0.05 * changes));
        Decay blind = Decay.of(noisy, null);
        assertThat(blind.airChangesPerHour()).isCloseTo(changes, within(0.05 * changes));
        assertThat(blind.r2()).isGreaterThan(0.97);
        assertThat(blind.low()).isLessThan(blind.airChangesPerHour());
        assertThat(Decay.of(series(changes, 900, 0, 0, 1, minutes), 0.0).airChangesPerHour())
                .as("without noise exactly")
                .isCloseTo(changes, within(1e-6));
    }

    /** Of 95 % intervals without a known background at least 85 % hold the truth, or nothing is told. */
    @ParameterizedTest
    @CsvSource({"2, 60, 9", "6, 20, 9", "6, 20, 27", "6, 40, 27", "12, 20, 9"})
    void theIntervalHoldsTheTruth(double changes, int minutes, double noise) {
        int told = 0;
        int held = 0;
        for (long seed = 0; seed < 60; seed++) {
            try {
                Decay decay = Decay.of(series(changes, 900, 120, noise, seed, minutes), null);
                told++;
                held += decay.low() <= changes && changes <= decay.high() ? 1 : 0;
            } catch (IllegalArgumentException e) {
                // not told
            }
        }
        assertThat(told).isGreaterThan(5);
        assertThat((double) held / told).isGreaterThanOrEqualTo(0.85);
    }

    @Test
    void threeWildReadingsAreSeenThrough() {
        List<Decay.Sample> wild = series(6, 900, 120, 9, 7, 60);
        for (int i : new int[] {0, 9, 30}) {
            wild.set(i, new Decay.Sample(wild.get(i).minutes(), wild.get(i).value() + 700));
        }
        assertThat(Decay.of(wild, null).airChangesPerHour()).isCloseTo(6, within(0.4));
        assertThat(Decay.of(wild, 120.0).airChangesPerHour()).isCloseTo(6, within(0.4));
    }

    /** A sensor that follows with a time constant of two minutes: C' = (air − C)/2. */
    @Test
    void aSensorThatFollowsLateIsSeenThrough() {
        Random random = new Random(8);
        List<Decay.Sample> late = new ArrayList<>();
        double shown = 120;
        for (int second = 0; second < 60 * 60; second++) {
            if (second % 60 == 0) {
                late.add(new Decay.Sample(second / 60.0, shown + 5 * random.nextGaussian()));
            }
            shown += (120 + 900 * Math.exp(-6 * second / 3600.0) - shown) / 120;
        }
        Decay decay = Decay.of(late, null);
        assertThat(decay.airChangesPerHour()).isCloseTo(6, within(0.6));
        assertThat(decay.low()).isLessThanOrEqualTo(6);
        assertThat(decay.high()).isGreaterThanOrEqualTo(6);
    }

    @Test
    void aStraightLineTellsNothing() {
        Random random = new Random(4);
        List<Decay.Sample> straight = new ArrayList<>();
        List<Decay.Sample> exact = new ArrayList<>();
        for (int t = 0; t < 60; t++) {
            straight.add(new Decay.Sample(t, 1000 - 10 * t + 5 * random.nextGaussian()));
            exact.add(new Decay.Sample(t, 1000 - 10 * t));
        }
        for (Double background : new Double[] {null, 100.0}) {
            assertThatIllegalArgumentException()
                    .isThrownBy(() -> Decay.of(straight, background))
                    .withMessageContaining("straight line");
            assertThatIllegalArgumentException().isThrownBy(() -> Decay.of(exact, background));
        }
    }

    /** A fan whose curve dips, against Δp = 0.004·Q²: they meet three times, and the middle one does not hold. */
    @Test
    void ofSeveralMeetingsTheFirstThatHoldsIsTaken() {
        List<AirPlan.Point> dips = List.of(
                new AirPlan.Point(0.0, 60.0),
                new AirPlan.Point(80.0, 20.0),
                new AirPlan.Point(120.0, 80.0),
                new AirPlan.Point(200.0, 0.0));
        List<AirPlan.Meeting> meetings = AirPlan.meetings(dips, q -> 0.004 * q * q);
        assertThat(meetings).hasSize(3);
        assertThat(meetings).extracting(AirPlan.Meeting::holds).containsExactly(true, true, false);
        assertThat(meetings.get(0).flowM3H()).isLessThan(80);
        assertThat(meetings.get(1).flowM3H()).isBetween(120.0, 200.0);
        meetings.forEach(m -> assertThat(m.pressurePa()).isCloseTo(0.004 * m.flowM3H() * m.flowM3H(), within(1e-6)));
    }

    @Test
    void whatDoesNotFallIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> Decay.of(series(0, 900, 100, 20, 3, 60), null));
        assertThatIllegalArgumentException().isThrownBy(() -> Decay.of(series(-3, 100, 100, 5, 3, 60), 100.0));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Decay.of(List.of(new Decay.Sample(0, 5), new Decay.Sample(1, 4)), null));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Decay.of(Collections.nCopies(9, new Decay.Sample(1, 5)), null));
    }
}
