package keel.core.rate;

/**
 * How much more often one lot of runs came out than another, with its 95 % interval: the two Wilson intervals combined.
 *
 * <p>Source: R. G. Newcombe, Interval estimation for the difference between independent proportions, Statistics in
 * Medicine 17 (1998), 873, method 10.
 *
 * @param difference share of the first less that of the second, -1 to 1
 */
public record RateDifference(double difference, double low, double high) {

    /** What such a difference says. */
    public enum Verdict {
        BETTER,
        WORSE,
        CANNOT_TELL
    }

    public static RateDifference between(SuccessRate first, SuccessRate second) {
        double p1 = first.share();
        double p2 = second.share();
        double down = Math.hypot(p1 - first.low(), second.high() - p2);
        double up = Math.hypot(first.high() - p1, p2 - second.low());
        return new RateDifference(p1 - p2, p1 - p2 - down, p1 - p2 + up);
    }

    /** Better or worse only where 0 lies outside the interval. */
    public Verdict verdict() {
        return low > 0 ? Verdict.BETTER : high < 0 ? Verdict.WORSE : Verdict.CANNOT_TELL;
    }
}
