package keel.core.screen;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * What a photograph of a test picture tells of a screen: spots that stay dark where light was shown, spots that stay
 * lit where dark was shown, lines from edge to edge, regions with less light; and what it does not tell, because glare,
 * a shadow, a hair or a cut corner hides it.
 *
 * @param found whether it is a photograph of that picture; if not, {@code message} says why and the rest is empty
 * @param printableShare of the screen's area that was seen and lies clear of all spots by two millimetres; null where
 *     nothing was found
 * @param onPhoto where each of the spots lies on the photograph, in their order
 * @param corners where the screen's front left, front right, back right and back left lie on it; empty where nothing
 *     was found
 * @param notSeen share of the screen's area that is hidden; null where nothing was found
 * @param hidden where that is
 * @param hiddenOnPhoto the four corners of each of these on the photograph
 */
public record ScreenInspection(
        boolean found,
        String message,
        List<Spot> spots,
        Double printableShare,
        List<OnPhoto> onPhoto,
        List<OnPhoto> corners,
        Double notSeen,
        List<Hidden> hidden,
        List<List<OnPhoto>> hiddenOnPhoto) {

    static final double LEAST_DARK = 0.15;
    static final double LEAST_LIT = 0.12;
    private static final double MOST_OFF = 0.5;
    private static final int MOST_SPOTS = 500;
    private static final double WORTH_SAYING = 0.002;

    /** What is wrong there: it stays dark, stays lit, does so from edge to edge, or gives less light than the rest. */
    public enum SpotKind {
        DARK,
        LIT,
        LINE,
        DIM;

        /** As in "stays dark". */
        public String words() {
            return switch (this) {
                case DARK -> "stays dark";
                case LIT -> "stays lit";
                case LINE -> "dead line";
                case DIM -> "gives less light";
            };
        }
    }

    /**
     * A place that cannot be printed on, by its middle from the front left. A rectangle where {@code acrossMm} and
     * {@code deepMm} are given, else a round.
     *
     * @param sizeMm diameter of a round of its area; the width of a line
     * @param confidence 0 to 1
     * @param lengthMm of a line, null for all else
     * @param light that comes through, as a share of what comes through around it, 0 to 1; null where it was not
     *     measured
     * @param acrossMm along x, null for a round
     * @param deepMm along y, null for a round
     */
    public record Spot(
            SpotKind kind,
            double xMm,
            double yMm,
            double sizeMm,
            double confidence,
            Double lengthMm,
            Double light,
            Double acrossMm,
            Double deepMm) {

        private static final double LEAST_PITCH_MM = 1;
        private static final double MOST_PITCH_MM = 4;

        /** A round. */
        public Spot(SpotKind kind, double xMm, double yMm, double sizeMm, double confidence) {
            this(kind, xMm, yMm, sizeMm, confidence, null, null, null, null);
        }

        /** A line through a place; {@code deep} if it runs from front to back, else from left to right. */
        public static Spot line(double xMm, double yMm, double widthMm, double lengthMm, boolean deep, double sure) {
            return new Spot(
                    SpotKind.LINE,
                    xMm,
                    yMm,
                    widthMm,
                    sure,
                    lengthMm,
                    null,
                    deep ? widthMm : lengthMm,
                    deep ? lengthMm : widthMm);
        }

        /** As in "stays dark, 1.5 mm". */
        public String words() {
            return switch (kind) {
                case DARK, LIT -> String.format(Locale.ROOT, "%s, %.1f mm", kind.words(), sizeMm);
                case LINE ->
                    (deep() ? "dead line from front to back" : "dead line from left to right")
                            + String.format(Locale.ROOT, ", %.1f mm", Math.max(0.1, sizeMm));
                case DIM ->
                    (light == null
                                    ? kind.words()
                                    : String.format(Locale.ROOT, "gives %.0f %% of its light", 100 * light))
                            + (round()
                                    ? String.format(Locale.ROOT, ", %.0f mm", sizeMm)
                                    : String.format(Locale.ROOT, ", %.0f × %.0f mm", acrossMm, deepMm));
            };
        }

        public boolean round() {
            return acrossMm == null || deepMm == null;
        }

        /** Whether it runs from front to back. */
        public boolean deep() {
            return !round() && deepMm > acrossMm;
        }

        /** From the middle to its reach along x, mm. */
        public double halfAcross() {
            return (round() ? sizeMm : acrossMm) / 2;
        }

        /** From the middle to its reach along y, mm. */
        public double halfDeep() {
            return (round() ? sizeMm : deepMm) / 2;
        }

        /** How far a rectangle lies from it, mm; 0 where they touch. A point is a rectangle without sides. */
        public double off(double left, double front, double across, double deep) {
            double hx = round() ? 0 : acrossMm / 2;
            double hy = round() ? 0 : deepMm / 2;
            double dx = Math.max(0, Math.max(left - (xMm + hx), xMm - hx - (left + across)));
            double dy = Math.max(0, Math.max(front - (yMm + hy), yMm - hy - (front + deep)));
            return Math.max(0, Math.hypot(dx, dy) - (round() ? sizeMm / 2 : 0));
        }

        /** Rounds that cover it together, for what can only keep off rounds. */
        public List<Round> rounds() {
            if (round()) {
                return List.of(new Round(xMm, yMm, sizeMm));
            }
            double pitch = Math.max(LEAST_PITCH_MM, Math.min(MOST_PITCH_MM, Math.min(acrossMm, deepMm)));
            int columns = (int) Math.max(1, Math.ceil(acrossMm / pitch));
            int rows = (int) Math.max(1, Math.ceil(deepMm / pitch));
            double size = Math.hypot(acrossMm / columns, deepMm / rows);
            List<Round> rounds = new ArrayList<>();
            for (int i = 0; i < columns * rows; i++) {
                rounds.add(new Round(
                        xMm - acrossMm / 2 + (i % columns + 0.5) * acrossMm / columns,
                        yMm - deepMm / 2 + (i / columns + 0.5) * deepMm / rows,
                        size));
            }
            return rounds;
        }
    }

    /** By its middle from the front left, mm. */
    public record Round(double xMm, double yMm, double sizeMm) {}

    /** A rectangle that was not seen, by its front left corner, mm, and what hides it. */
    public record Hidden(double xMm, double yMm, double acrossMm, double deepMm, String by) {

        public boolean covers(double x, double y) {
            return x >= xMm && x <= xMm + acrossMm && y >= yMm && y <= yMm + deepMm;
        }
    }

    /** A round on the photograph, in its pixels from the top left; a corner has no radius. */
    public record OnPhoto(double x, double y, double r) {}

    private static ScreenInspection none(String why) {
        return new ScreenInspection(false, why, List.of(), null, List.of(), List.of(), null, List.of(), List.of());
    }

    /**
     * @param widthMm of the lit area, left to right
     * @param heightMm front to back
     * @throws IllegalArgumentException if a side is not more than 0
     */
    public static ScreenInspection of(GreyPhoto photo, TestPicture picture, double widthMm, double heightMm) {
        if (!(widthMm > 0) || !(heightMm > 0)) {
            throw new IllegalArgumentException("The screen must be more than 0 mm.");
        }
        PictureToPhoto.Found map = PictureToPhoto.find(photo, picture);
        if (map.map() == null) {
            return none(map.message());
        }
        Straightened s = Straightened.of(photo, map.map(), picture, widthMm, heightMm);
        String another = ShownPicture.anotherThan(picture, photo, map.map(), s);
        if (another != null) {
            return none(another);
        }
        Deviations off = Deviations.of(s);
        Seen seen = new SpotFinder(s, off, map.corners()).seen();
        double share = off.shareBeyond(LEAST_DARK);
        if (!off.asShown() || share > MOST_OFF || seen.spots().size() > MOST_SPOTS) {
            return none("It does not look like this picture at all: was another one shown, or is there glare on the "
                    + "paper?");
        }
        return of(seen, new OntoPhoto(map.map(), picture, widthMm, heightMm), picture.pattern());
    }

    /** What was found, before it is put into words. */
    record Seen(List<Spot> spots, List<Hidden> hidden, double notSeen) {}

    private static ScreenInspection of(Seen seen, OntoPhoto onto, TestPattern pattern) {
        double w = onto.widthMm();
        double d = onto.heightMm();
        List<Spot> spots = new ArrayList<>(seen.spots());
        spots.sort(Comparator.comparing(Spot::sizeMm).reversed());
        return new ScreenInspection(
                true,
                says(spots, seen, pattern),
                spots,
                ScreenArea.printable(spots, seen.hidden(), w, d),
                spots.stream()
                        .map(p -> onto.at(p.xMm(), p.yMm(), Math.min(p.halfAcross(), p.halfDeep())))
                        .toList(),
                List.of(onto.at(0, 0, 0), onto.at(w, 0, 0), onto.at(w, d, 0), onto.at(0, d, 0)),
                seen.notSeen(),
                seen.hidden(),
                seen.hidden().stream().map(onto::corners).toList());
    }

    /** From millimetres on the screen to pixels of the photograph. */
    private record OntoPhoto(PictureToPhoto map, TestPicture picture, double widthMm, double heightMm) {

        OnPhoto at(double xMm, double yMm, double rMm) {
            double x = x(xMm, yMm);
            double y = y(xMm, yMm);
            double r = rMm == 0
                    ? 0
                    : (Math.hypot(x(xMm + rMm, yMm) - x, y(xMm + rMm, yMm) - y)
                                    + Math.hypot(x(xMm, yMm + rMm) - x, y(xMm, yMm + rMm) - y))
                            / 2;
            return new OnPhoto(x, y, r);
        }

        List<OnPhoto> corners(Hidden h) {
            double right = h.xMm() + h.acrossMm();
            double back = h.yMm() + h.deepMm();
            return List.of(at(h.xMm(), h.yMm(), 0), at(right, h.yMm(), 0), at(right, back, 0), at(h.xMm(), back, 0));
        }

        private double x(double xMm, double yMm) {
            return map.x(xMm / widthMm * picture.pixelsX(), (1 - yMm / heightMm) * picture.pixelsY());
        }

        private double y(double xMm, double yMm) {
            return map.y(xMm / widthMm * picture.pixelsX(), (1 - yMm / heightMm) * picture.pixelsY());
        }
    }

    private static String says(List<Spot> spots, Seen seen, TestPattern pattern) {
        List<String> parts = new ArrayList<>();
        count(parts, spots, SpotKind.DARK, "spot stays dark", "spots stay dark");
        count(parts, spots, SpotKind.LIT, "spot stays lit", "spots stay lit");
        count(parts, spots, SpotKind.LINE, "line is dead", "lines are dead");
        count(parts, spots, SpotKind.DIM, "region gives less light", "regions give less light");
        String found = parts.isEmpty() ? "No spots are seen." : String.join(", ", parts) + ".";
        if (pattern != TestPattern.WHITE && pattern != TestPattern.BLACK) {
            found += " " + pattern.use();
        }
        if (seen.notSeen() < WORTH_SAYING) {
            return found;
        }
        List<String> by = seen.hidden().stream().map(Hidden::by).distinct().toList();
        return found + " " + Math.max(1, Math.round(100 * seen.notSeen())) + " % of it is not seen: "
                + String.join(", ", by) + ". Take that away and photograph it again.";
    }

    private static void count(List<String> parts, List<Spot> spots, SpotKind kind, String one, String several) {
        long n = spots.stream().filter(p -> p.kind() == kind).count();
        if (n > 0) {
            parts.add(n + " " + (n == 1 ? one : several));
        }
    }
}
