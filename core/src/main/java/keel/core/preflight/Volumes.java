package keel.core.preflight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleUnaryOperator;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;

/** Turns what was followed through the layers into findings in millimetres. */
final class Volumes {

    private static final double CM2 = 100;

    private static final double ISLAND_STOP_MM2 = 0.5;
    private static final double ISLAND_LOOK_MM2 = 0.05;
    private static final double ISLAND_JOINED_MM = 0.2;
    private static final double CUP_FROM_MM2 = 20;
    private static final double CUP_FROM_ML = 0.05;
    private static final double CUP_STOP_MM2 = 400;
    private static final double CUP_STOP_ML = 1;
    private static final double VENTED_SOON_MM = 3;
    private static final double VENTED_LATE_MM = 10;
    private static final double TRAPPED_STOP_ML = 0.05;
    private static final double WALL_MM = 1.2;
    private static final double WALL_FROM_MM2 = 20;
    private static final int SEVERAL = 4;

    private final SheetSize size;
    private final double pixelMm2;
    private final double pixelMm;
    private final DoubleUnaryOperator xMm;
    private final DoubleUnaryOperator yMm;

    Volumes(SheetSize size, double pixelMm2, double pixelMm, DoubleUnaryOperator xMm, DoubleUnaryOperator yMm) {
        this.size = size;
        this.pixelMm2 = pixelMm2;
        this.pixelMm = pixelMm;
        this.xMm = xMm;
        this.yMm = yMm;
    }

    private double ml(double voxels) {
        return voxels * pixelMm2 * size.layerMm() / 1000;
    }

    List<FileFinding> islands(SolidSweep solids) {
        List<FileFinding> found = new ArrayList<>();
        for (SolidSweep.Island i : solids.islands()) {
            double mm2 = i.most * pixelMm2;
            double alone = (i.joined == 0 ? Double.POSITIVE_INFINITY : i.joined - i.first) * size.layerMm();
            boolean soon = alone <= ISLAND_JOINED_MM + 1e-9;
            if (mm2 >= ISLAND_LOOK_MM2) {
                found.add(new FileFinding(
                        Code.ISLAND,
                        mm2 >= ISLAND_STOP_MM2 && !soon ? Severity.STOP : Severity.LOOK,
                        i.first,
                        i.lastLayer,
                        xMm.applyAsDouble(i.x),
                        yMm.applyAsDouble(i.y),
                        Math.sqrt(mm2),
                        mm2,
                        null,
                        String.format(
                                Locale.ROOT,
                                "%s begin here and hang on nothing%s. Put a support under it.",
                                area(mm2),
                                i.joined == 0 ? "" : String.format(Locale.ROOT, " for %.1f mm", alone))));
            }
        }
        solids.weak().forEach(w -> found.add(weak(w)));
        return found;
    }

    private static String area(double mm2) {
        return mm2 < CM2
                ? String.format(Locale.ROOT, mm2 < 1 ? "%.2f mm²" : "%.1f mm²", mm2)
                : String.format(Locale.ROOT, "%.1f cm²", mm2 / CM2);
    }

    private FileFinding weak(SolidSweep.Weak w) {
        double mm2 = w.area() * pixelMm2;
        return new FileFinding(
                Code.ISLAND,
                Severity.LOOK,
                w.layer(),
                w.layer(),
                xMm.applyAsDouble(w.x()),
                yMm.applyAsDouble(w.y()),
                Math.sqrt(mm2),
                mm2,
                null,
                String.format(
                        Locale.ROOT,
                        "%s begin here, and less than a tenth of it hangs on anything. More supports.",
                        area(mm2)));
    }

    private static boolean trapped(VoidSweep.Hollow h) {
        return h.vented == 0 && !h.toTheEnd && !h.touchesPlate;
    }

    double trappedMl(List<VoidSweep.Hollow> closed) {
        return ml(closed.stream()
                .filter(Volumes::trapped)
                .mapToLong(h -> h.voxels)
                .sum());
    }

    List<FileFinding> hollows(List<VoidSweep.Hollow> closed) {
        List<FileFinding> found = new ArrayList<>();
        trapped(closed.stream().filter(Volumes::trapped).toList(), found);
        closed.stream().filter(h -> !trapped(h)).forEach(h -> cup(h, found));
        closed.forEach(h -> wall(h, found));
        return found;
    }

    /** Many cells, as of an infill, are said once. */
    private void trapped(List<VoidSweep.Hollow> trapped, List<FileFinding> found) {
        if (trapped.size() > SEVERAL) {
            VoidSweep.Hollow most = trapped.stream()
                    .max(Comparator.comparingLong(h -> h.voxels))
                    .orElseThrow();
            int first = trapped.stream().mapToInt(h -> h.first).min().orElse(1);
            int last = trapped.stream().mapToInt(h -> h.lastLayer).max().orElse(1);
            double sum = trappedMl(trapped);
            if (sum >= TRAPPED_STOP_ML) {
                found.add(trapped(
                        most,
                        first,
                        last,
                        sum,
                        String.format(
                                Locale.ROOT,
                                "%d closed hollows hold %.2f ml of resin for ever, and may burst. Drain them, or fill "
                                        + "them.",
                                trapped.size(),
                                sum)));
            }
            return;
        }
        for (VoidSweep.Hollow h : trapped) {
            double held = ml(h.voxels);
            if (held >= TRAPPED_STOP_ML) {
                found.add(trapped(
                        h,
                        h.first,
                        h.lastLayer,
                        held,
                        String.format(
                                Locale.ROOT,
                                "A closed hollow holds %.2f ml of resin for ever, and may burst. Two drains, one low, "
                                        + "one high.",
                                held)));
            }
        }
    }

    private FileFinding trapped(VoidSweep.Hollow at, int first, int last, double held, String text) {
        double mm2 = at.most * pixelMm2;
        return new FileFinding(
                Code.TRAPPED_RESIN,
                Severity.STOP,
                first,
                last,
                xMm.applyAsDouble(at.x),
                yMm.applyAsDouble(at.y),
                Math.sqrt(mm2),
                mm2,
                held,
                text);
    }

    private void cup(VoidSweep.Hollow h, List<FileFinding> found) {
        double mm2 = h.most * pixelMm2;
        double held = ml(h.voxels);
        if (mm2 < CUP_FROM_MM2 && held < CUP_FROM_ML) {
            return;
        }
        double until = h.vented == 0 ? Double.POSITIVE_INFINITY : (h.vented - h.first) * size.layerMm();
        boolean much = mm2 >= CUP_STOP_MM2 || held >= CUP_STOP_ML;
        String vented = h.vented == 0
                ? "It never opens while it prints"
                : String.format(Locale.ROOT, "It opens after %.1f mm", until);
        found.add(new FileFinding(
                Code.CUP,
                much && until > VENTED_LATE_MM ? Severity.STOP : Severity.LOOK,
                h.first,
                h.lastLayer,
                xMm.applyAsDouble(h.x),
                yMm.applyAsDouble(h.y),
                Math.sqrt(mm2),
                mm2,
                held,
                String.format(
                        Locale.ROOT,
                        "A cup of %.1f cm² sucks at the film at each peel. %s%s",
                        mm2 / 100,
                        vented,
                        until <= VENTED_SOON_MM
                                ? ": look whether the hole is wide enough."
                                : ": a hole near the plate.")));
    }

    private void wall(VoidSweep.Hollow h, List<FileFinding> found) {
        double mm = h.thinnest * pixelMm;
        boolean nearVent = h.vented > 0 && (h.vented - h.thinnestAt) * size.layerMm() <= VENTED_SOON_MM;
        boolean deep = (h.lastLayer - h.first + 1) * size.layerMm() >= VENTED_SOON_MM;
        if (mm >= WALL_MM || nearVent || !deep || h.most * pixelMm2 < WALL_FROM_MM2) {
            return;
        }
        found.add(new FileFinding(
                Code.THIN_WALL,
                Severity.LOOK,
                h.thinnestAt,
                h.thinnestAt,
                xMm.applyAsDouble(h.thinX),
                yMm.applyAsDouble(h.thinY),
                mm,
                null,
                null,
                String.format(
                        Locale.ROOT,
                        "A wall of %.1f mm between a hollow and the outside: below %.1f mm it may burst.",
                        mm,
                        WALL_MM)));
    }
}
