package keel.core.exposure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import keel.core.Plain;
import org.jspecify.annotations.Nullable;

/**
 * The shortest exposure that holds, from strips or pieces that were lit for different times: by what was seen of them,
 * and by how thick they came out where somebody measured. The shortest that still holds spares the screen and keeps
 * holes open. Common practice; the thickness by the working curve, see {@link WorkingCurve}.
 *
 * @param held shortest time that held, and every longer one too, s; null where none did
 * @param failed longest time that did not hold, s; null where all did
 * @param byCurve time by which the working curve cures two layers deep, s; null where fewer than two were measured
 * @param notes what is to be said of it, in sentences
 */
public record ShortestExposure(
        @Nullable Double held, @Nullable Double failed, @Nullable Double byCurve, List<String> notes) {

    /** A layer grips the one before where it cures so many layer heights deep. */
    static final double LAYERS_DEEP = 2;

    private static final double APART = 1.25;

    /** What a strip looked like. */
    public enum Seen {
        HELD("Held, edges sharp"),
        SOFT("Soft, tacky or lifting"),
        GONE("Not there"),
        BLED("Held, but gaps closed");

        private final String words;

        Seen(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        boolean holds() {
            return this == HELD || this == BLED;
        }
    }

    /**
     * One strip or piece.
     *
     * @param seconds it was lit a layer
     * @param depthMm how thick it came out, mm; null where nobody measured
     */
    public record Strip(double seconds, Seen seen, @Nullable Double depthMm) {}

    /**
     * @param strips two or more, of two times at least
     * @param layerMm layer height, mm
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    public static ShortestExposure of(List<Strip> strips, double layerMm) {
        List<Strip> byTime = strips.stream()
                .sorted(Comparator.comparingDouble(Strip::seconds))
                .toList();
        require(
                byTime.stream().mapToDouble(Strip::seconds).distinct().count() >= 2,
                "Say of two strips at least, lit for different times, what came of them.");
        require(byTime.stream().allMatch(s -> s.seconds() > 0), "An exposure must be more than 0 s.");
        require(layerMm > 0 && layerMm <= 0.5, "The layer height must be more than 0 and at most 0.5 mm.");
        Double failed = byTime.stream()
                .filter(s -> !s.seen().holds())
                .map(Strip::seconds)
                .max(Comparator.naturalOrder())
                .orElse(null);
        Double held = byTime.stream()
                .filter(s -> s.seen().holds() && (failed == null || s.seconds() > failed))
                .map(Strip::seconds)
                .findFirst()
                .orElse(null);
        Double byCurve = byCurve(byTime, layerMm);
        return new ShortestExposure(held, failed, byCurve, notes(byTime, held, failed, byCurve));
    }

    /** What to take: the longer of what was seen and what was measured, s; null where neither tells. */
    public @Nullable Double take() {
        return held == null ? null : byCurve == null ? held : Double.valueOf(Math.max(held, byCurve));
    }

    private static @Nullable Double byCurve(List<Strip> strips, double layerMm) {
        List<WorkingCurve.Point> points = strips.stream()
                .filter(s -> s.depthMm() != null)
                .map(s -> new WorkingCurve.Point(s.seconds(), Objects.requireNonNull(s.depthMm())))
                .toList();
        return points.stream()
                                .mapToDouble(WorkingCurve.Point::exposure)
                                .distinct()
                                .count()
                        < 2
                ? null
                : Double.valueOf(WorkingCurve.fit(points).exposureFor(LAYERS_DEEP * layerMm));
    }

    private static List<String> notes(
            List<Strip> byTime, @Nullable Double held, @Nullable Double failed, @Nullable Double byCurve) {
        List<String> notes = new ArrayList<>();
        if (held == null) {
            notes.add("None held to the end: light longer ones, from "
                    + Plain.number(byTime.get(byTime.size() - 1).seconds()) + " s on.");
        } else if (failed == null) {
            notes.add("Every one held: a shorter one may hold too. Begin lower to know.");
        } else if (held / failed > APART) {
            notes.add("It lies between " + Plain.number(failed) + " and " + Plain.number(held)
                    + " s: strips between them would tell it closer.");
        }
        if (failed != null && byTime.stream().anyMatch(s -> s.seen().holds() && s.seconds() < failed)) {
            notes.add("One that was lit shorter held, and that of " + Plain.number(failed)
                    + " s did not: look at that place of the screen and of the film, then light them again.");
        }
        byTime.stream()
                .filter(s -> s.seen() == Seen.BLED)
                .findFirst()
                .ifPresent(s -> notes.add(
                        "From " + Plain.number(s.seconds()) + " s on light bleeds into gaps and holes: stay below."));
        if (byCurve == null) {
            notes.add("It was looked at, not measured: a strip that looks good may be half cured. Measure two "
                    + "thicknesses, and the working curve says how deep it cured.");
        } else if (held != null && byCurve > held * APART) {
            notes.add("By its thickness it grips the layer before only from " + Plain.number(hundredths(byCurve))
                    + " s on: what was seen to hold would part in a tall print.");
        }
        return notes;
    }

    private static double hundredths(double value) {
        return Math.round(100 * value) / 100.0;
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
