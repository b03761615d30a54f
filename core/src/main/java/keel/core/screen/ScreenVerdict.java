package keel.core.screen;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.screen.ScreenInspection.Hidden;
import keel.core.screen.ScreenInspection.Spot;

/**
 * Whether a screen is still good: as it is, around its spots, or not. Common practice, no source; the margin of two
 * millimetres around a spot is the one that the advice where to print keeps.
 *
 * @param verdict in one word
 * @param printableShare of its area that was not hidden and lies clear of all spots
 * @param freePlaces share of the places at which the shop's usual job would lie clear; null where no job's size is
 *     known
 * @param fails chance that something new ends it in the next job, by its life
 * @param reasons in sentences, the weightiest first
 */
public record ScreenVerdict(
        Verdict verdict, double printableShare, Double freePlaces, double fails, List<String> reasons) {

    private static final double LEAST_SHARE = 0.6;
    private static final double LEAST_PLACES = 0.02;
    private static final int SPREADS = 3;
    private static final double STEP_MM = 1;
    private static final double WORTH_SAYING = 0.005;

    /** What to do with it. */
    public enum Verdict {
        USABLE("Good as it is"),
        AROUND("Good around its spots"),
        CHANGE("Change it now");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** A size that the shop prints, as it lies, mm. */
    public record Size(double acrossMm, double deepMm) {}

    /**
     * What is known.
     *
     * @param spots on record now
     * @param hidden what the last photograph did not show
     * @param newOrGrown how many of them are new or grown since the inspection before
     * @param usual size of a usual job, null where none is known
     * @param fails chance, 0 to 1, that it spoils the next job
     * @param dueFrom from which chance on a part is due
     * @param looked whether somebody inspected it: hours alone never ask for more than that
     */
    public record Known(
            List<Spot> spots,
            List<Hidden> hidden,
            long newOrGrown,
            double widthMm,
            double heightMm,
            Size usual,
            double fails,
            double dueFrom,
            boolean looked) {}

    public static ScreenVerdict of(Known k) {
        double share = ScreenArea.printable(k.spots(), k.hidden(), k.widthMm(), k.heightMm());
        Double places = k.usual() == null ? null : freePlaces(k);
        List<String> change = change(k, places);
        if (!change.isEmpty()) {
            return new ScreenVerdict(Verdict.CHANGE, share, places, k.fails(), change);
        }
        List<String> reasons = new ArrayList<>();
        if (k.newOrGrown() >= SPREADS) {
            reasons.add(k.newOrGrown()
                    + " spots are new or grown since the inspection before: it is going. Have a spare on the shelf.");
        }
        if (!k.spots().isEmpty() && places != null) {
            reasons.add(String.format(
                    Locale.ROOT,
                    "A usual job of %.0f × %.0f mm lies clear of them in %.0f %% of its places.",
                    k.usual().acrossMm(),
                    k.usual().deepMm(),
                    100 * places));
        }
        if (!k.looked() && k.fails() > k.dueFrom()) {
            reasons.add(String.format(
                    Locale.ROOT,
                    "At its age it fails in the next job with a chance of %.0f %%, and nobody inspected it: "
                            + "photograph it.",
                    100 * k.fails()));
        }
        double notSeen = 1 - ScreenArea.printable(List.of(), k.hidden(), k.widthMm(), k.heightMm());
        if (notSeen > WORTH_SAYING) {
            reasons.add(String.format(
                    Locale.ROOT,
                    "%.0f %% of it (hatched) was hidden on the last photograph and is not known to be good: photograph "
                            + "it again.",
                    100 * notSeen));
        }
        return new ScreenVerdict(
                k.spots().isEmpty() ? Verdict.USABLE : Verdict.AROUND, share, places, k.fails(), reasons);
    }

    private static List<String> change(Known k, Double places) {
        List<String> why = new ArrayList<>();
        if (places != null && places < LEAST_PLACES && !k.spots().isEmpty()) {
            why.add(String.format(
                    Locale.ROOT,
                    "A usual job of %.0f × %.0f mm finds hardly a place clear of the spots.",
                    k.usual().acrossMm(),
                    k.usual().deepMm()));
        }
        double clear = ScreenArea.printable(k.spots(), List.of(), k.widthMm(), k.heightMm());
        if (clear < LEAST_SHARE) {
            why.add(String.format(Locale.ROOT, "Only %.0f %% of it can be printed on.", 100 * clear));
        }
        if (k.looked() && k.fails() > k.dueFrom()) {
            why.add(String.format(Locale.ROOT, "It fails in the next job with a chance of %.0f %%.", 100 * k.fails()));
        }
        return why;
    }

    /** In steps of a millimetre; both ways round where it fits turned only. */
    private static double freePlaces(Known k) {
        Size size = k.usual();
        boolean turned = size.acrossMm() > k.widthMm() || size.deepMm() > k.heightMm();
        double across = turned ? size.deepMm() : size.acrossMm();
        double deep = turned ? size.acrossMm() : size.deepMm();
        if (across > k.widthMm() || deep > k.heightMm()) {
            return k.spots().isEmpty() ? 1 : 0;
        }
        int columns = (int) Math.floor((k.widthMm() - across) / STEP_MM) + 1;
        int rows = (int) Math.floor((k.heightMm() - deep) / STEP_MM) + 1;
        int free = 0;
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                free += clear(k.spots(), column * STEP_MM, row * STEP_MM, across, deep) ? 1 : 0;
            }
        }
        return (double) free / (columns * rows);
    }

    private static boolean clear(List<Spot> spots, double left, double front, double across, double deep) {
        for (Spot s : spots) {
            if (s.off(left, front, across, deep) < ScreenArea.MARGIN_MM) {
                return false;
            }
        }
        return true;
    }
}
