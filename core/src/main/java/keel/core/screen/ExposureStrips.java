package keel.core.screen;

import java.util.ArrayList;
import java.util.List;

/**
 * Strips side by side, each lit in one layer more than the one before: with so many seconds a layer, strip n gets n
 * times as long. Lit on bare glass or film without the plate they come out as pieces of growing thickness; notches at
 * the front edge count them. Common practice, no source.
 *
 * @param pixelsX of the layer, left to right, {@code pixelsY} front to back
 */
public record ExposureStrips(int pixelsX, int pixelsY) {

    /** How many there are. */
    public static final int STRIPS = 8;

    private static final double MARGIN = 0.06;
    private static final double GAP = 0.25;
    private static final int NOTCHES_ACROSS = 2 * STRIPS + 1;

    LayerSet set() {
        List<LayerSet.Layer> layers = new ArrayList<>();
        for (int layer = 1; layer <= STRIPS; layer++) {
            int first = STRIPS + 1 - layer;
            layers.add(new LayerSet.Layer(
                    first == STRIPS
                            ? "Strip " + STRIPS + " alone"
                            : "Strips " + first + " to " + STRIPS + (first == 1 ? ": all" : ""),
                    (x, y) -> lit(x, y) >= first ? 255 : 0));
        }
        return new LayerSet("exposure", "Exposure strips", pixelsX, pixelsY, layers);
    }

    /** In how many layers a pixel is lit: the number of its strip, 0 between them. */
    int lit(int x, int y) {
        double left = MARGIN * pixelsX;
        double pitch = (pixelsX - 2 * left) / STRIPS;
        int strip = (int) Math.floor((x - left) / pitch);
        double along = (x - left) / pitch - strip;
        double top = MARGIN * pixelsY;
        boolean inside = strip >= 0 && strip < STRIPS && y >= top && y < pixelsY - top;
        return inside && along >= GAP / 2 && along < 1 - GAP / 2 && !notch(strip + 1, along, y) ? strip + 1 : 0;
    }

    /** As many dark squares at the front as the strip's number. */
    private boolean notch(int number, double along, int y) {
        double within = (along - GAP / 2) / (1 - GAP);
        int place = (int) (within * NOTCHES_ACROSS);
        double high = pixelsY * 0.02;
        return y >= pixelsY * (1 - MARGIN) - high && place % 2 == 1 && place / 2 < number;
    }
}
