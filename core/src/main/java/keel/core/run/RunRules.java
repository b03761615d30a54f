package keel.core.run;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.core.Finding;
import keel.core.Findings;

/**
 * What a run must satisfy by itself, before it is held against what else is recorded. The limits are common practice,
 * wide enough for any machine of the trade and narrow enough to catch a slip of unit or decimal point.
 */
public final class RunRules {

    /** A clock that is this far ahead of ours is not called wrong. */
    public static final Duration CLOCK_TOLERANCE = Duration.ofMinutes(2);

    static final int MOST_LAYERS = 60_000;
    static final double MOST_EXPOSURE_S = 300;
    static final double MOST_RESIN_ML = 20_000;
    public static final Duration LONGEST = Duration.ofDays(21);

    private RunRules() {}

    /**
     * @param machineSince when the machine came into the shop
     * @param now the present
     */
    public static List<Finding> check(RunFacts run, Instant machineSince, Instant now) {
        Findings findings = new Findings();
        findings.text(run.job(), 120, "job", "What is printed");
        boolean amounts = amounts(run, findings);
        boolean times = times(run, machineSince, now, findings);
        if (amounts && times && !run.open()) {
            uvTime(run, findings);
        }
        findings.when(
                !run.open() && run.outcome() == null,
                "outcome",
                "How the run ended is missing: GOOD, PARTIAL, FAILED, STOPPED or USABLE.");
        return findings.list();
    }

    private static boolean amounts(RunFacts run, Findings findings) {
        boolean layers = findings.range(
                run.layers() == null ? null : run.layers().doubleValue(), 1, MOST_LAYERS, "layers", "Layers", "");
        boolean exposure = findings.range(
                run.layerExposureS(), 0.05, MOST_EXPOSURE_S, "layerExposureS", "The layer exposure", "s");
        boolean resin = findings.range(run.resinMl(), 0, MOST_RESIN_ML, "resinMl", "The resin", "ml");
        findings.rangeIfGiven(run.measuredMl(), 0, MOST_RESIN_ML, "usedMl", "Resin used", "ml");
        if (run.reachedLayer() != null && layers) {
            layers = findings.range(
                    run.reachedLayer().doubleValue(), 0, run.layers(), "reachedLayer", "The layer reached", "");
        }
        return layers && exposure && resin;
    }

    private static boolean times(RunFacts run, Instant machineSince, Instant now, Findings findings) {
        if (run.startedAt() == null) {
            findings.add("startedAt", "When the run started is missing.");
            return false;
        }
        boolean wrong = findings.when(
                run.startedAt().isAfter(now.plus(CLOCK_TOLERANCE)), "startedAt", "The start lies in the future.");
        wrong |= findings.when(
                run.startedAt().isBefore(machineSince),
                "startedAt",
                "The machine was not in the shop yet: it is recorded since " + machineSince + ".");
        if (run.endedAt() == null) {
            return !wrong;
        }
        wrong |= findings.when(
                run.endedAt().isAfter(now.plus(CLOCK_TOLERANCE)),
                "endedAt",
                "The end lies in the future. Leave it out to start the run now.");
        if (!run.endedAt().isAfter(run.startedAt())) {
            findings.add("endedAt", "The end must come after the start.");
            return false;
        }
        wrong |= findings.when(
                Duration.between(run.startedAt(), run.endedAt()).compareTo(LONGEST) > 0,
                "endedAt",
                "A run of more than 21 days is not believable. Look at both dates.");
        return !wrong;
    }

    private static void uvTime(RunFacts run, Findings findings) {
        double uvHours = run.usage().uvHours();
        findings.when(
                uvHours > run.hours(),
                "layerExposureS",
                ("%d layers of %s s keep the UV on for %.1f h, but the run lasted only %.1f h. Look at layers, "
                                + "exposure and times.")
                        .formatted(run.layersDone(), run.layerExposureS(), uvHours, run.hours()));
    }
}
