package keel.core.placement;

/**
 * Sums the masks of layers over the cells of a plate, picture by picture; all pictures of one size, their bottom left
 * being the front left of the plate.
 */
public final class MaskSum {

    private static final int LIT = 128;

    private final PlateCells cells;
    private final double[] light;
    private final double[] peel;
    private int pictures;

    public MaskSum(PlateCells cells) {
        this.cells = cells;
        this.light = new double[cells.count()];
        this.peel = new double[cells.count()];
    }

    /** Grey of a pixel, 0 to 255, from the top left. */
    public interface Picture {
        int grey(int x, int y);
    }

    /** Adds the mask of one layer: a pixel is lit from half grey on. {@code mirrored}: left and right are exchanged. */
    public void layer(int width, int height, Picture picture, boolean mirrored) {
        int[] lit = new int[cells.count()];
        int[] all = new int[cells.count()];
        each(width, height, mirrored, (cell, x, y) -> {
            all[cell]++;
            lit[cell] += picture.grey(x, y) >= LIT ? 1 : 0;
        });
        for (int cell = 0; cell < lit.length; cell++) {
            light[cell] += all[cell] == 0 ? 0 : (double) lit[cell] / all[cell];
            peel[cell] += lit[cell] > 0 ? 1 : 0;
        }
        pictures++;
    }

    /** Adds a picture that is the sum already: its grey is the share of the layers in which a pixel was lit. */
    public void sum(int width, int height, Picture picture, boolean mirrored) {
        double[] grey = new double[cells.count()];
        int[] most = new int[cells.count()];
        int[] all = new int[cells.count()];
        each(width, height, mirrored, (cell, x, y) -> {
            int value = picture.grey(x, y);
            all[cell]++;
            grey[cell] += value / 255.0;
            most[cell] = Math.max(most[cell], value);
        });
        for (int cell = 0; cell < grey.length; cell++) {
            light[cell] += all[cell] == 0 ? 0 : grey[cell] / all[cell];
            peel[cell] += most[cell] / 255.0;
        }
        pictures++;
    }

    /** @throws IllegalArgumentException with a sentence, if there was no picture, or nothing lit on any */
    public Footprint.Masks footprint() {
        if (pictures == 0) {
            throw new IllegalArgumentException("There is no picture in it.");
        }
        double lit = 0;
        double[] l = new double[light.length];
        double[] p = new double[peel.length];
        for (int cell = 0; cell < l.length; cell++) {
            l[cell] = Math.min(1, light[cell] / pictures);
            p[cell] = Math.min(1, peel[cell] / pictures);
            lit += l[cell];
        }
        if (lit == 0) {
            throw new IllegalArgumentException("Nothing is lit on it: a mask is bright where the resin is exposed.");
        }
        return new Footprint.Masks(cells.across(), cells.deep(), l, p);
    }

    private interface Pixel {
        void at(int cell, int x, int y);
    }

    private void each(int width, int height, boolean mirrored, Pixel pixel) {
        for (int y = 0; y < height; y++) {
            int row = Math.min(cells.deep() - 1, (int) ((long) (height - 1 - y) * cells.deep() / height));
            for (int x = 0; x < width; x++) {
                int column = Math.min(cells.across() - 1, (int) ((long) x * cells.across() / width));
                pixel.at(row * cells.across() + (mirrored ? cells.across() - 1 - column : column), x, y);
            }
        }
    }
}
