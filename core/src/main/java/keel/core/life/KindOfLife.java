package keel.core.life;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;

/**
 * How long parts of one kind and size last, from what is usual and from what the shop's own have been through.
 *
 * @param clock that explains their ends best, or the usual one while too few have ended
 * @param chosen whether it was chosen by the ends
 * @param ends parts that ended by themselves, {@code lives} all that have been used
 * @param clockPerHour so much of the clock passes in a print hour
 * @param ways by accident and by wear; null where none has ended
 * @param early those that end early told from those that wear out, by their ages; null while too few have ended to tell
 */
public record KindOfLife(
        LifeClock clock,
        boolean chosen,
        int ends,
        int lives,
        WeibullFit fit,
        Survival survival,
        double clockPerHour,
        Ways ways,
        EarlyAndWorn early) {

    /** Fewer ends than these, and what is usual stands. */
    public static final int ENDS_THAT_TELL = 5;

    /** So much more of log-likelihood must another clock than the usual one have: odds of seven to one. */
    private static final double CLEARLY = 2;

    /** What ended before it was used ended in its first hour. */
    private static final double FIRST_HOUR = 1;

    /**
     * The two ways in which parts end, each with the age by which half would have ended if there were no other.
     *
     * @param accidents ends by accident, {@code worn} ends by wear
     */
    public record Ways(int accidents, double halfByAccident, int worn, double halfByWear) {}

    /**
     * @param usual life of such parts before any record, on the usual clock
     * @param usualClock what it is counted by
     */
    public static KindOfLife of(List<Lived> parts, WeibullLife usual, LifeClock usualClock) {
        Optional<LifeClock> best = bestClock(parts, usualClock);
        LifeClock clock = best.orElse(usualClock);
        double least = pace(parts, clock, LifeClock.HOURS) * FIRST_HOUR;
        List<Lived> used = parts.stream().filter(p -> tells(p, clock)).toList();
        List<Life> lives = lives(used, clock, least);
        WeibullLife before = new WeibullLife(usual.shape(), usual.scale() * pace(parts, clock, usualClock));
        int ends = (int) lives.stream().filter(Life::ended).count();
        return new KindOfLife(
                clock,
                best.isPresent(),
                ends,
                lives.size(),
                WeibullFit.bayes(lives, WeibullFit.Prior.around(before)),
                Survival.of(lives),
                pace(parts, clock, LifeClock.HOURS),
                ways(used, lives, before),
                ends < ENDS_THAT_TELL ? null : EarlyAndWorn.fitted(lives, before));
    }

    /** Whether enough have ended here for the records to speak for themselves. */
    public boolean known() {
        return ends >= ENDS_THAT_TELL;
    }

    /** The life that forecasts go by. */
    public Lifespan span() {
        return early == null ? fit.life() : early;
    }

    private static Ways ways(List<Lived> used, List<Life> lives, WeibullLife before) {
        int ended = (int) used.stream().filter(Lived::endedByItself).count();
        if (ended == 0) {
            return null;
        }
        int worn =
                (int) used.stream().filter(p -> p.endedByItself() && p.worn()).count();
        CompetingLives both = CompetingLives.fitted(
                lives, used.stream().map(p -> p.worn() ? 1 : 0).toList(), 2, before);
        return new Ways(
                ended - worn,
                both.ways().get(0).ageWhenFailed(0, 0.5),
                worn,
                both.ways().get(1).ageWhenFailed(0, 0.5));
    }

    /**
     * The clock that explains the ends best, the usual one where no other explains them clearly better; empty while too
     * few ended to tell.
     */
    private static Optional<LifeClock> bestClock(List<Lived> parts, LifeClock usualClock) {
        LifeClock best = null;
        double most = 0;
        for (LifeClock clock : LifeClock.values()) {
            double least = pace(parts, clock, LifeClock.HOURS) * FIRST_HOUR;
            List<Life> lives = lives(parts.stream().filter(p -> tells(p, clock)).toList(), clock, least);
            boolean enough = lives.stream().filter(Life::ended).count() >= ENDS_THAT_TELL
                    && lives.size()
                            == parts.stream()
                                    .filter(p -> tells(p, LifeClock.HOURS))
                                    .count();
            OptionalDouble explained = enough ? WeibullFit.explanation(lives) : OptionalDouble.empty();
            double worth = explained.orElse(0) + (clock == usualClock ? CLEARLY : 0);
            if (explained.isPresent() && (best == null || worth > most)) {
                best = clock;
                most = worth;
            }
        }
        return Optional.ofNullable(best);
    }

    /** One that ended tells something even if it was never used; one that was not used and lives on tells nothing. */
    private static boolean tells(Lived part, LifeClock clock) {
        return part.age(clock) > 0 || part.endedByItself();
    }

    private static List<Life> lives(List<Lived> used, LifeClock clock, double least) {
        return used.stream()
                .map(p -> new Life(p.endedByItself() ? Math.max(least, p.age(clock)) : p.age(clock), p.endedByItself()))
                .toList();
    }

    /** So much of one clock passes in a unit of another, over all these parts; 1 where nothing has passed. */
    private static double pace(List<Lived> parts, LifeClock clock, LifeClock than) {
        double one = parts.stream().mapToDouble(p -> p.age(clock)).sum();
        double other = parts.stream().mapToDouble(p -> p.age(than)).sum();
        return one > 0 && other > 0 ? one / other : 1;
    }
}
