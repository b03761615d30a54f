package keel.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.DoubleStream;
import keel.core.exposure.WorkingCurve.Point;
import org.junit.jupiter.api.Test;

class WorkingCurveTest {

    /**
     * Points made from Jacobs' equation with D_p = 0.19 mm and E_c = 9.2 mJ/cm², figures of the size that Jacobs
     * (1992) gives for an acrylate resin (from memory), give those back; each e-fold of exposure adds D_p.
     */
    @Test
    void pointsOnJacobsCurveGiveItsConstantsBack() {
        List<Point> points = DoubleStream.of(15, 25, 40, 80, 160)
                .mapToObj(e -> new Point(e, 0.19 * Math.log(e / 9.2)))
                .toList();
        WorkingCurve curve = WorkingCurve.fit(points);
        assertThat(curve.dpMm()).isCloseTo(0.19, within(1e-12));
        assertThat(curve.ec()).isCloseTo(9.2, within(1e-9));
        assertThat(curve.exposureFor(0.19)).as("D_p deep takes e times E_c").isCloseTo(9.2 * Math.E, within(1e-9));
    }

    /** Two points by hand: 2 s → 0.10 mm, 4 s → 0.17 mm gives D_p = 0.07/ln 2 = 0.10099 mm. */
    @Test
    void twoPointsAreEnough() {
        WorkingCurve curve = WorkingCurve.fit(List.of(new Point(2, 0.10), new Point(4, 0.17)));
        assertThat(curve.dpMm()).isCloseTo(0.10099, within(1e-5));
        assertThat(curve.exposureFor(0.17)).isCloseTo(4, within(1e-9));
    }

    @Test
    void whatCannotBeIsSaid() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> WorkingCurve.fit(List.of(new Point(2, 0.1))))
                .withMessageContaining("two test pieces");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> WorkingCurve.fit(List.of(new Point(2, 0.1), new Point(2, 0.2))))
                .withMessageContaining("same exposure");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> WorkingCurve.fit(List.of(new Point(2, 0.2), new Point(4, 0.1))))
                .withMessageContaining("thinner");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> WorkingCurve.fit(List.of(new Point(0, 0.2), new Point(4, 0.1))));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> WorkingCurve.fit(List.of(new Point(2, Double.NaN), new Point(4, 0.1))));
    }
}
