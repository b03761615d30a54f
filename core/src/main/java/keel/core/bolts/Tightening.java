package keel.core.bolts;

import java.util.List;
import java.util.stream.IntStream;

/**
 * The passes in which a frame is tightened: 30, 70 and 100 % of the final tightness in the order of the school, then
 * one round from neighbour to neighbour, since each screw slackens its neighbours a little.
 *
 * <p>Source of passes and star: ASME PCC-1, Guidelines for Pressure Boundary Bolted Flange Joint Assembly (legacy
 * cross-pattern). Release films have no published torque: percent is of finger tight with the short arm.
 */
public record Tightening(BoltFrame frame, School school, List<Pass> passes) {

    /** One time around all bolts, to {@code percent} of the final tightness. */
    public record Pass(int percent, List<Integer> order) {}

    public static Tightening of(BoltFrame frame, School school) {
        List<Integer> circle = IntStream.rangeClosed(1, frame.count()).boxed().toList();
        List<Integer> order = school == School.STAR ? frame.star() : circle;
        return new Tightening(
                frame,
                school,
                List.of(new Pass(30, order), new Pass(70, order), new Pass(100, order), new Pass(100, circle)));
    }
}
