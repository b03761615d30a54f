package keel.core.film;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How to go on with a hole in a film or a leaking tank, the best way first: by what hole it is, what is in the stores,
 * and how far the film has come. A pinhole is cured shut only where no spare vat is quicker and the film is worth
 * it; nothing else can be. Common practice, no published source.
 *
 * @param way what to do
 * @param why in a sentence
 */
public record HoleAdvice(Way way, String why) {

    /** From this share of its life on a film is not worth a stop-gap. */
    static final double NEAR_ITS_END = 0.8;

    /** What can be done about it. */
    public enum Way {
        SPARE_VAT("Fit the spare vat"),
        STOP_GAP("Cure it shut for now"),
        NEW_FILM("Change the film"),
        NEW_TANK("Change the tank"),
        ORDER("Order, and put the machine by");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What hole it is. */
    public enum Hole {
        PIN,
        LARGE,
        NOT_SAID
    }

    /**
     * What is known.
     *
     * @param tank whether it is a laser tank
     * @param hole what hole it is
     * @param curedBefore whether a hole in it was cured shut before
     * @param shareOfLife of the film that is over, null where nobody knows its hours
     * @param spareVats vats of this model on the shelf with a film in them
     * @param sheets films, or tanks, in the stores; null where they are not counted
     */
    public record Facts(
            boolean tank,
            Hole hole,
            boolean curedBefore,
            @Nullable Double shareOfLife,
            int spareVats,
            @Nullable Double sheets) {}

    public static List<HoleAdvice> of(Facts f) {
        List<HoleAdvice> ways = new ArrayList<>();
        if (f.spareVats() > 0) {
            ways.add(new HoleAdvice(
                    Way.SPARE_VAT,
                    (f.spareVats() == 1 ? "One is" : f.spareVats() + " are")
                            + " on the shelf: it prints again in minutes, and the change waits for a sitting."));
        }
        boolean none = f.sheets() != null && f.sheets() < 1;
        if (f.tank()) {
            ways.add(none ? order("No tank is in the stores.") : fresh(Way.NEW_TANK, f, "A lining cannot be mended."));
            return ways;
        }
        HoleAdvice gap = stopGap(f);
        HoleAdvice film = none ? order("No sheet is in the stores.") : fresh(Way.NEW_FILM, f, why(f));
        boolean gapFirst = gap != null && f.hole() == Hole.PIN && (none || worthIt(f));
        if (gap != null && gapFirst) {
            ways.add(gap);
        }
        ways.add(film);
        if (gap != null && !gapFirst) {
            ways.add(gap);
        }
        return ways;
    }

    private static @Nullable HoleAdvice stopGap(Facts f) {
        if (f.hole() == Hole.LARGE || f.curedBefore()) {
            return null;
        }
        return new HoleAdvice(
                Way.STOP_GAP,
                f.hole() == Hole.NOT_SAID
                        ? "Only a pinhole, a millimetre at most, away from the rim."
                        : "It holds some hours, and is looked at again and again; the film goes at the next sitting.");
    }

    private static boolean worthIt(Facts f) {
        return f.shareOfLife() != null && f.shareOfLife() < NEAR_ITS_END;
    }

    private static String why(Facts f) {
        if (f.hole() == Hole.LARGE) {
            return "It goes on tearing; nothing cures it shut.";
        }
        if (f.curedBefore()) {
            return "It was cured shut once already: a film with two holes is done.";
        }
        if (f.shareOfLife() == null) {
            return "Nobody knows how old it is: a new one ends the doubt.";
        }
        return worthIt(f)
                ? "The film is young, and still: only a new one is whole."
                : Math.round(100 * f.shareOfLife()) + " % of its life is over: not worth a stop-gap.";
    }

    private static HoleAdvice fresh(Way way, Facts f, String why) {
        return new HoleAdvice(way, why + (f.sheets() == null ? " How many are in the stores is not counted." : ""));
    }

    private static HoleAdvice order(String why) {
        return new HoleAdvice(Way.ORDER, why + " The machine is held until one came.");
    }
}
