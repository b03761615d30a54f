package keel.core.screen;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.core.screen.ScreenInspection.Hidden;

/** What of a screen a photograph does not show, gathered sample by sample, and told in rectangles. */
final class HiddenCells {

    private static final double CELL_MM = 1;

    private final Straightened s;
    private final Map<String, BitSet> by = new LinkedHashMap<>();
    private final BitSet all = new BitSet();

    HiddenCells(Straightened s) {
        this.s = s;
    }

    /** What lies beyond the photograph's edges. */
    void outside() {
        s.outside().stream().forEach(i -> add(i, "beyond the photograph's edge"));
    }

    void add(Region region, String what) {
        for (int i : region.cells()) {
            add(i, what);
        }
    }

    /** A corner as far as its mark reaches. */
    void add(PictureToPhoto.Corner c, String what) {
        int columns = (int) Math.ceil(c.reachX() * s.across());
        int rows = (int) Math.ceil(c.reachY() * s.deep());
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                int r = c.back() ? s.deep() - 1 - row : row;
                add(r * s.across() + (c.right() ? s.across() - 1 - column : column), what);
            }
        }
    }

    private void add(int i, String what) {
        if (!all.get(i)) {
            all.set(i);
            by.computeIfAbsent(what, w -> new BitSet()).set(i);
        }
    }

    /** Of the screen's area. */
    double share() {
        return (double) all.cardinality() / (s.across() * s.deep());
    }

    /** Cells of a millimetre with something hidden in them, joined to rectangles. */
    List<Hidden> rectangles() {
        List<Hidden> rectangles = new ArrayList<>();
        by.forEach((what, samples) -> rectangles.addAll(joined(what, samples)));
        return rectangles;
    }

    private List<Hidden> joined(String what, BitSet samples) {
        int columns = (int) Math.ceil(s.across() * s.stepX() / CELL_MM);
        int rows = (int) Math.ceil(s.deep() * s.stepY() / CELL_MM);
        BitSet cells = new BitSet();
        samples.stream()
                .forEach(i -> cells.set((int) ((i / s.across() + 0.5) * rows / s.deep()) * columns
                        + (int) ((i % s.across() + 0.5) * columns / s.across())));
        double wide = s.across() * s.stepX() / columns;
        double high = s.deep() * s.stepY() / rows;
        List<Hidden> rectangles = new ArrayList<>();
        for (int from = cells.nextSetBit(0); from >= 0; from = cells.nextSetBit(from)) {
            int row = from / columns;
            int end = Math.min(cells.nextClearBit(from), (row + 1) * columns);
            int length = end - from;
            int tall = 1;
            while (row + tall < rows && isRun(cells, from + tall * columns, length, columns)) {
                tall++;
            }
            for (int k = 0; k < tall; k++) {
                cells.clear(from + k * columns, from + k * columns + length);
            }
            rectangles.add(new Hidden(from % columns * wide, row * high, length * wide, tall * high, what));
        }
        return rectangles;
    }

    /** Whether just these cells of a row are set, and none beside them. */
    private static boolean isRun(BitSet cells, int from, int length, int columns) {
        boolean first = from % columns == 0 || !cells.get(from - 1);
        boolean last = (from + length) % columns == 0 || !cells.get(from + length);
        return first && last && cells.nextClearBit(from) >= from + length;
    }
}
