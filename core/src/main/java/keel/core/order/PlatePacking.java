package keel.core.order;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import keel.core.placement.Placement;

/**
 * Rectangles on as few plates as a simple rule finds: the largest first, each on the first plate that has a place for
 * it, there as near to the front and then to the left as it goes. Tried by area and by longer side, as it lies first
 * and turned by a quarter first; the best of the four is kept. Never fewer than {@link #atLeast} plates.
 *
 * @param plates pieces on each plate
 * @param tooLarge numbers of the pieces for which even an empty plate has no place
 * @param atLeast plates that no rule could do with less of, by area alone
 */
public record PlatePacking(List<List<Put>> plates, List<Integer> tooLarge, int atLeast) {

    private static final List<Comparator<Piece>> SIZES =
            List.of(Comparator.comparing(Piece::area), Comparator.comparing(p -> Math.max(p.widthMm(), p.depthMm())));

    /** Sides of a piece, mm. */
    public record Piece(double widthMm, double depthMm) {

        double area() {
            return widthMm * depthMm;
        }
    }

    /**
     * A plate.
     *
     * @param gapMm kept between pieces, and between them and spots, mm
     * @param off spots to keep off
     */
    public record Bed(double widthMm, double depthMm, double gapMm, List<Placement.Spot> off) {}

    /**
     * A piece in its place.
     *
     * @param piece its number among those that were asked for, from 0
     * @param xMm its left side, {@code yMm} its front, mm; {@code widthMm} and {@code depthMm} as it lies
     */
    public record Put(int piece, double xMm, double yMm, double widthMm, double depthMm) {}

    /** @throws IllegalArgumentException if a side is not above 0 */
    public static PlatePacking of(Bed bed, List<Piece> pieces) {
        if (pieces.stream().anyMatch(p -> !(p.widthMm() > 0 && p.depthMm() > 0))
                || !(bed.widthMm() > 0 && bed.depthMm() > 0)) {
            throw new IllegalArgumentException("A side is not above 0 mm.");
        }
        PlatePacking best = packed(bed, pieces, SIZES.get(0), false);
        best = best.orFewer(packed(bed, pieces, SIZES.get(0), true));
        best = best.orFewer(packed(bed, pieces, SIZES.get(1), false));
        return best.orFewer(packed(bed, pieces, SIZES.get(1), true));
    }

    private PlatePacking orFewer(PlatePacking other) {
        return other.plates.size() < plates.size() ? other : this;
    }

    private static PlatePacking packed(Bed bed, List<Piece> pieces, Comparator<Piece> size, boolean turned) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            order.add(i);
        }
        order.sort(Comparator.comparing(pieces::get, size.reversed()));
        List<FreeCells> free = new ArrayList<>();
        List<List<Put>> plates = new ArrayList<>();
        List<Integer> tooLarge = new ArrayList<>();
        for (int i : order) {
            if (!put(i, pieces.get(i), free, plates)) {
                FreeCells fresh = FreeCells.of(bed, turned);
                free.add(fresh);
                plates.add(new ArrayList<>());
                if (!put(i, pieces.get(i), free, plates)) {
                    free.remove(free.size() - 1);
                    plates.remove(plates.size() - 1);
                    tooLarge.add(i);
                }
            }
        }
        return new PlatePacking(plates, tooLarge, atLeast(bed, pieces, tooLarge));
    }

    private static boolean put(int i, Piece piece, List<FreeCells> free, List<List<Put>> plates) {
        for (int plate = 0; plate < free.size(); plate++) {
            Put put = free.get(plate).place(i, piece);
            if (put != null) {
                plates.get(plate).add(put);
                return true;
            }
        }
        return false;
    }

    /** Each piece takes its gap to the right and behind with it, and a plate has that much more room. */
    private static int atLeast(Bed bed, List<Piece> pieces, List<Integer> tooLarge) {
        double taken = 0;
        for (int i = 0; i < pieces.size(); i++) {
            Piece p = pieces.get(i);
            taken += tooLarge.contains(i) ? 0 : (p.widthMm() + bed.gapMm()) * (p.depthMm() + bed.gapMm());
        }
        return (int) Math.ceil(taken / ((bed.widthMm() + bed.gapMm()) * (bed.depthMm() + bed.gapMm())) - 1e-9);
    }
}
