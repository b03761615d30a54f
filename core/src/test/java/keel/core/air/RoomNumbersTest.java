package keel.core.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import keel.core.Findings;
import keel.core.air.RoomNumbers.Limit;
import keel.core.air.RoomNumbers.Work;
import org.junit.jupiter.api.Test;

class RoomNumbersTest {

    /**
     * ACGIH, Industrial Ventilation (from memory): a pint of isopropyl alcohol an hour, 473 ml of 0.786 g/ml, at 400
     * ppm asks for 220 ft³/min; at 200 ppm for twice that.
     */
    @Test
    void aPintAnHourStandsWhereTheHandbookSaysIt() {
        double cfm = 60 * 0.0283168;
        Work pint = new Work(473.2 * 0.786, 15, 0);
        assertThat(RoomNumbers.of(30, 1, 220 * cfm, pint).steadyPpm()).isCloseTo(400, within(8.0));
        assertThat(RoomNumbers.of(30, 1, 210 * cfm, pint).limit()).isEqualTo(Limit.OVER_USUAL);
        assertThat(RoomNumbers.of(30, 1, 300 * cfm, pint).limit()).isEqualTo(Limit.OVER_STRICTER);
        assertThat(RoomNumbers.of(30, 1, 460 * cfm, pint).limit()).isEqualTo(Limit.UNDER);
        assertThat(RoomNumbers.of(30, 3, 460 * cfm, pint).limit())
                .as("badly mixed")
                .isEqualTo(Limit.OVER_USUAL);
    }

    /**
     * By hand: 200 ml are 157.2 g, 2.6156 mol, 63.95 l; in 34 m³ 1881 ppm, 9.4 % of 2.0 %. CDC 2003, table B.1: four
     * changes, 69 and 104 min.
     */
    @Test
    void aSpillAndTheTimeToClear() {
        RoomNumbers n = RoomNumbers.of(34, 1, 136, new Work(60, 15, 200));
        assertThat(n.spillPpm()).isCloseTo(1881, within(1.0));
        assertThat(n.spillShareOfLel()).isCloseTo(0.094, within(1e-3));
        assertThat(n.purgeMinutes().keySet()).containsExactly("90 %", "99 %", "99.9 %");
        assertThat(n.purgeMinutes().get("99 %")).isCloseTo(69, within(0.5));
        assertThat(n.purgeMinutes().get("99.9 %")).isCloseTo(104, within(0.5));
        assertThat(n.afterPpm()).isLessThan(n.steadyPpm());
        assertThat(n.makeUpCm2()).as("136 m³/h at 1 m/s").isCloseTo(377.8, within(0.1));
    }

    @Test
    void whatCannotBeIsSaid() {
        Findings findings = new Findings();
        new Work(-1, 0, Double.NaN).check(findings);
        assertThat(findings.list()).hasSize(3);
    }
}
