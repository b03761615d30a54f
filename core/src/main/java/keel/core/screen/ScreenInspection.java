package keel.core.screen;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;

/**
 * What a photograph of a test picture tells of a screen: spots that stay dark where light was shown, spots that stay
 * lit where dark was shown.
 *
 * @param found whether the corner marks were found; if not, {@code message} says why and the rest is empty
 * @param printableShare of the screen's area that lies clear of all spots by two millimetres; null where nothing was
 *     found
 * @param onPhoto where each of the spots lies on the photograph, in their order
 * @param corners where the screen's front left, front right, back right and back left lie on it; empty where nothing
 *     was found
 */
public record ScreenInspection(
        boolean found,
        String message,
        List<Spot> spots,
        Double printableShare,
        List<OnPhoto> onPhoto,
        List<OnPhoto> corners) {

    private static final double LEAST_DARK = 0.15;
    private static final double LEAST_LIT = 0.12;
    private static final double NOISES = 6;
    private static final double LEAST_AREA_MM2 = 0.2;
    private static final double SURE_SIZE_MM = 0.8;
    static final double MARGIN_MM = 2;
    private static final double MOST_OFF = 0.5;
    private static final int MOST_SPOTS = 500;

    /** Whether a spot stays dark or lit. */
    public enum SpotKind {
        DARK,
        LIT
    }

    /**
     * A spot, by its middle from the front left.
     *
     * @param sizeMm diameter of a round of its area
     * @param confidence 0 to 1
     */
    public record Spot(SpotKind kind, double xMm, double yMm, double sizeMm, double confidence) {}

    /** A round on the photograph, in its pixels from the top left; a corner has no radius. */
    public record OnPhoto(double x, double y, double r) {}

    private static ScreenInspection none(String why) {
        return new ScreenInspection(false, why, List.of(), null, List.of(), List.of());
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
        Deviations off = Deviations.of(s);
        List<Spot> spots = new ArrayList<>();
        spots.addAll(spots(s, off, SpotKind.DARK));
        spots.addAll(spots(s, off, SpotKind.LIT));
        double share = off.shareBeyond(LEAST_DARK);
        if (!off.asShown() || share > MOST_OFF || spots.size() > MOST_SPOTS) {
            return none("It does not look like this picture at all: was another one shown, or is there glare on the "
                    + "paper?");
        }
        spots.sort(Comparator.comparing(Spot::sizeMm).reversed());
        OntoPhoto onto = new OntoPhoto(map.map(), picture, widthMm, heightMm);
        List<OnPhoto> corners = List.of(
                onto.at(0, 0, 0), onto.at(widthMm, 0, 0), onto.at(widthMm, heightMm, 0), onto.at(0, heightMm, 0));
        return new ScreenInspection(
                true,
                says(spots),
                spots,
                printable(spots, widthMm, heightMm),
                spots.stream()
                        .map(p -> onto.at(p.xMm(), p.yMm(), p.sizeMm() / 2))
                        .toList(),
                corners);
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

        private double x(double xMm, double yMm) {
            return map.x(xMm / widthMm * picture.pixelsX(), (1 - yMm / heightMm) * picture.pixelsY());
        }

        private double y(double xMm, double yMm) {
            return map.y(xMm / widthMm * picture.pixelsX(), (1 - yMm / heightMm) * picture.pixelsY());
        }
    }

    private static String says(List<Spot> spots) {
        if (spots.isEmpty()) {
            return "No spots are seen.";
        }
        long dark = spots.stream().filter(p -> p.kind() == SpotKind.DARK).count();
        long lit = spots.size() - dark;
        return (dark > 0 ? dark + (dark == 1 ? " spot stays dark" : " spots stay dark") : "")
                + (dark > 0 && lit > 0 ? ", " : "")
                + (lit > 0 ? lit + (lit == 1 ? " spot stays lit" : " spots stay lit") : "") + ".";
    }

    private static List<Spot> spots(Straightened s, Deviations off, SpotKind kind) {
        double least = Math.max(kind == SpotKind.DARK ? LEAST_DARK : LEAST_LIT, NOISES * off.noise());
        float sign = kind == SpotKind.DARK ? -1 : 1;
        boolean[] done = new boolean[s.across() * s.deep()];
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < done.length; i++) {
            if (!done[i] && off.looked(i, kind) && sign * off.at(i) > least) {
                int[] region = region(s, off, kind, sign, least, i, done);
                Spot spot = spot(s, off, kind, sign, least, region);
                if (spot != null) {
                    spots.add(spot);
                }
            }
        }
        return spots;
    }

    private static int[] region(
            Straightened s, Deviations off, SpotKind kind, float sign, double least, int from, boolean[] done) {
        ArrayDeque<Integer> open = new ArrayDeque<>(List.of(from));
        int[] cells = new int[64];
        int n = 0;
        done[from] = true;
        while (!open.isEmpty()) {
            int i = open.poll();
            if (n == cells.length) {
                cells = Arrays.copyOf(cells, 2 * n);
            }
            cells[n++] = i;
            int row = i / s.across();
            int column = i % s.across();
            for (int r = Math.max(0, row - 1); r <= Math.min(s.deep() - 1, row + 1); r++) {
                for (int c = Math.max(0, column - 1); c <= Math.min(s.across() - 1, column + 1); c++) {
                    int k = r * s.across() + c;
                    if (!done[k] && off.looked(k, kind) && sign * off.at(k) > least) {
                        done[k] = true;
                        open.add(k);
                    }
                }
            }
        }
        return Arrays.copyOf(cells, n);
    }

    /**
     * Its extent is where it is at least half as deep as at its deepest. Null where it is too small to be told from
     * noise.
     */
    private static Spot spot(Straightened s, Deviations off, SpotKind kind, float sign, double least, int[] region) {
        double peak = 0;
        for (int i : region) {
            peak = Math.max(peak, sign * off.at(i));
        }
        double area = 0;
        double x = 0;
        double y = 0;
        for (int i : region) {
            if (sign * off.at(i) >= peak / 2) {
                area += s.stepX() * s.stepY();
                x += (i % s.across() + 0.5) * s.stepX() * s.stepX() * s.stepY();
                y += (i / s.across() + 0.5) * s.stepY() * s.stepX() * s.stepY();
            }
        }
        if (area < LEAST_AREA_MM2) {
            return null;
        }
        double size = 2 * Math.sqrt(area / Math.PI);
        double confidence = Math.min(1, size / SURE_SIZE_MM) * (1 - Math.exp(-2 * (peak / least - 0.5)));
        return new Spot(kind, x / area, y / area, size, Math.max(0, Math.min(1, confidence)));
    }

    /** Share of the area that lies clear of the spots by {@link #MARGIN_MM}. */
    static double printable(List<Spot> spots, double widthMm, double heightMm) {
        int across = (int) Math.ceil(widthMm);
        int deep = (int) Math.ceil(heightMm);
        BitSet covered = new BitSet(across * deep);
        spots.forEach(p -> cover(covered, p, widthMm / across, heightMm / deep, across, deep));
        int clear = across * deep - covered.cardinality();
        return (double) clear / (across * deep);
    }

    /** Marks the cells of a grid whose middles lie too near a spot. */
    private static void cover(BitSet covered, Spot p, double cellWide, double cellDeep, int across, int deep) {
        double reach = p.sizeMm() / 2 + MARGIN_MM;
        int firstRow = Math.max(0, (int) ((p.yMm() - reach) / cellDeep) - 1);
        int lastRow = Math.min(deep - 1, (int) ((p.yMm() + reach) / cellDeep));
        int firstColumn = Math.max(0, (int) ((p.xMm() - reach) / cellWide) - 1);
        int lastColumn = Math.min(across - 1, (int) ((p.xMm() + reach) / cellWide));
        for (int row = firstRow; row <= lastRow; row++) {
            for (int column = firstColumn; column <= lastColumn; column++) {
                if (Math.hypot(p.xMm() - (column + 0.5) * cellWide, p.yMm() - (row + 0.5) * cellDeep) < reach) {
                    covered.set(row * across + column);
                }
            }
        }
    }
}
