package keel.core.screen;

import java.util.Arrays;
import java.util.BitSet;

/**
 * A photograph brought to the screen's own plane: samples on a grid of a fifth of a millimetre, rows from the front,
 * each with what was shown there.
 *
 * @param light what was seen, 0 to 255
 * @param shown what was shown: lit, dark, between, or nothing to look at
 * @param meant what should be seen there, 0 dark to 1 lit
 * @param outside samples that lie beyond the photograph's edges
 * @param white how light the white around the marks is, 0 to 255, and {@code black} how light their dark is
 */
record Straightened(
        int across,
        int deep,
        double stepX,
        double stepY,
        float[] light,
        float[] meant,
        Shown[] shown,
        BitSet outside,
        double white,
        double black) {

    static final double STEP_MM = 0.2;

    private static final int SUB = 3;
    private static final double RIM_MM = 0.2;
    private static final int GUARD = 4;

    /** What was shown at a sample. NONE: a mark, the rim, or too near an edge between light and dark. */
    enum Shown {
        LIT,
        DARK,
        BETWEEN,
        NONE
    }

    static Straightened of(GreyPhoto photo, PictureToPhoto map, TestPicture picture, double widthMm, double heightMm) {
        int across = (int) Math.max(1, Math.round(widthMm / STEP_MM));
        int deep = (int) Math.max(1, Math.round(heightMm / STEP_MM));
        Taken taken = new Taken(photo, map, picture, across, deep);
        for (int row = 0; row < deep; row++) {
            for (int column = 0; column < across; column++) {
                taken.sample(row, column, rim(row, deep, heightMm) || rim(column, across, widthMm));
            }
        }
        return new Straightened(
                across,
                deep,
                widthMm / across,
                heightMm / deep,
                taken.light,
                taken.meant,
                guarded(taken.raw, across, deep),
                taken.outside,
                Math.max(1, taken.white.quantile(0.5)),
                taken.dark.quantile(0.5));
    }

    /** The samples as they are taken, one by one. */
    private static final class Taken {

        private static final int ALL = SUB * SUB;

        private final GreyPhoto photo;
        private final PictureToPhoto map;
        private final TestPicture picture;
        private final int across;
        private final int deep;
        private final boolean lines;
        private final float[] light;
        private final float[] meant;
        private final Shown[] raw;
        private final BitSet outside = new BitSet();
        private final Samples white = new Samples();
        private final Samples dark = new Samples();

        Taken(GreyPhoto photo, PictureToPhoto map, TestPicture picture, int across, int deep) {
            this.photo = photo;
            this.map = map;
            this.picture = picture;
            this.across = across;
            this.deep = deep;
            this.lines = picture.pattern() == TestPattern.LINES_X || picture.pattern() == TestPattern.LINES_Y;
            this.light = new float[across * deep];
            this.meant = new float[across * deep];
            this.raw = new Shown[across * deep];
        }

        private double across(double at, TestPattern lines, double spread, int most) {
            return picture.pattern() != lines ? at : Math.max(0, Math.min(most - 0.01, at + spread));
        }

        void sample(int row, int column, boolean rim) {
            double sum = 0;
            int lit = 0;
            int out = 0;
            boolean covered = false;
            for (int i = 0; i < ALL; i++) {
                double px = (column + (i % SUB + 0.5) / SUB) / across * picture.pixelsX();
                double py = (1 - (row + (i / SUB + 0.5) / SUB) / deep) * picture.pixelsY();
                if (lines) {
                    // the mean over one pair of lines, so that what is left is an even grey
                    double spread = ((i + 0.5) / ALL - 0.5) * 2 * TestPicture.LINES_PX;
                    px = across(px, TestPattern.LINES_Y, spread, picture.pixelsX());
                    py = across(py, TestPattern.LINES_X, spread, picture.pixelsY());
                }
                double x = map.x(px, py) - 0.5;
                double y = map.y(px, py) - 0.5;
                out += photo.shows(x, y) ? 0 : 1;
                sum += photo.at(x, y);
                int ix = Math.min(picture.pixelsX() - 1, (int) px);
                int iy = Math.min(picture.pixelsY() - 1, (int) py);
                lit += picture.grey(ix, iy);
                covered |= picture.marks().covers(ix, iy);
            }
            int index = row * across + column;
            light[index] = (float) (sum / ALL);
            meant[index] = (float) lit / (255 * ALL);
            outside.set(index, out > 0);
            if (covered && out == 0 && (lit == 0 || lit == 255 * ALL)) {
                (lit == 0 ? dark : white).add(light[index]);
            }
            raw[index] = covered || rim || out > 0
                    ? Shown.NONE
                    : lines ? Shown.BETWEEN : lit == 255 * ALL ? Shown.LIT : lit == 0 ? Shown.DARK : Shown.BETWEEN;
        }
    }

    private static boolean rim(int index, int count, double mm) {
        double at = (index + 0.5) / count * mm;
        return at < RIM_MM || at > mm - RIM_MM;
    }

    /**
     * Samples near something else than they show themselves are not looked at: light spreads in paper, and no
     * photograph is straightened without error.
     */
    private static Shown[] guarded(Shown[] raw, int across, int deep) {
        Shown[] guarded = new Shown[raw.length];
        Arrays.fill(guarded, Shown.NONE);
        for (Shown kind : new Shown[] {Shown.LIT, Shown.DARK, Shown.BETWEEN}) {
            int[][] others = others(raw, across, deep, kind);
            for (int row = 0; row < deep; row++) {
                int front = Math.max(0, row - GUARD);
                int back = Math.min(deep, row + GUARD + 1);
                for (int column = 0; column < across; column++) {
                    int left = Math.max(0, column - GUARD);
                    int right = Math.min(across, column + GUARD + 1);
                    if (others[back][right] - others[front][right] - others[back][left] + others[front][left] == 0) {
                        guarded[row * across + column] = kind;
                    }
                }
            }
        }
        return guarded;
    }

    /** How many samples before a row and a column show something else. */
    private static int[][] others(Shown[] raw, int across, int deep, Shown kind) {
        int[][] sums = new int[deep + 1][across + 1];
        for (int row = 0; row < deep; row++) {
            for (int column = 0; column < across; column++) {
                sums[row + 1][column + 1] = (raw[row * across + column] == kind ? 0 : 1)
                        + sums[row][column + 1]
                        + sums[row + 1][column]
                        - sums[row][column];
            }
        }
        return sums;
    }
}
