package keel.core.preflight;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;

/** What the areas alone tell: jumps, narrow places, little that holds much. */
final class AreaFindings {

    private static final double JUMP_CM2 = 5;
    private static final double JUMP_TIMES = 2;
    private static final double MUCH_FOR_LITTLE = 12;
    private static final int SUPPORTS = 3;

    private AreaFindings() {}

    /** @param pieces of which each layer is made */
    static List<FileFinding> of(List<Double> areas, List<Integer> pieces, SheetSize size) {
        List<FileFinding> found = new ArrayList<>();
        for (int k = 1; k < areas.size(); k++) {
            double before = areas.get(k - 1);
            double now = areas.get(k);
            if (before > 0 && now - before >= JUMP_CM2 && now >= JUMP_TIMES * before) {
                found.add(finding(
                        Code.AREA_JUMP,
                        k + 1,
                        now,
                        size,
                        String.format(
                                Locale.ROOT,
                                "The lit area jumps from %.1f to %.1f cm², and the pull at the peel with it. "
                                        + "Look here first after a failure, and tilt what lies flat.",
                                before,
                                now)));
            }
        }
        narrow(areas, pieces, size, found);
        return found;
    }

    /** Many slender pieces side by side are supports and no neck. */
    private static void narrow(List<Double> areas, List<Integer> pieces, SheetSize size, List<FileFinding> found) {
        double[] most = new double[areas.size() + 1];
        for (int k = areas.size() - 1; k >= 0; k--) {
            most[k] = Math.max(most[k + 1], areas.get(k));
        }
        if (areas.isEmpty() || areas.get(0) <= 0) {
            return;
        }
        if (most[0] >= MUCH_FOR_LITTLE * areas.get(0)) {
            found.add(finding(
                    Code.HOLD_SMALL,
                    1,
                    areas.get(0),
                    size,
                    String.format(
                            Locale.ROOT,
                            "%.2f cm² on the plate must hold layers of up to %.1f cm²: give it a raft or more feet.",
                            areas.get(0),
                            most[0])));
        }
        int neck = -1;
        for (int k = 1; k < areas.size(); k++) {
            boolean narrow =
                    areas.get(k) > 0 && pieces.get(k) < SUPPORTS && most[k + 1] >= MUCH_FOR_LITTLE * areas.get(k);
            boolean narrower = neck < 0 || areas.get(k) < areas.get(neck);
            neck = narrow && areas.get(k) < areas.get(0) && narrower ? k : neck;
        }
        if (neck > 0) {
            found.add(finding(
                    Code.THIN_NECK,
                    neck + 1,
                    areas.get(neck),
                    size,
                    String.format(
                            Locale.ROOT,
                            "All that follows, up to %.1f cm², hangs from %.2f cm² here.",
                            most[neck + 1],
                            areas.get(neck))));
        }
    }

    private static FileFinding finding(Code code, int layer, double cm2, SheetSize size, String text) {
        return new FileFinding(
                code,
                Severity.LOOK,
                layer,
                layer,
                size.widthMm() / 2,
                size.depthMm() / 2,
                10 * Math.sqrt(cm2),
                100 * cm2,
                null,
                text);
    }
}
