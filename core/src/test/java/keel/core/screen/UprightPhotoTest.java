package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keel.core.screen.ScreenInspection.OnPhoto;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Where spots lie on the photograph, against the made camera's own projection, and the photograph turned the right way
 * round.
 */
class UprightPhotoTest {

    private static final TestPicture WHITE = TestPicture.of(TestPattern.WHITE, 5760, 3240);
    private static final List<double[]> SPOTS = List.of(new double[] {40, 22, 2, 0}, new double[] {110, 60, 3, 0});

    private static final int WIDE = 1200;
    private static final GreyPhoto HELD = Photographed.of(WHITE, 144, 81, SPOTS, 5, 4, 0, 6, 0.1, 1, WIDE);

    private static ScreenInspection seen(GreyPhoto photo) {
        return ScreenInspection.of(photo, WHITE, 144, 81);
    }

    /** Homography against the projection by georegression and EJML. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 12, 24})
    void spotsAndCornersLieOnThePhotographWhereTheCameraPutThem(double tilt) {
        ScreenInspection seen = seen(Photographed.of(WHITE, 144, 81, SPOTS, tilt, -tilt / 2, 2, 6, 0.15, 1, WIDE));
        assertThat(seen.found()).as(seen.message()).isTrue();
        assertThat(seen.onPhoto()).hasSameSizeAs(seen.spots());
        for (int i = 0; i < seen.spots().size(); i++) {
            double[] mm = place(seen.onPhoto().get(i), tilt);
            assertThat(mm[0]).isCloseTo(seen.spots().get(i).xMm(), within(0.25));
            assertThat(mm[1]).isCloseTo(seen.spots().get(i).yMm(), within(0.25));
        }
        double[][] corners = {{0, 0}, {144, 0}, {144, 81}, {0, 81}};
        for (int i = 0; i < corners.length; i++) {
            double[] mm = place(seen.corners().get(i), tilt);
            assertThat(Math.hypot(mm[0] - corners[i][0], mm[1] - corners[i][1]))
                    .as("corner " + i)
                    .isLessThan(0.4);
        }
    }

    private static double[] place(OnPhoto p, double tilt) {
        return Photographed.place(144, 81, tilt, -tilt / 2, 2, WIDE, p.x(), p.y());
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void howeverItWasHeldTheFrontLiesBelow(int quarters) {
        GreyPhoto photo = turned(HELD, quarters);
        ScreenInspection seen = seen(photo);
        UprightPhoto upright = UprightPhoto.of(photo, seen, 1000);
        assertThat(Math.max(upright.photo().width(), upright.photo().height())).isEqualTo(1000);
        assertThat(upright.photo().width())
                .as("wider than deep, as the screen is")
                .isGreaterThan(upright.photo().height());
        assertThat(upright.corners().get(0).y())
                .as("front left is below back left")
                .isGreaterThan(upright.corners().get(3).y() + 100);
        assertThat(upright.corners().get(1).x())
                .as("front right is right of front left")
                .isGreaterThan(upright.corners().get(0).x() + 100);
        for (OnPhoto spot : upright.spots()) {
            assertThat(grey(upright.photo(), spot.x(), spot.y()))
                    .as("dark where the spot is said to be")
                    .isLessThan(grey(upright.photo(), spot.x() + 4 * spot.r(), spot.y()) / 2);
        }
    }

    private static int grey(GreyPhoto photo, double x, double y) {
        return photo.grey()[(int) y * photo.width() + (int) x] & 0xff;
    }

    private static GreyPhoto turned(GreyPhoto photo, int quarters) {
        GreyPhoto turned = photo;
        for (int i = 0; i < quarters; i++) {
            byte[] grey = new byte[turned.grey().length];
            for (int y = 0; y < turned.height(); y++) {
                for (int x = 0; x < turned.width(); x++) {
                    grey[x * turned.height() + turned.height() - 1 - y] = turned.grey()[y * turned.width() + x];
                }
            }
            turned = new GreyPhoto(turned.height(), turned.width(), grey);
        }
        return turned;
    }

    @Test
    void aSmallPhotographIsLeftAsLargeAsItIs() {
        GreyPhoto small = new GreyPhoto(40, 30, new byte[1200]);
        UprightPhoto upright = UprightPhoto.of(small, seen(small), 1000);
        assertThat(upright.photo().width()).isEqualTo(40);
        assertThat(upright.spots()).isEmpty();
    }
}
