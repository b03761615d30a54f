package keel.core.screen;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;

/**
 * Finds what is wrong with a screen on its straightened photograph, and what hides it: first lines from edge to edge,
 * then what is lighter or darker than it should be, region by region.
 */
final class SpotFinder {

    private static final double NOISES = 6;
    private static final double LEAST_AREA_MM2 = 0.2;
    private static final double SURE_SIZE_MM = 0.8;
    /** From this size on a region is a patch, whose light is measured. */
    private static final double PATCH_MM = 6;

    private static final double DARK_LIGHT = 0.15;
    private static final double DEEPER = 0.25;
    private static final double SOFT_MM = 2.4;
    private static final double BRIGHT = 1.15;
    private static final double SHADED = 0.5;
    private static final String COVERED = "a corner cut off or covered";

    private final Straightened s;
    private final Deviations off;
    private final HiddenCells hidden;
    private final List<PictureToPhoto.Corner> missing;
    private final BitSet taken = new BitSet();
    private final List<Spot> spots = new ArrayList<>();

    SpotFinder(Straightened s, Deviations off, List<PictureToPhoto.Corner> corners) {
        this.s = s;
        this.off = off;
        this.missing = corners.stream().filter(c -> !c.read() || shaded(s, c)).toList();
        this.hidden = new HiddenCells(s);
    }

    /** Whether the white around a mark is far darker than that around the others. */
    private static boolean shaded(Straightened s, PictureToPhoto.Corner c) {
        Samples white = new Samples();
        int columns = (int) (c.reachX() * s.across());
        int rows = (int) (c.reachY() * s.deep());
        for (int i = 0; i < columns * rows; i++) {
            int column = c.right() ? s.across() - 1 - i % columns : i % columns;
            int row = c.back() ? s.deep() - 1 - i / columns : i / columns;
            int at = row * s.across() + column;
            if (s.meant()[at] == 1) {
                white.add(s.light()[at]);
            }
        }
        return white.quantile(0.5) < SHADED * s.white();
    }

    ScreenInspection.Seen seen() {
        hidden.outside();
        for (DeadLines.Line line : DeadLines.of(s, off)) {
            spots.add(line.spot());
            line.take(s, taken);
        }
        glare();
        find(-1, least(SpotKind.DARK), taken);
        find(1, least(SpotKind.LIT), taken);
        return new ScreenInspection.Seen(spots, hidden.rectangles(), hidden.share());
    }

    private double least(SpotKind kind) {
        return Math.max(
                kind == SpotKind.DARK ? ScreenInspection.LEAST_DARK : ScreenInspection.LEAST_LIT, NOISES * off.noise());
    }

    /** Nothing that is lit can be lighter than lit: there a lamp is mirrored, and nothing is seen. */
    private void glare() {
        double least = least(SpotKind.LIT);
        for (Region r : Region.all(s, taken, i -> off.shown(i) == Straightened.Shown.LIT && off.at(i) > least)) {
            if (r.areaMm2() >= 4 * LEAST_AREA_MM2) {
                hidden.add(r, "glare");
                missing.stream().filter(r::reaches).forEach(c -> hidden.add(c, "glare"));
                r.take(taken);
            }
        }
    }

    private void find(int sign, double least, BitSet done) {
        SpotKind kind = sign < 0 ? SpotKind.DARK : SpotKind.LIT;
        for (Region r : Region.all(s, done, i -> off.looked(i, kind) && sign * off.at(i) > least)) {
            r.take(done);
            if (r.areaMm2() < LEAST_AREA_MM2) {
                continue;
            }
            if (sign < 0 && covered(r)) {
                hidden.add(r, COVERED);
            } else if (sign < 0 && r.thin()) {
                hidden.add(r, "something thin, a hair or a crease");
            } else if (r.sizeMm() >= PATCH_MM) {
                patch(r, sign, least);
            } else {
                spot(r, kind, sign, least);
            }
        }
    }

    /** Whether it lies at a corner whose mark could not be read; what the mark hides is hidden too. */
    private boolean covered(Region r) {
        List<PictureToPhoto.Corner> at = missing.stream().filter(r::reaches).toList();
        at.forEach(c -> hidden.add(c, COVERED));
        return !at.isEmpty();
    }

    /** Its extent is where it is at least half as deep as at its deepest. */
    private void spot(Region r, SpotKind kind, int sign, double least) {
        double peak = r.depth(off, sign, 1);
        Region core = r.where(i -> sign * off.at(i) >= peak / 2);
        if (core.areaMm2() >= LEAST_AREA_MM2) {
            spots.add(new Spot(kind, core.x(), core.y(), core.sizeMm(), sure(core.sizeMm(), peak, least)));
        }
    }

    private static double sure(double sizeMm, double peak, double least) {
        double confidence = Math.min(1, sizeMm / SURE_SIZE_MM) * (1 - Math.exp(-2 * (peak / least - 0.5)));
        return Math.max(0, Math.min(1, confidence));
    }

    /**
     * A region of some size: how much of its light is left is measured over it; what is far darker inside it are spots
     * of their own. One with soft edges may be a shadow, and counts as not seen besides.
     */
    private void patch(Region r, int sign, double least) {
        double depth = r.depth(off, sign, 0.5);
        Region most = r.where(i -> sign * off.at(i) >= depth / 2);
        double full = most.depth(off, sign, 0.5);
        double deeper = Math.max(full + DEEPER, 0.6);
        if (sign < 0 && full < 1 - DARK_LIGHT) {
            for (Region inner : Region.of(s, r, i -> -off.at(i) > deeper)) {
                if (inner.areaMm2() >= LEAST_AREA_MM2 && inner.sizeMm() < r.sizeMm() / 2) {
                    spot(inner, SpotKind.DARK, sign, least);
                }
            }
        }
        Region wide = r.where(i -> sign * off.at(i) >= 0.55 * full);
        Region tight = r.where(i -> sign * off.at(i) >= 0.85 * full);
        boolean soft = wide.sizeMm() / 2 - tight.sizeMm() / 2 > SOFT_MM;
        if (sign > 0 && (soft || full > BRIGHT)) {
            hidden.add(r, "glare");
            return;
        }
        if (sign < 0 && soft) {
            hidden.add(r, "perhaps a shadow");
        }
        spots.add(patch(most, sign, Math.max(0, 1 - full), sure(most.sizeMm(), full, least)));
    }

    private static Spot patch(Region r, int sign, double light, double sure) {
        if (sign > 0) {
            return new Spot(SpotKind.LIT, r.x(), r.y(), r.sizeMm(), sure);
        }
        SpotKind kind = light < DARK_LIGHT ? SpotKind.DARK : SpotKind.DIM;
        boolean box = kind == SpotKind.DIM && r.boxLike();
        return new Spot(
                kind,
                box ? r.middleX() : r.x(),
                box ? r.middleY() : r.y(),
                r.sizeMm(),
                sure,
                null,
                light,
                box ? r.acrossMm() : null,
                box ? r.deepMm() : null);
    }
}
