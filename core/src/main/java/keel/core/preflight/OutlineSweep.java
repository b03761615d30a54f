package keel.core.preflight;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/** Puts the silhouettes together while layers are read, in at most so many cells each way. */
final class OutlineSweep {

    private static final int CELLS = 240;

    private final int width;
    private final int height;
    private final int across;
    private final int deep;
    private final BitSet[] top;
    private final List<BitSet> front = new ArrayList<>();
    private final List<BitSet> side = new ArrayList<>();

    OutlineSweep(int width, int height) {
        this.width = width;
        this.height = height;
        int longest = Math.max(width, height);
        int cells = Math.min(CELLS, longest);
        this.across = Math.max(1, cells * width / longest);
        this.deep = Math.max(1, cells * height / longest);
        this.top = new BitSet[deep];
        for (int i = 0; i < deep; i++) {
            top[i] = new BitSet(across);
        }
    }

    void layer(Regions lit) {
        BitSet byX = new BitSet(across);
        BitSet byY = new BitSet(deep);
        lit.runs((y, from, to) -> {
            int row = (int) ((long) y * deep / height);
            int first = (int) ((long) from * across / width);
            int after = (int) ((long) (to - 1) * across / width) + 1;
            top[row].set(first, after);
            byX.set(first, after);
            byY.set(deep - 1 - row);
        });
        front.add(byX);
        side.add(byY);
    }

    Outline of(SheetSize size) {
        double heightMm = front.size() * size.layerMm();
        return new Outline(
                new Silhouette(across, deep, size.widthMm(), size.depthMm(), runs(List.of(top))),
                standing(front, across, size.widthMm(), heightMm),
                standing(side, deep, size.depthMm(), heightMm));
    }

    /** Layers put together into rows of cells. */
    private static Silhouette standing(List<BitSet> layers, int across, double widthMm, double heightMm) {
        int high = Math.min(CELLS, layers.size());
        List<BitSet> rows = new ArrayList<>();
        for (int row = 0; row < high; row++) {
            BitSet all = new BitSet(across);
            int after = (int) Math.max((long) (row + 1) * layers.size() / high, (long) row * layers.size() / high + 1);
            for (int k = (int) ((long) row * layers.size() / high); k < after; k++) {
                all.or(layers.get(k));
            }
            rows.add(all);
        }
        return new Silhouette(across, high, widthMm, heightMm, runs(rows));
    }

    private static List<Silhouette.Run> runs(List<BitSet> rows) {
        List<Silhouette.Run> runs = new ArrayList<>();
        for (int row = 0; row < rows.size(); row++) {
            BitSet bits = rows.get(row);
            for (int from = bits.nextSetBit(0); from >= 0; ) {
                int to = bits.nextClearBit(from);
                runs.add(new Silhouette.Run(row, from, to));
                from = bits.nextSetBit(to);
            }
        }
        return List.copyOf(runs);
    }
}
