package keel.core.condition;

import java.util.List;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.film.FilmMark.MarkKind;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import org.jspecify.annotations.Nullable;

/**
 * By how much likelier a film ends by a puncture, a tear or slackening than others of its age, from what was seen of
 * it. Common practice, no source.
 *
 * @param grade as it looked last, null where nobody graded it
 * @param marks in it
 * @param dentsUnder how many of its dents lie under the job's own footprint, null where nobody says what it covers
 * @param stopGap whether a hole in it is only cured shut
 * @param cents of its tone from the reference, null where it was not heard or there is none
 */
public record FilmHazard(
        @Nullable Clouding grade,
        List<FilmMark> marks,
        @Nullable Integer dentsUnder,
        boolean stopGap,
        @Nullable Double cents) {

    /** Mean factor of the films on which an age model was fitted: else what was seen would count twice. */
    static final double OF_A_USUAL_FILM = 1.2;

    private static final double[] BY_GRADE = {0.9, 1, 1.2, 1.6, 2.2};
    private static final double A_DENT = 1.3;
    private static final int DENTS_THAT_COUNT = 3;
    private static final double DENT_UNDER_THE_JOB = 1.6;
    /** A dent under a part of rough, usual and fine detail spoils it. */
    private static final double[] DENT_SPOILS = {0.02, 0.06, 0.12};
    /** Share of the plate that a usual job covers. */
    private static final double USUALLY_COVERED = 0.3;

    private static final double A_SCRATCH = 1.15;
    private static final double STOP_GAP = 6;
    private static final double OFF_TONE = 1.5;
    private static final double FAR_OFF_TONE = 2.5;
    /** A tone further from its reference than that is off, cents. */
    public static final double OFF_CENTS = 100;

    private static final double FAR_OFF_CENTS = 300;

    /** The same for a job that covers these parts of the plate. */
    public FilmHazard under(List<PlacedPart> job) {
        Integer there = job.isEmpty()
                ? null
                : (int) marks.stream()
                        .filter(m -> m.kind() == MarkKind.DENT
                                && job.stream().anyMatch(p -> p.reaches(m.xMm(), m.yMm(), m.sizeMm() / 2)))
                        .count();
        return new FilmHazard(grade, marks, there, stopGap, cents);
    }

    /** Chance that a dent marks the print: it shows on whatever lies over it. */
    double spoils(Detail detail) {
        double over = dentsUnder == null ? USUALLY_COVERED * count(MarkKind.DENT) : dentsUnder;
        return 1 - Math.pow(1 - DENT_SPOILS[detail.ordinal()], over);
    }

    private long count(MarkKind kind) {
        return marks.stream().filter(m -> m.kind() == kind).count();
    }

    /** Whether resin comes through it. */
    boolean holed() {
        return count(MarkKind.HOLE) > 0 && !stopGap;
    }

    /** 1 for a film like any other of its age. */
    public double factor() {
        double factor = grade == null ? OF_A_USUAL_FILM : BY_GRADE[grade.ordinal()];
        int under = dentsUnder == null ? 0 : dentsUnder;
        factor *= Math.pow(A_DENT, Math.min(DENTS_THAT_COUNT, count(MarkKind.DENT) - under));
        factor *= Math.pow(DENT_UNDER_THE_JOB, Math.min(DENTS_THAT_COUNT, under));
        factor *= count(MarkKind.SCRATCH) > 0 ? A_SCRATCH : 1;
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
