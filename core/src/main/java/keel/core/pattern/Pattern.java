package keel.core.pattern;

import java.util.List;
import keel.core.rate.RateDifference;
import keel.core.rate.SuccessRate;

/**
 * A group of prints that fails more often than the rest.
 *
 * @param rest how the rest fared
 * @param p two-sided, as looked at alone
 * @param adjusted the same among all that were looked at
 * @param alike other groups that the same prints are told by: which of them it is, the prints cannot say
 * @param behind groups that stood out as well, and do so no more beside this one
 * @param likeWithLike whether it holds among prints of the same job, resin or detail
 */
public record Pattern(
        Group group,
        Counts own,
        Counts rest,
        double shrunk,
        double p,
        double adjusted,
        List<Group> alike,
        List<Group> behind,
        Like likeWithLike) {

    /** What a group's prints have in common. */
    public record Group(Trait trait, String value) {}

    /** Prints, and how many of them failed. */
    public record Counts(int prints, int failed) {

        static final Counts NONE = new Counts(0, 0);

        public double rate() {
            return prints == 0 ? 0 : failed / (double) prints;
        }

        public Counts and(boolean fails) {
            return new Counts(prints + 1, failed + (fails ? 1 : 0));
        }

        Counts with(Counts other) {
            return new Counts(prints + other.prints, failed + other.failed);
        }

        Counts less(Counts other) {
            return new Counts(prints - other.prints, failed - other.failed);
        }

        /**
         * Share that came out with its interval.
         *
         * @throws IllegalArgumentException without prints
         */
        public SuccessRate cameOut() {
            return SuccessRate.of(prints - failed, prints);
        }
    }

    /** How a pattern fares among prints that are alike in what is printed. */
    public enum Like {
        /** It holds there too. */
        HOLDS,
        /** Too few of its prints have their like elsewhere. */
        CANNOT_TELL
    }

    /** How much more often it fails than the rest, with the 95 % interval (Newcombe 1998). */
    public RateDifference more() {
        return RateDifference.between(rest.cameOut(), own.cameOut());
    }
}
