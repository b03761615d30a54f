package keel.core.bolts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TighteningTest {

    /** ASME PCC-1, legacy cross-pattern by number of bolts; from memory. */
    @ParameterizedTest
    @CsvSource({
        "4, 1-3-2-4",
        "8, 1-5-3-7-2-6-4-8",
        "12, 1-7-4-10-2-8-5-11-3-9-6-12",
        "16, 1-9-5-13-3-11-7-15-2-10-6-14-4-12-8-16",
        "20, 1-11-6-16-3-13-8-18-5-15-10-20-2-12-7-17-4-14-9-19",
        "24, 1-13-7-19-4-16-10-22-2-14-8-20-5-17-11-23-3-15-9-21-6-18-12-24"
    })
    void aRingFollowsThePublishedCrossPattern(int count, String published) {
        assertThat(BoltFrame.ring(count).star())
                .isEqualTo(Arrays.stream(published.split("-"))
                        .map(Integer::valueOf)
                        .toList());
    }

    @Property
    void aRingTakesEveryBoltOnceAlwaysAcrossAndItsQuartersEvenly(@ForAll @IntRange(min = 2, max = 30) int half) {
        int count = 2 * half;
        List<Integer> order = BoltFrame.ring(count).star();
        assertThat(order)
                .containsExactlyInAnyOrderElementsOf(
                        IntStream.rangeClosed(1, count).boxed().toList());
        int[] quarters = new int[4];
        for (int i = 0; i < count; i++) {
            if (i % 2 == 1) {
                assertThat(order.get(i) - order.get(i - 1)).isEqualTo(half);
            }
            quarters[4 * (order.get(i) - 1) / count]++;
            assertThat(Arrays.stream(quarters).max().orElseThrow()
                            - Arrays.stream(quarters).min().orElseThrow())
                    .isLessThanOrEqualTo(2);
            if (i % 4 == 3 && count % 4 == 0) {
                assertThat(quarters).containsOnly((i + 1) / 4);
            }
        }
    }

    @Test
    void aFrameOfEightByFourBoltsHasTwentyCornersFirst() {
        BoltFrame frame = BoltFrame.rectangle(8, 4);
        assertThat(frame.count()).isEqualTo(20);
        assertThat(frame.star().subList(0, 4))
                .as("front left, back right, back left, front right")
                .containsExactly(1, 11, 4, 14);
        assertThat(frame.star().subList(4, 8)).as("the middles of the sides").containsExactly(7, 17, 2, 12);
        BoltFrame.Bolt backLeft = frame.bolts().get(3);
        assertThat(backLeft.x()).isEqualTo(-1);
        assertThat(backLeft.y()).isCloseTo(3.0 / 7, within(1e-12));
        assertThat(frame.bolts().get(13).x()).as("14 is the front right corner").isEqualTo(1);
        assertThat(frame.bolts().get(13).y()).isCloseTo(-3.0 / 7, within(1e-12));
    }

    @Property
    void aRectangleTakesEveryBoltOnceAndAlwaysStraightAcross(
            @ForAll @IntRange(min = 2, max = 16) int longSide, @ForAll @IntRange(min = 2, max = 16) int shortSide) {
        BoltFrame frame = BoltFrame.rectangle(longSide, shortSide);
        List<BoltFrame.Bolt> bolts = frame.bolts();
        List<Integer> order = frame.star();
        assertThat(bolts)
                .extracting(BoltFrame.Bolt::n)
                .containsExactlyElementsOf(
                        IntStream.rangeClosed(1, frame.count()).boxed().toList());
        assertThat(order)
                .containsExactlyInAnyOrderElementsOf(
                        IntStream.rangeClosed(1, frame.count()).boxed().toList());
        for (int i = 1; i < order.size(); i += 2) {
            BoltFrame.Bolt one = bolts.get(order.get(i - 1) - 1);
            BoltFrame.Bolt across = bolts.get(order.get(i) - 1);
            assertThat(one.x() + across.x()).isCloseTo(0, within(1e-12));
            assertThat(one.y() + across.y()).isCloseTo(0, within(1e-12));
            assertThat(Math.max(Math.abs(one.x()), Math.abs(one.y()))).isLessThanOrEqualTo(1 + 1e-12);
        }
    }

    @Test
    void aRingIsNumberedClockwiseFromTheFront() {
        List<BoltFrame.Bolt> bolts = BoltFrame.ring(4).bolts();
        assertThat(bolts.get(0).y()).isCloseTo(-1, within(1e-12));
        assertThat(bolts.get(1).x())
                .as("clockwise from the front is to the left")
                .isCloseTo(-1, within(1e-12));
    }

    @Test
    void passesRiseAndEndWithARound() {
        Tightening star = Tightening.of(BoltFrame.ring(8), School.STAR);
        assertThat(star.passes()).extracting(Tightening.Pass::percent).containsExactly(30, 70, 100, 100);
        assertThat(star.passes().get(3).order()).containsExactly(1, 2, 3, 4, 5, 6, 7, 8);
        assertThat(Tightening.of(BoltFrame.ring(8), School.CIRCULAR).passes())
                .allSatisfy(p -> assertThat(p.order()).isSorted());
    }

    @ParameterizedTest
    @CsvSource({"2", "5", "62", "-4", "0", "25"})
    void countsThatNoFrameHasAreRefused(int count) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> BoltFrame.ring(count))
                .withMessageEndingWith(".");
    }

    @ParameterizedTest
    @CsvSource({"1, 4", "4, 0", "30, 30", "2000000000, 2000000000"})
    void sidesThatNoFrameHasAreRefused(int longSide, int shortSide) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> BoltFrame.rectangle(longSide, shortSide))
                .withMessageEndingWith(".");
    }
}
