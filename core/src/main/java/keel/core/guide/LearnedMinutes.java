package keel.core.guide;

import java.util.List;
import java.util.Optional;
import org.hipparchus.stat.descriptive.moment.Mean;
import org.hipparchus.stat.descriptive.rank.Median;

/**
 * How long something takes here, from how long it took: the median of several, those that were only clicked through
 * left out.
 *
 * @param minutes of work, pauses taken out: the median, to be shown
 * @param mean of the same, to be planned with (the order of least waiting goes by expected times, Rothkopf 1966)
 * @param times how many it is known from
 */
public record LearnedMinutes(double minutes, double mean, int times) {

    /** Fewer tell nothing: the first time is slow, and one may be a look through the steps. Common practice. */
    private static final int LEAST_TIMES = 3;

    private static final double CLICKED_THROUGH = 0.25;
    private static final double LONGEST_STEP_S = 15 * 60;
    private static final double AFTER_A_TIMER_S = 10 * 60;

    /**
     * @param usual minutes as a rule, for what is plainly no work
     * @param worked minutes of work of the last times, in any order
     */
    public static Optional<LearnedMinutes> of(double usual, List<Double> worked) {
        double[] real = worked.stream()
                .filter(m -> m >= CLICKED_THROUGH * usual)
                .mapToDouble(Double::doubleValue)
                .toArray();
        return real.length < LEAST_TIMES
                ? Optional.empty()
                : Optional.of(new LearnedMinutes(new Median().evaluate(real), new Mean().evaluate(real), real.length));
    }

    /**
     * What of the time between two touches was work: all of it, unless it is longer than a step can take, then only
     * what its timer takes; the rest was a pause.
     *
     * @param stepSeconds of the step's timer, null where it has none
     * @return seconds
     */
    public static double work(double betweenSeconds, Integer stepSeconds) {
        double timer = stepSeconds == null ? 0 : stepSeconds;
        double between = Math.max(0, betweenSeconds);
        return between <= Math.max(LONGEST_STEP_S, timer + AFTER_A_TIMER_S) ? between : timer;
    }
}
