package keel.core.screen;

import boofcv.alg.drawing.FiducialImageEngine;
import boofcv.alg.fiducial.square.FiducialSquareGenerator;
import boofcv.struct.image.GrayU8;
import java.util.ArrayList;
import java.util.List;

/**
 * The four marks in the corners of a test picture, by which a photograph of it is straightened. Each is a dark square
 * with a code of its own on a white rim, so that a picture that was photographed askew or upside down is known the
 * right way round. They are large against their own detail: white paper over the screen blurs.
 *
 * @param sizePx side of a mark
 * @param marginPx white between a mark and the edges of the picture; towards the middle there is twice as much
 */
record CornerMarks(int pixelsX, int pixelsY, int sizePx, int marginPx) {

    /** Cells of a code along its side, and the share of a mark that its rim takes on each side. */
    static final int GRID = 3;

    static final double RIM = 0.2;

    private static final int MOST_PX = 192;
    private static final int SHARE = 8;
    private static final double MARGIN = 40.0 / MOST_PX;
    /** Codes of back left, back right, front left, front right; far from one another's quarter turns. */
    private static final long[] CODES = {3, 9, 21, 30};

    static CornerMarks of(int pixelsX, int pixelsY) {
        int size = Math.min(MOST_PX, Math.min(pixelsX, pixelsY) / SHARE);
        return new CornerMarks(pixelsX, pixelsY, size, (int) Math.round(size * MARGIN));
    }

    /**
     * A mark as it lies on the picture, from its top left.
     *
     * @param code that is written into it
     */
    record Mark(int x, int y, long code, int[][] grey) {}

    List<Mark> marks() {
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < CODES.length; i++) {
            int x = i % 2 == 0 ? marginPx : pixelsX - marginPx - sizePx;
            int y = i < 2 ? marginPx : pixelsY - marginPx - sizePx;
            marks.add(new Mark(x, y, CODES[i], drawn(CODES[i])));
        }
        return marks;
    }

    /** Whether a pixel belongs to a mark or the white around it. */
    boolean covers(int x, int y) {
        int reach = sizePx + 3 * marginPx;
        return (x < reach || x >= pixelsX - reach) && (y < reach || y >= pixelsY - reach);
    }

    private int[][] drawn(long code) {
        FiducialImageEngine engine = new FiducialImageEngine();
        engine.configure(0, sizePx);
        FiducialSquareGenerator generator = new FiducialSquareGenerator(engine);
        generator.setMarkerWidth(sizePx);
        generator.setBlackBorder(RIM);
        generator.generate(code, GRID);
        GrayU8 image = engine.getGray();
        int[][] grey = new int[sizePx][sizePx];
        for (int y = 0; y < sizePx; y++) {
            for (int x = 0; x < sizePx; x++) {
                grey[y][x] = image.get(x, y) < 128 ? 0 : 255;
            }
        }
        return grey;
    }
}
