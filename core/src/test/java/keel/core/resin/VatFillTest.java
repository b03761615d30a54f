package keel.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class VatFillTest {

    private static final VatFill VAT = new VatFill(200, 100, 40);
    private static final VatFill.Displacer PLATE = new VatFill.Displacer(150 * 80, 10);

    @Test
    void aHundredMillilitresOnTwoSquareDecimetresStandFiveMillimetres() {
        assertThat(VAT.depthOf(100)).isCloseTo(5, within(1e-9));
    }

    /**
     * Archimedes by hand: 20 000 mm² of vat, 12 000 mm² of plate. 40 ml beside it 5 mm; 400 ml: (400 000 + 120
     * 000)/20 000 = 26 mm.
     */
    @Test
    void thePlateDisplacesWhatItIsThick() {
        assertThat(VAT.depthWithPlate(40, PLATE)).isCloseTo(5, within(1e-9));
        assertThat(VAT.depthWithPlate(400, PLATE)).isCloseTo(26, within(1e-9));
        assertThat(VAT.freeboardMm(400, PLATE)).isCloseTo(14, within(1e-9));
    }

    /** Common practice: 6 mm stay below the rim. */
    @Property
    void theMostLeavesSixMillimetres(@ForAll @DoubleRange(min = 10, max = 90) double depthMm) {
        VatFill vat = new VatFill(200, 100, depthMm);
        assertThat(vat.freeboardMm(vat.mostMl(PLATE), PLATE)).isCloseTo(6, within(1e-6));
    }

    @Test
    void aVatShallowerThanTheFreeboardHoldsNothing() {
        assertThat(new VatFill(200, 100, 5).mostMl(PLATE)).isZero();
        assertThatThrownBy(() -> new VatFill(200, 0, 40)).hasMessageContaining("more than 0");
        assertThatThrownBy(() -> new VatFill(Double.NaN, 10, 40)).isInstanceOf(IllegalArgumentException.class);
    }
}
