package keel.app.starting.web;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import keel.app.prints.LookInView;
import keel.core.exposure.PrintTime;
import keel.core.watch.Progress;

/**
 * A run from its start to its end, px of 1000: how far it is, where its first layers and its way out of the resin are,
 * and the looks at it.
 *
 * @param done width that is over
 * @param bottom width of the bottom layers
 * @param clear where it comes out of the resin, null where it does not or that is not known
 */
record TimeLine(double done, double bottom, Double clear, List<Mark> looks) {

    private static final double WIDTH = 1000;

    /** A look: px from the left, and whether it was made, is due, or is to come. */
    record Mark(double x, String state, String words, Instant at) {}

    static TimeLine of(
            Instant start, Instant now, PrintTime.Settings timing, Progress progress, List<LookInView> looks) {
        double whole = PrintTime.of(timing).seconds();
        double bottom = PrintTime.secondsThrough(timing, timing.bottomLayers() + timing.transitionLayers());
        List<Mark> marks = new ArrayList<>();
        for (LookInView look : looks) {
            Instant at = look.open() ? look.dueAt() : look.lookedAt();
            String state = look.open() ? look.dueAt().isAfter(now) ? "ahead" : "due" : "made";
            marks.add(new Mark(
                    at(seconds(start, at), whole),
                    state,
                    look.open() ? look.kind().words() : look.seen().words() + " (" + look.by() + ")",
                    at));
        }
        return new TimeLine(
                at(seconds(start, now), whole),
                at(bottom, whole),
                progress.clearLayer() == null
                        ? null
                        : Double.valueOf(at(PrintTime.secondsThrough(timing, progress.clearLayer()), whole)),
                marks);
    }

    private static double seconds(Instant start, Instant at) {
        return Duration.between(start, at).toMillis() / 1000.0;
    }

    private static double at(double seconds, double whole) {
        return Math.max(0, Math.min(WIDTH, WIDTH * seconds / whole));
    }
}
