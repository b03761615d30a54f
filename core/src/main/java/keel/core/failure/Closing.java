package keel.core.failure;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import keel.core.knowledge.Cause;

/**
 * When a cause that somebody named counts as found: it explains a fair part of what was seen, something was done or
 * found, and a later good print came out that would have shown it. Anything else stays presumed; a good print on other
 * terms proves nothing. Common practice, no source.
 *
 * @param terms what a later print must share with the one that failed
 */
public record Closing(Terms terms) {

    /** Least share of what was seen that a found cause began. */
    private static final double BEGAN = 0.25;

    /** Or least share of a single symptom that it explains itself. */
    private static final double EXPLAINS = 0.5;

    /** Good prints of which nobody said where they lay that stand for one over the place. */
    private static final int UNPLACED = 3;

    /** Good prints after which a machine is no longer watched for a cause that nobody proved. */
    private static final int ENOUGH_GOOD = 5;

    /** What a later print must share with the one that failed, to have shown the cause. */
    public enum Terms {
        ANY("a print"),
        SAME_JOB("the same job"),
        SAME_PLACE("a print over the same place"),
        SAME_RESIN("a print with the same resin");

        private final String words;

        Terms(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What is missing until a cause counts as found. */
    public enum Lacks {
        NOTHING,
        EXPLANATION,
        REMEDY,
        PRINT
    }

    /**
     * The failure with what was put down to it.
     *
     * @param layer at which it failed, null if not known: then any will do
     * @param job its name, null if no run is known
     * @param resin code of what was in the vat, null if not known
     * @param zones where it was seen, {@code A1} to {@code F4}; none if nobody said
     * @param began share of what was seen that the cause began, as judged without the verdict; null while that was not
     *     judged
     * @param explains largest share of one symptom that it explains itself
     * @param checked whether a check found it
     * @param mended when something that mends it was done since
     */
    public record Failed(
            Instant at,
            Integer layer,
            String job,
            String resin,
            Set<String> zones,
            Double began,
            double explains,
            boolean checked,
            List<Instant> mended) {

        boolean explained() {
            return began == null || began >= BEGAN || explains >= EXPLAINS;
        }

        private boolean remedied() {
            return began == null || checked || !mended.isEmpty();
        }

        private boolean remediedBefore(Instant start) {
            return began == null || checked || mended.stream().anyMatch(m -> !m.isAfter(start));
        }
    }

    /**
     * A later print of the same machine that came out.
     *
     * @param layers that it printed
     * @param zones that it covered, null if nobody said
     */
    public record Good(Instant startedAt, int layers, String job, String resin, Set<String> zones) {}

    /**
     * @param ofTheJob causes that lie in what is printed
     * @param placed causes that sit at one place
     */
    public static Closing of(Cause cause, Set<String> ofTheJob, Set<String> placed) {
        if (ofTheJob.contains(cause.code())) {
            return new Closing(Terms.SAME_JOB);
        }
        if (placed.contains(cause.code())) {
            return new Closing(Terms.SAME_PLACE);
        }
        return new Closing(cause.part() == Cause.CausePart.SETTINGS ? Terms.SAME_RESIN : Terms.ANY);
    }

    /** @param later good prints of the same machine */
    public Lacks lacks(Failed failed, List<Good> later) {
        if (!failed.explained()) {
            return Lacks.EXPLANATION;
        }
        if (!failed.remedied()) {
            return Lacks.REMEDY;
        }
        return shown(failed, later) ? Lacks.NOTHING : Lacks.PRINT;
    }

    /**
     * Whether a machine is watched for a cause that is only presumed: not for one of the job, and no longer once
     * several prints came out on it since.
     */
    public boolean watched(Failed failed, List<Good> later) {
        return terms != Terms.SAME_JOB
                && later.stream()
                                .filter(g -> !g.startedAt().isBefore(failed.at()))
                                .limit(ENOUGH_GOOD)
                                .count()
                        < ENOUGH_GOOD;
    }

    private boolean shown(Failed failed, List<Good> later) {
        Predicate<Good> past = g -> !g.startedAt().isBefore(failed.at())
                && (failed.layer() == null || g.layers() >= failed.layer())
                && failed.remediedBefore(g.startedAt());
        if (terms == Terms.SAME_PLACE && !failed.zones().isEmpty()) {
            return later.stream()
                            .filter(past)
                            .anyMatch(
                                    g -> g.zones() != null && g.zones().stream().anyMatch(failed.zones()::contains))
                    || later.stream()
                                    .filter(past)
                                    .filter(g -> g.zones() == null)
                                    .limit(UNPLACED)
                                    .count()
                            == UNPLACED;
        }
        return later.stream().filter(past).anyMatch(g -> alike(failed, g));
    }

    private boolean alike(Failed failed, Good good) {
        return switch (terms) {
            case ANY, SAME_PLACE -> true;
            case SAME_JOB ->
                failed.job() == null
                        || good.job() != null
                                && failed.job()
                                        .toLowerCase(Locale.ROOT)
                                        .equals(good.job().toLowerCase(Locale.ROOT));
            case SAME_RESIN -> failed.resin() == null || failed.resin().equals(good.resin());
        };
    }
}
