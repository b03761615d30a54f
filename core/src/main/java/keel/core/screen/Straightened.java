package keel.core.screen;

import java.util.Arrays;

/**
 * A photograph brought to the screen's own plane: samples on a grid of a fifth of a millimetre, rows from the front,
 * each with what was shown there.
 *
 * @param light what was seen, 0 to 255
 * @param shown what was shown: lit, dark, between, or nothing to look at
 * @param white how light the white around the marks is, 0 to 255
 */
record Straightened(int across, int deep, double stepX, double stepY, float[] light, Shown[] shown, double white) {

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
        float[] light = new float[across * deep];
        Shown[] raw = new Shown[across * deep];
        Samples around = new Samples();
        for (int row = 0; row < deep; row++) {
            for (int column = 0; column < across; column++) {
                double sum = 0;
                int lit = 0;
                boolean covered = false;
                for (int i = 0; i < SUB * SUB; i++) {
                    double px = (column + (i % SUB + 0.5) / SUB) / across * picture.pixelsX();
                    double py = (1 - (row + (i / SUB + 0.5) / SUB) / deep) * picture.pixelsY();
                    sum += photo.at(map.x(px, py) - 0.5, map.y(px, py) - 0.5);
                    int x = Math.min(picture.pixelsX() - 1, (int) px);
                    int y = Math.min(picture.pixelsY() - 1, (int) py);
                    lit += picture.grey(x, y);
                    covered |= picture.marks().covers(x, y);
                }
                int index = row * across + column;
                light[index] = (float) (sum / (SUB * SUB));
                if (covered && lit == 255 * SUB * SUB) {
                    around.add(light[index]);
                }
                raw[index] = covered || rim(row, deep, heightMm) || rim(column, across, widthMm)
                        ? Shown.NONE
                        : lit == 255 * SUB * SUB ? Shown.LIT : lit == 0 ? Shown.DARK : Shown.BETWEEN;
            }
        }
        return new Straightened(
                across,
                deep,
                widthMm / across,
                heightMm / deep,
                light,
                guarded(raw, across, deep),
                Math.max(1, around.quantile(0.5)));
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
