package keel.app.standing;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import keel.app.base.TimeScale;

/**
 * The parts that followed one another on one carrier, on a line of time, and what is left of the last one's life;
 * {@code rest} is null where nothing is known of it.
 */
public record LifeStrip(List<Bar> bars, RestOfLife rest) {

    /** One part: x and width; {@code cause} is the word at its end, null while it is in or where it went elsewhere. */
    public record Bar(String code, double x, double w, boolean current, String cause, String title) {

        /**
         * @param to when it was taken off, null while it is on; {@code endedAt} when it came to its end, null if it has
         *     not
         */
        public static Bar of(
                String code,
                Instant from,
                Instant to,
                Instant endedAt,
                String endReason,
                TimeScale scale,
                Instant now) {
            double x = scale.x(from);
            double until = scale.x(to == null ? now : to);
            boolean ended = endedAt != null && (to == null || !endedAt.isAfter(to.plusSeconds(1)));
            String cause = ended && endReason != null
                    ? endReason.toLowerCase(Locale.ROOT).replace('_', ' ')
                    : null;
            return new Bar(
                    code,
                    x,
                    Math.max(2, until - x),
                    to == null && !ended,
                    cause,
                    code + ", "
                            + (cause != null
                                    ? "ended: " + cause + (to == null ? ", still in" : "")
                                    : to == null ? "in now" : "taken out"));
        }
    }
}
