package keel.core.order;

import java.util.HashSet;
import java.util.Set;
import keel.core.placement.Placement;
import org.jspecify.annotations.Nullable;

/** A plate in cells of a millimetre: which are taken, and the first place for a rectangle. */
final class FreeCells {

    private final PlatePacking.Bed bed;
    private final boolean turnedFirst;
    private final int across;
    private final int deep;
    private final int gap;
    private final boolean[][] taken;
    /** Taken cells in front and to the left of each corner. */
    private final int[][] sums;
    /** Sizes for which no place is left: what is taken stays taken. */
    private final Set<PlatePacking.Piece> noPlace = new HashSet<>();

    private FreeCells(PlatePacking.Bed bed, boolean turnedFirst) {
        this.bed = bed;
        this.turnedFirst = turnedFirst;
        this.gap = (int) Math.ceil(bed.gapMm());
        this.across = (int) Math.floor(bed.widthMm());
        this.deep = (int) Math.floor(bed.depthMm());
        this.taken = new boolean[deep][across];
        this.sums = new int[deep + 1][across + 1];
    }

    static FreeCells of(PlatePacking.Bed bed, boolean turnedFirst) {
        FreeCells cells = new FreeCells(bed, turnedFirst);
        bed.off().forEach(cells::keepOff);
        cells.sum();
        return cells;
    }

    private void keepOff(Placement.Spot spot) {
        double reach = spot.sizeMm() / 2 + bed.gapMm();
        for (int y = Math.max(0, (int) (spot.yMm() - reach)); y < Math.min(deep, spot.yMm() + reach); y++) {
            for (int x = Math.max(0, (int) (spot.xMm() - reach)); x < Math.min(across, spot.xMm() + reach); x++) {
                double dx = clamp(spot.xMm(), x) - spot.xMm();
                double dy = clamp(spot.yMm(), y) - spot.yMm();
                taken[y][x] |= Math.hypot(dx, dy) < reach;
            }
        }
    }

    /** The point of a cell that is nearest to a coordinate. */
    private static double clamp(double at, int cell) {
        return Math.min(cell + 1, Math.max(cell, at));
    }

    private void sum() {
        for (int y = 0; y < deep; y++) {
            for (int x = 0; x < across; x++) {
                sums[y + 1][x + 1] = sums[y][x + 1] + sums[y + 1][x] - sums[y][x] + (taken[y][x] ? 1 : 0);
            }
        }
    }

    /** Puts it in the first place that is free; null where there is none. */
    PlatePacking.@Nullable Put place(int number, PlatePacking.Piece piece) {
        if (noPlace.contains(piece)) {
            return null;
        }
        int w = (int) Math.ceil(piece.widthMm());
        int d = (int) Math.ceil(piece.depthMm());
        for (int y = 0; y < deep; y++) {
            int lying = y + d <= deep ? first(y, w, d) : across;
            int turned = y + w <= deep && w != d ? first(y, d, w) : across;
            if (lying < across && (turnedFirst ? lying < turned : lying <= turned)) {
                return take(number, lying, y, w, d, piece.widthMm(), piece.depthMm());
            }
            if (turned < across) {
                return take(number, turned, y, d, w, piece.depthMm(), piece.widthMm());
            }
        }
        noPlace.add(piece);
        return null;
    }

    /** The leftmost free place in a row; {@code across} where there is none. */
    private int first(int y, int w, int d) {
        for (int x = 0; x + w <= across; x++) {
            if (sums[y + d][x + w] - sums[y][x + w] - sums[y + d][x] + sums[y][x] == 0) {
                return x;
            }
        }
        return across;
    }

    private PlatePacking.Put take(int number, int x, int y, int w, int d, double widthMm, double depthMm) {
        for (int row = Math.max(0, y - gap); row < Math.min(deep, y + d + gap); row++) {
            for (int col = Math.max(0, x - gap); col < Math.min(across, x + w + gap); col++) {
                taken[row][col] = true;
            }
        }
        sum();
        return new PlatePacking.Put(number, x, y, widthMm, depthMm);
    }
}
