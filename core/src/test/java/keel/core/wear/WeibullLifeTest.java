package keel.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.apache.commons.statistics.distribution.WeibullDistribution;
import org.junit.jupiter.api.Test;

class WeibullLifeTest {

    /**
     * By definition of the scale, 1 − 1/e have failed at η: NIST/SEMATECH e-Handbook 8.1.6.2 ("characteristic life",
     * 63.2 %).
     */
    @Test
    void atItsScaleSixtyThreePointTwoPerCentHaveFailed() {
        assertThat(1 - new WeibullLife(2, 450).survival(450)).isCloseTo(0.632120558828558, within(1e-12));
    }

    /**
     * NIST/SEMATECH e-Handbook 8.4.1.2: β = 1.7208, η = 606.53; half of the units are dead after η·(ln 2)^(1/β).
     */
    @Test
    void theMedianOfThePublishedFitIsWhereHalfHaveFailed() {
        WeibullLife life = new WeibullLife(1.7208, 606.53);
        double median = 606.53 * Math.pow(Math.log(2), 1 / 1.7208);
        assertThat(life.ageWhenFailed(0, 0.5)).isCloseTo(median, within(1e-9));
        assertThat(life.survival(median)).isCloseTo(0.5, within(1e-12));
    }

    /** Against a reference library: Apache Commons Statistics 1.3. */
    @Property
    void agreesWithTheReferenceLibrary(
            @ForAll @DoubleRange(min = 0.3, max = 6) double shape,
            @ForAll @DoubleRange(min = 1, max = 10_000) double scale,
            @ForAll @DoubleRange(min = 0, max = 3) double relativeAge,
            @ForAll @DoubleRange(min = 0, max = 1) double relativeMore) {
        WeibullLife life = new WeibullLife(shape, scale);
        WeibullDistribution reference = WeibullDistribution.of(shape, scale);
        double age = relativeAge * scale;
        double more = relativeMore * scale;
        double alive = reference.survivalProbability(age);
        assertThat(life.survival(age)).isCloseTo(alive, within(1e-12));
        if (alive > 1e-6) {
            assertThat(life.failsWithin(age, more))
                    .isCloseTo(1 - reference.survivalProbability(age + more) / alive, within(1e-8));
        }
    }

    /**
     * With shape 1 nothing ages: the chance does not depend on the age (the exponential distribution has no memory).
     */
    @Property
    void withoutAgeingTheChanceIsTheSameAtEveryAge(@ForAll @DoubleRange(min = 0, max = 5000) double age) {
        assertThat(new WeibullLife(1, 100).failsWithin(age, 8)).isCloseTo(1 - Math.exp(-0.08), within(1e-9));
    }

    @Test
    void smallChancesKeepTheirDigits() {
        assertThat(new WeibullLife(1, 1e12).failsWithin(0, 1)).isCloseTo(1e-12, within(1e-20));
    }

    @Test
    void whatCannotBeAnAgeOrALifeIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new WeibullLife(0, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new WeibullLife(1, Double.NaN));
        assertThatIllegalArgumentException().isThrownBy(() -> new WeibullLife(2, 450).failsWithin(-1, 8));
        assertThatIllegalArgumentException().isThrownBy(() -> new WeibullLife(2, 450).failsWithin(0, Double.NaN));
    }
}
