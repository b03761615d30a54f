package keel.core.condition;

import keel.core.film.Clouding;
import org.jspecify.annotations.Nullable;

/**
 * By how much likelier a film ends by a puncture, a tear or slackening than others of its age, from what was seen of
 * it. Common practice, no source.
 *
 * @param grade as it looked last, null where nobody graded it
 * @param holes in it that nobody cured shut
 * @param dents in it, {@code dentsUnder} of them under the job's own footprint
 * @param scratches in it
 * @param stopGap whether a hole in it is only cured shut
 * @param cents of its tone from the reference, null where it was not heard or there is none
 */
public record FilmHazard(
        @Nullable Clouding grade,
        int holes,
        int dents,
        int dentsUnder,
        int scratches,
        boolean stopGap,
        @Nullable Double cents) {

    /** Mean factor of the films on which an age model was fitted: else what was seen would count twice. */
    static final double OF_A_USUAL_FILM = 1.2;

    private static final double[] BY_GRADE = {0.9, 1, 1.2, 1.6, 2.2};
    private static final double A_DENT = 1.3;
    private static final int DENTS_THAT_COUNT = 3;
    private static final double DENT_UNDER_THE_JOB = 1.6;
    private static final double A_SCRATCH = 1.15;
    private static final double STOP_GAP = 6;
    private static final double OFF_TONE = 1.5;
    private static final double FAR_OFF_TONE = 2.5;
    /** A tone further from its reference than that is off, cents. */
    public static final double OFF_CENTS = 100;

    private static final double FAR_OFF_CENTS = 300;

    /** The same with dents that lie under the job's own footprint. */
    FilmHazard under(int dentsThere) {
        return new FilmHazard(grade, holes, dents, Math.min(dentsThere, dents), scratches, stopGap, cents);
    }

    /** Whether resin comes through it. */
    boolean holed() {
        return holes > 0 && !stopGap;
    }

    /** 1 for a film like any other of its age. */
    public double factor() {
        double factor = grade == null ? OF_A_USUAL_FILM : BY_GRADE[grade.ordinal()];
        factor *= Math.pow(A_DENT, Math.min(DENTS_THAT_COUNT, dents - dentsUnder));
        factor *= Math.pow(DENT_UNDER_THE_JOB, Math.min(DENTS_THAT_COUNT, dentsUnder));
        factor *= scratches > 0 ? A_SCRATCH : 1;
        factor *= stopGap ? STOP_GAP : 1;
        return factor * tone() / OF_A_USUAL_FILM;
    }

    private double tone() {
        if (cents == null) {
            return 1;
        }
        return cents < -FAR_OFF_CENTS ? FAR_OFF_TONE : Math.abs(cents) > OFF_CENTS ? OFF_TONE : 1;
    }
}
