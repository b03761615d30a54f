package keel.core.round;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * Something that needs hands, now or later.
 *
 * @param key the same for the same work as long as it is not done
 * @param machine code, null where it is at none
 * @param name the machine or what else it is about
 * @param what in three or four words
 * @param text why, in a sentence
 * @param minutes it takes: the mean, to plan with
 * @param usual minutes as they are shown: the median
 * @param room code of the room, null where that makes no difference
 * @param from moment from which it can be begun, null for now
 * @param deadline by which it should be done, null where there is none
 * @param waiting what it costs while it waits
 * @param tail minutes after it in which somebody must still be there
 * @param today whether it is for today at all
 * @param path where it is done
 */
public record Chore(
        String key,
        ChoreKind kind,
        @Nullable String machine,
        String name,
        String what,
        String text,
        double minutes,
        int usual,
        @Nullable String room,
        @Nullable Instant from,
        @Nullable Instant deadline,
        Waiting waiting,
        double tail,
        boolean today,
        String path) {

    /**
     * What an hour of waiting costs, in the shop's money.
     *
     * @param perHour of its own
     * @param idlePerHour of the machine that stands until it and all else that holds it is done, 0 for none
     * @param why in a sentence
     */
    public record Waiting(double perHour, double idlePerHour, String why) {

        public double all() {
            return perHour + idlePerHour;
        }

        Waiting times(double weight) {
            return new Waiting(perHour * weight, idlePerHour * weight, why);
        }
    }

    /** The same, put off until a moment: it is not for this round. */
    public Chore putOff(Instant until) {
        return with(from != null && from.isAfter(until) ? from : until, waiting, false);
    }

    Chore weighed(double weight) {
        return with(from, waiting.times(weight), today);
    }

    private Chore with(@Nullable Instant begin, Waiting costs, boolean now) {
        return new Chore(
                key, kind, machine, name, what, text, minutes, usual, room, begin, deadline, costs, tail, now, path);
    }
}
