package keel.core.wash;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** Sums by hand; the densities are handbook figures from memory, the limits common practice. */
class WashBathTest {

    private static final WashBath BATH = new WashBath(BathKind.ALCOHOL, 4000, 0.786, 0, 0);

    /** 5 % of 1.10 g/ml in 0.786: 0.95·0.786 + 0.05·1.1 = 0.8017. */
    @Test
    void fivePerCentResinMoveAlcoholToAboutPointEight() {
        WashBath.Meaning meaning = BATH.meaning(0.95 * 0.786 + 0.05 * 1.1, 1.1);
        assertThat(meaning.resinShare()).isCloseTo(0.05, within(1e-12));
        assertThat(meaning.strengthShare())
                .as("or 6.5 % water: the hydrometer cannot tell")
                .isCloseTo(1 - 0.0157 / 0.242, within(1e-6));
    }

    @Test
    void aReadingBelowTheFreshOneMeansNothing() {
        assertThat(BATH.meaning(0.78, 1.1)).isEqualTo(new WashBath.Meaning(0, 1.0));
        assertThat(new WashBath(BathKind.WATER, 4000, 0.998, 0, 0)
                        .meaning(1.003, 1.1)
                        .strengthShare())
                .as("water is no alcohol")
                .isNull();
    }

    /** 5 % of the whole are 4000/19 = 210.5 ml; at 4 ml a print 52 whole prints. */
    @Test
    void printsLeftCountWhatEachCarriesIn() {
        assertThat(BATH.printsLeft(0.05, 4)).isEqualTo(52);
        WashBath used = new WashBath(BathKind.ALCOHOL, 4000, 0.786, 160, 20);
        assertThat(used.share()).isCloseTo(160 / 4160.0, within(1e-12));
        assertThat(used.printsLeft(0.05, 4)).as("8 ml each: 50.5 ml of room").isEqualTo(6);
        assertThat(new WashBath(BathKind.ALCOHOL, 4000, 0.786, 300, 20).printsLeft(0.05, 4))
                .isZero();
        assertThat(BATH.printsLeft(0.05, 0)).isEqualTo(Integer.MAX_VALUE);
    }

    @Test
    void theWorseOfReckoningAndReadingDecides() {
        WashBath half = new WashBath(BathKind.ALCOHOL, 4000, 0.786, 120, 20);
        assertThat(BATH.verdict(null, 1.1, 0.05, 0.9, true)).isEqualTo(WashBath.Verdict.GOOD);
        assertThat(half.verdict(null, 1.1, 0.05, 0.9, false)).isEqualTo(WashBath.Verdict.FIRST_ONLY);
        assertThat(half.verdict(null, 1.1, 0.05, 0.9, true))
                .as("where there is no other")
                .isEqualTo(WashBath.Verdict.GOOD);
        assertThat(half.verdict(0.803, 1.1, 0.05, 0.9, true)).isEqualTo(WashBath.Verdict.CHANGE);
        assertThat(BATH.verdict(0.815, 1.5, 0.05, 0.9, true))
                .as("under 90 % by weight, if water")
                .isEqualTo(WashBath.Verdict.CHANGE);
        assertThat(new WashBath(BathKind.ALCOHOL, 4000, 0.786, 230, 20).verdict(0.787, 1.1, 0.05, 0.9, false))
                .isEqualTo(WashBath.Verdict.CHANGE);
    }

    @Test
    void whatWasHurriedIsAFact() {
        assertThat(Hurried.facts(120.0, 0.5)).containsExactly("wash-under-3-min", "dried-under-2-h");
        assertThat(Hurried.facts(180.0, 2.0)).isEmpty();
        assertThat(Hurried.facts(null, null)).isEmpty();
    }
}
