package keel.core.preflight;

import java.util.ArrayList;
import java.util.List;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;

/** What lies over spots of the machine's screen, each said once, where it begins. */
final class SpotFindings {

    private final SheetSize size;
    private final List<Spot> waiting;
    private final List<FileFinding> found = new ArrayList<>();

    SpotFindings(SheetSize size, List<Spot> spots) {
        this.size = size;
        this.waiting = new ArrayList<>(spots);
    }

    void layer(Bits lit, int layer) {
        waiting.removeIf(s -> {
            boolean hit = hit(s, lit);
            if (hit) {
                found.add(finding(s, layer));
            }
            return hit;
        });
    }

    List<FileFinding> findings() {
        return List.copyOf(found);
    }

    /** Whether a pixel of it is lit; of a spot that is always lit, whether one is not. */
    private boolean hit(Spot s, Bits lit) {
        boolean wanted = s.kind() != SpotKind.LIT;
        double across = size.widthMm() / lit.width;
        double deep = size.depthMm() / lit.height;
        double middle = (size.depthMm() - s.yMm()) / deep;
        int first = (int) Math.floor(middle - s.halfDeep() / deep);
        int last = (int) Math.floor(middle + s.halfDeep() / deep);
        for (int y = Math.max(0, first); y <= Math.min(lit.height - 1, last); y++) {
            double offMm = Math.max(0, Math.abs(y + 0.5 - middle) - 0.5) * deep;
            double half = s.round()
                    ? Math.sqrt(Math.max(0, s.halfAcross() * s.halfAcross() - offMm * offMm))
                    : s.halfAcross();
            int from = Math.max(0, (int) Math.floor((s.xMm() - half) / across));
            int to = Math.min(lit.width, (int) Math.floor((s.xMm() + half) / across) + 1);
            if (from < to && lit.next(from, y, wanted) < to) {
                return true;
            }
        }
        return false;
    }

    private static FileFinding finding(Spot s, int layer) {
        return new FileFinding(
                Code.ON_SPOT,
                s.kind() == SpotKind.DIM ? Severity.LOOK : Severity.STOP,
                layer,
                layer,
                s.xMm(),
                s.yMm(),
                s.sizeMm(),
                null,
                null,
                text(s.kind()));
    }

    private static String text(SpotKind kind) {
        return switch (kind) {
            case LIT ->
                "A spot of the screen that is always lit cures here what the file leaves free: change the screen, or "
                        + "lay a full part over it.";
            case DIM -> "This lies where the screen gives less light: shift the job, or expose longer.";
            case LINE -> "This lies over a dead line of the screen: shift the job off it, or turn it along.";
            default -> "This lies over a spot of the screen that gives no light: shift the job.";
        };
    }
}
