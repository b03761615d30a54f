package keel.core.condition;

import java.util.Map;
import keel.core.film.Clouding;
import org.jspecify.annotations.Nullable;

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

    /**
     * As it holds of a film on a machine. Films that look milky are hardly printed through, and teach nothing: of them
     * what is usual holds.
     *
     * @param grade as the film looked last, null where nobody graded it
     */
    public FilmBears on(long machine, @Nullable Clouding grade) {
        return grade == Clouding.MILKY
                ? FilmBears.USUAL
                : new FilmBears(more, sd, worn.getOrDefault(machine, FilmBears.USUAL.worn()), otherwise);
    }
}
