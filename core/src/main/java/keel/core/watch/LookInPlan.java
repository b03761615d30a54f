package keel.core.watch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import keel.core.exposure.PrintTime;

/**
 * When to look at a print: when its first layers are done, when it comes out of the resin, and at an interval in
 * between. The interval is halved after a streak of good prints, since that is when looking in is forgotten. Common
 * practice, no published source.
 *
 * @param everyHours usual interval, h; 0 for none
 * @param streak good prints in a row after which it is halved
 */
public record LookInPlan(double everyHours, int streak) {

    private static final int FIRST_LAYERS_OF_AN_UNKNOWN_PROFILE = 8;
    private static final Duration APART = Duration.ofMinutes(20);

    public LookInPlan {
        if (!(everyHours >= 0) || streak < 1) {
            throw new IllegalArgumentException("The interval is 0 hours or more, the streak 1 print or more.");
        }
    }

    /** The interval in force, h, after so many good prints in a row. */
    public double intervalHours(int goodInARow) {
        return goodInARow >= streak ? everyHours / 2 : everyHours;
    }

    /**
     * @param settings of the print
     * @param clearLayer layer from which the part stands out of the resin, null where it never does or that is not
     *     known
     * @param goodInARow good prints in a row before this one
     * @return in the order of time; looks within 20 minutes of an earlier one, or of the end, are left out
     */
    public List<LookIn> of(Instant start, PrintTime.Settings settings, Integer clearLayer, int goodInARow) {
        Instant end = after(start, PrintTime.of(settings).seconds());
        List<LookIn> wanted = new ArrayList<>();
        int first = settings.bottomLayers() + settings.transitionLayers();
        wanted.add(at(
                LookIn.LookKind.FIRST_LAYERS,
                start,
                settings,
                Math.min(settings.layers(), first > 0 ? first : FIRST_LAYERS_OF_AN_UNKNOWN_PROFILE)));
        if (clearLayer != null && clearLayer <= settings.layers()) {
            wanted.add(at(LookIn.LookKind.CLEARS_RESIN, start, settings, clearLayer));
        }
        double every = 3600 * intervalHours(goodInARow);
        for (double s = every; every > 0 && after(start, s).isBefore(end); s += every) {
            wanted.add(new LookIn(LookIn.LookKind.INTERVAL, after(start, s), PrintTime.layerAt(settings, s)));
        }
        return apart(wanted, end);
    }

    /** Keeps the first layers whatever comes, and of the rest what is not next to something that is kept. */
    private static List<LookIn> apart(List<LookIn> wanted, Instant end) {
        List<LookIn> kept = new ArrayList<>();
        for (LookIn look : wanted) {
            boolean alone = kept.stream()
                    .allMatch(k -> Duration.between(k.due(), look.due()).abs().compareTo(APART) >= 0);
            if (kept.isEmpty() || alone && Duration.between(look.due(), end).compareTo(APART) >= 0) {
                kept.add(look);
            }
        }
        kept.sort(Comparator.comparing(LookIn::due));
        return List.copyOf(kept);
    }

    private static LookIn at(LookIn.LookKind kind, Instant start, PrintTime.Settings settings, int layer) {
        return new LookIn(kind, after(start, PrintTime.secondsThrough(settings, layer)), layer);
    }

    private static Instant after(Instant start, double seconds) {
        return start.plusMillis(Math.round(1000 * seconds));
    }
}
