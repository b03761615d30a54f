package keel.core.condition;

import java.util.Map;

/**
 * What a shop's own prints taught of its films.
 *
 * @param more see {@link FilmBears}
 * @param sd see {@link FilmBears}
 * @param otherwise see {@link FilmBears}
 * @param worn see {@link FilmBears}, by the machine's number
 * @param prints from so many prints through films that somebody had looked at
 */
public record FilmLearned(double more, double sd, double otherwise, Map<Long, Double> worn, int prints) {

    public static final FilmLearned NOTHING =
            new FilmLearned(FilmBears.USUAL.more(), FilmBears.USUAL.sd(), FilmBears.USUAL.otherwise(), Map.of(), 0);

    /** As it holds on a machine. */
    public FilmBears on(long machine) {
        return new FilmBears(more, sd, worn.getOrDefault(machine, FilmBears.USUAL.worn()), otherwise);
    }
}
