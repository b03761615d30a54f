package keel.core.preflight;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleUnaryOperator;

/**
 * Slender columns that stand so near a wall for so long that light, and resin that thickens between, join them. Where
 * a column touches the wall, or is no slender thing of its own, nobody can tell it from the part, and nothing is said.
 * Figures are common practice, no source.
 */
final class FusedSupports {

    private static final double EVERY_MM = 0.5;
    private static final double SLENDER_MM2 = 4;
    private static final double WALL_TIMES = 5;
    private static final double NEAR_MM = 0.3;
    private static final double LONG_MM = 3;
    private static final double SAME_MM = 1;
    private static final double ROUNDING = 1e-9;

    private final double layerMm;
    private final double pixelMm;
    private final double pixelMm2;
    private final List<Beside> going = new ArrayList<>();
    private final List<Beside> done = new ArrayList<>();
    private double since = Double.POSITIVE_INFINITY;

    FusedSupports(double layerMm, double pixelMm, double pixelMm2) {
        this.layerMm = layerMm;
        this.pixelMm = pixelMm;
        this.pixelMm2 = pixelMm2;
    }

    /** A column beside a wall. */
    private static final class Beside {

        private final int from;
        private int to;
        private double x;
        private double y;
        private double gapMm;

        private Beside(int layer, double x, double y, double gapMm) {
            this.from = layer;
            this.to = layer;
            this.x = x;
            this.y = y;
            this.gapMm = gapMm;
        }
    }

    void layer(Regions there, int layer) {
        since += layerMm;
        if (since < EVERY_MM) {
            return;
        }
        since = 0;
        boolean[] slender = new boolean[there.count()];
        boolean[] wall = new boolean[there.count()];
        boolean any = false;
        boolean walls = false;
        for (int r = 0; r < slender.length; r++) {
            double mm2 = there.area[r] * pixelMm2;
            slender[r] = mm2 <= SLENDER_MM2;
            wall[r] = mm2 >= WALL_TIMES * SLENDER_MM2;
            any |= slender[r];
            walls |= wall[r];
        }
        List<Beside> seen = any && walls ? near(there, slender, wall, layer) : List.of();
        follow(seen, layer);
    }

    private List<Beside> near(Regions there, boolean[] slender, boolean[] wall, int layer) {
        Bits mask = new Bits(there.width, there.height);
        there.each(r -> wall[r], mask::set);
        Bits close = mask.grown(Math.ceil(NEAR_MM / pixelMm - ROUNDING));
        BitSet hit = new BitSet(there.count());
        there.eachOf(r -> slender[r], (r, x, y) -> hit.set(r, hit.get(r) || close.in(x, y)));
        if (hit.isEmpty()) {
            return List.of();
        }
        Distances off = new Distances(mask, false);
        double[] gap = new double[there.count()];
        Arrays.fill(gap, Double.POSITIVE_INFINITY);
        there.eachOf(hit::get, (r, x, y) -> gap[r] = Math.min(gap[r], (off.at(x, y) - 1) * pixelMm));
        List<Beside> seen = new ArrayList<>();
        for (int r = 0; r < gap.length; r++) {
            if (gap[r] < NEAR_MM) {
                seen.add(new Beside(layer, there.x(r), there.y(r), gap[r]));
            }
        }
        return seen;
    }

    private void follow(List<Beside> seen, int layer) {
        List<Beside> now = new ArrayList<>();
        for (Beside s : seen) {
            Beside same = going.stream()
                    .filter(g -> Math.hypot(g.x - s.x, g.y - s.y) * pixelMm < SAME_MM)
                    .findFirst()
                    .orElse(s);
            going.remove(same);
            same.to = layer;
            same.x = s.x;
            same.y = s.y;
            same.gapMm = Math.min(same.gapMm, s.gapMm);
            now.add(same);
        }
        done.addAll(going);
        going.clear();
        going.addAll(now);
    }

    List<FileFinding> findings(DoubleUnaryOperator xMm, DoubleUnaryOperator yMm) {
        done.addAll(going);
        going.clear();
        return done.stream()
                .filter(b -> (b.to - b.from) * layerMm >= LONG_MM)
                .map(b -> new FileFinding(
                        FileFinding.Code.SUPPORT_FUSED,
                        FileFinding.Severity.LOOK,
                        b.from,
                        b.to,
                        xMm.applyAsDouble(b.x),
                        yMm.applyAsDouble(b.y),
                        b.gapMm,
                        null,
                        null,
                        String.format(
                                Locale.ROOT,
                                "A slender column stands %.2f mm from a wall for %.0f mm: it grows together with it. "
                                        + "Move the support away.",
                                b.gapMm,
                                (b.to - b.from) * layerMm)))
                .toList();
    }
}
