package keel.core.placement;

import java.util.List;

/** What a run covered of its plate: rectangles, or masks summed over its layers. */
public sealed interface Footprint {

    /** What it gives to each cell. */
    Coverage over(PlateCells cells);

    /** Of a run, for each cell: share of its UV time, and share of its layers that peeled there, 0 to 1. */
    record Coverage(double[] light, double[] peel) {

        /** Share of the plate that was lit, on average over the layers. */
        public double mean() {
            double sum = 0;
            for (double share : light) {
                sum += share;
            }
            return sum / light.length;
        }
    }

    /** Rectangles that are lit in every layer; where they lie over one another they count once. */
    record Parts(List<PlacedPart> parts) implements Footprint {

        public static final int MOST = 200;

        /** @throws IllegalArgumentException without any, or with more than {@link #MOST} */
        public Parts {
            if (parts.isEmpty() || parts.size() > MOST) {
                throw new IllegalArgumentException(
                        "A footprint has 1 to " + MOST + " rectangles: " + parts.size() + ".");
            }
            parts = List.copyOf(parts);
        }

        @Override
        public Coverage over(PlateCells cells) {
            double[] share = new double[cells.count()];
            double w = cells.cellLengthMm();
            double d = cells.cellWidthMm();
            for (PlacedPart p : parts) {
                int left = index((p.xMm() - p.halfAcross()) / w, cells.across());
                int right = index((p.xMm() + p.halfAcross()) / w, cells.across());
                int front = index((p.yMm() - p.halfDeep()) / d, cells.deep());
                int back = index((p.yMm() + p.halfDeep()) / d, cells.deep());
                for (int row = front; row <= back; row++) {
                    for (int column = left; column <= right; column++) {
                        int cell = row * cells.across() + column;
                        share[cell] = Math.min(1, share[cell] + Overlap.area(p, column * w, row * d, w, d) / (w * d));
                    }
                }
            }
            return new Coverage(share, share);
        }

        private static int index(double at, int count) {
            return Math.max(0, Math.min(count - 1, (int) Math.floor(at)));
        }
    }

    /**
     * Masks summed over the layers, in rows from front to back, stretched evenly over the plate.
     *
     * @param light mean share of the pixels of a cell that were lit, over the layers, {@code peel} share of the layers
     *     in which any was
     */
    record Masks(int across, int deep, double[] light, double[] peel) implements Footprint {

        /** @throws IllegalArgumentException if counts do not match or a share is not from 0 to 1 */
        public Masks {
            if (across < 1 || deep < 1 || light.length != across * deep || peel.length != light.length) {
                throw new IllegalArgumentException(
                        "The cells of the masks do not match: " + across + " × " + deep + ".");
            }
            for (int i = 0; i < light.length; i++) {
                if (!(light[i] >= 0 && light[i] <= 1 && peel[i] >= 0 && peel[i] <= 1)) {
                    throw new IllegalArgumentException("A share of a mask must be from 0 to 1.");
                }
            }
        }

        @Override
        public Coverage over(PlateCells cells) {
            return new Coverage(stretched(light, cells), stretched(peel, cells));
        }

        private double[] stretched(double[] from, PlateCells cells) {
            if (cells.across() == across && cells.deep() == deep) {
                return from.clone();
            }
            double[] to = new double[cells.count()];
            for (int cell = 0; cell < to.length; cell++) {
                int column = Math.min(across - 1, (int) (cells.xMm(cell) / cells.lengthMm() * across));
                int row = Math.min(deep - 1, (int) (cells.yMm(cell) / cells.widthMm() * deep));
                to[cell] = from[row * across + column];
            }
            return to;
        }
    }
}
