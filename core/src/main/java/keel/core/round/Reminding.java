package keel.core.round;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Who is told of what now: once what it is about can be done, once a chore and person in half a day, not in quiet hours
 * unless somebody may come to harm, and to somebody else where the first does nothing about it.
 */
public final class Reminding {

    private static final Duration ONCE_IN = Duration.ofHours(12);

    private Reminding() {}

    /**
     * What a person wants.
     *
     * @param of what they want to be told of
     * @param quietFrom from when they want to be left alone, null for never; {@code quietTo} until when, the next day
     *     where it is not later
     * @param then to whom it is passed on where nobody does anything about it, null for nobody
     * @param afterMinutes how long that waits
     */
    public record Choice(
            long person,
            Set<RemindOf> of,
            @Nullable LocalTime quietFrom,
            @Nullable LocalTime quietTo,
            @Nullable Long then,
            int afterMinutes) {

        boolean quiet(LocalTime time) {
            if (quietFrom == null || quietTo == null || quietFrom.equals(quietTo)) {
                return false;
            }
            return quietFrom.isBefore(quietTo)
                    ? !time.isBefore(quietFrom) && time.isBefore(quietTo)
                    : !time.isBefore(quietFrom) || time.isBefore(quietTo);
        }

        /** Whether this chore is told to them at this time of day. */
        public boolean wants(Chore chore, LocalTime time) {
            return of.stream().anyMatch(o -> o.has(chore)) && mayHear(chore, time);
        }

        private boolean mayHear(Chore chore, LocalTime time) {
            return chore.kind().aboutPeople() || !quiet(time);
        }
    }

    /** Somebody was told. */
    public record Told(long person, String chore, Instant at) {}

    /** @param passedOn whether somebody else was told before and nothing came of it */
    public record Tell(long person, Chore chore, boolean passedOn) {}

    /** Whether there is something to do about it now. */
    public static boolean ripe(Chore chore, Instant now) {
        return chore.today() && (chore.from() == null || !chore.from().isAfter(now));
    }

    /**
     * @param chores what is open and nobody has taken
     * @param told the last half day at least
     */
    public static List<Tell> now(List<Chore> chores, List<Choice> choices, List<Told> told, Instant now, ZoneId zone) {
        LocalTime time = now.atZone(zone).toLocalTime();
        List<Tell> all = new ArrayList<>();
        for (Chore chore : chores) {
            if (!ripe(chore, now)) {
                continue;
            }
            for (Choice c : choices) {
                if (c.wants(chore, time)) {
                    add(all, told, now, new Tell(c.person(), chore, false));
                }
                Long then = c.then();
                if (then != null && passes(c, chore, told, now) && mayHear(choices, then, chore, time)) {
                    add(all, told, now, new Tell(then, chore, true));
                }
            }
        }
        return all;
    }

    private static void add(List<Tell> all, List<Told> told, Instant now, Tell tell) {
        boolean knows = told.stream().anyMatch(t -> lately(t, tell.person(), tell.chore(), now))
                || all.stream()
                        .anyMatch(t -> t.person() == tell.person()
                                && t.chore().key().equals(tell.chore().key()));
        if (!knows) {
            all.add(tell);
        }
    }

    private static boolean lately(Told t, long person, Chore chore, Instant now) {
        return t.person() == person
                && t.chore().equals(chore.key())
                && t.at().plus(ONCE_IN).isAfter(now);
    }

    private static boolean passes(Choice c, Chore chore, List<Told> told, Instant now) {
        return c.then() != null
                && told.stream()
                        .anyMatch(t -> lately(t, c.person(), chore, now)
                                && !t.at().plus(Duration.ofMinutes(c.afterMinutes()))
                                        .isAfter(now));
    }

    /** Quiet hours hold for what is passed on too. */
    private static boolean mayHear(List<Choice> choices, long person, Chore chore, LocalTime time) {
        return choices.stream().filter(c -> c.person() == person).allMatch(c -> c.mayHear(chore, time));
    }
}
