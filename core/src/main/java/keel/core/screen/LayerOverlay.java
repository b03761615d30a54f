package keel.core.screen;

/**
 * All layers over one another: how bright each place was on average, 0 to 255, rows from the top. Layers may have more
 * pixels than the overlay; each of its cells is looked at in nine places.
 */
public final class LayerOverlay {

    private static final int PLACES = 3;

    private final int width;
    private final int height;
    private final double[] sum;
    private int layers;

    /** @param most pixels of its longer side, for pictures of {@code pixelsX} by {@code pixelsY} */
    public LayerOverlay(int pixelsX, int pixelsY, int most) {
        double scale = Math.min(1, (double) most / Math.max(pixelsX, pixelsY));
        this.width = Math.max(1, (int) Math.round(pixelsX * scale));
        this.height = Math.max(1, (int) Math.round(pixelsY * scale));
        this.sum = new double[width * height];
    }

    /** Adds a layer of that size. */
    public void add(int pixelsX, int pixelsY, LayerSet.Picture picture) {
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int grey = 0;
                for (int i = 0; i < PLACES * PLACES; i++) {
                    grey += picture.grey(at(x, i % PLACES, width, pixelsX), at(y, i / PLACES, height, pixelsY));
                }
                sum[y * width + x] += (double) grey / (PLACES * PLACES);
            }
        }
        layers++;
    }

    private static int at(int cell, int place, int cells, int pixels) {
        return Math.min(pixels - 1, (int) ((cell + (place + 0.5) / PLACES) / cells * pixels));
    }

    public static LayerOverlay of(LayerSet set, int most) {
        LayerOverlay overlay = new LayerOverlay(set.pixelsX(), set.pixelsY(), most);
        set.layers().forEach(l -> overlay.add(set.pixelsX(), set.pixelsY(), l.picture()));
        return overlay;
    }

    /** @throws IllegalStateException without any layer */
    public GreyPhoto picture() {
        if (layers == 0) {
            throw new IllegalStateException("There is no layer to lay over one another.");
        }
        byte[] grey = new byte[sum.length];
        for (int i = 0; i < grey.length; i++) {
            grey[i] = (byte) Math.round(sum[i] / layers);
        }
        return new GreyPhoto(width, height, grey);
    }
}
