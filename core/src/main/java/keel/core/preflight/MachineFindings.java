package keel.core.preflight;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;

/** What speaks against a file on one machine as that is now; known from its outline, without its layers. */
public final class MachineFindings {

    private MachineFindings() {}

    /**
     * Height, resin, and spots of the screen under what is seen of it from the film. A spot that is always lit is found
     * where nothing covers it in any layer.
     */
    public static List<FileFinding> of(FileReport file, Limits limits) {
        Silhouette top = file.outline().top();
        SheetSize size = new SheetSize(1, top.widthMm(), top.heightMm());
        Bits lit = new Bits(top.across(), top.high());
        top.runs().forEach(r -> {
            for (int x = r.from(); x < r.to(); x++) {
                lit.set(x, r.row());
            }
        });
        SpotFindings spots = new SpotFindings(size, limits.spots());
        spots.layer(lit, 1);
        List<FileFinding> found = new ArrayList<>(spots.findings());
        found.addAll(whole(size, file.layers(), file.heightMm(), file.resinMl(), limits));
        return List.copyOf(found);
    }

    /** Of the file as a whole. */
    static List<FileFinding> whole(SheetSize size, int layers, double heightMm, double ml, Limits limits) {
        List<FileFinding> found = new ArrayList<>();
        Double tallest = limits.tallestMm();
        if (tallest != null && heightMm > tallest) {
            found.add(whole(
                    Code.TOO_TALL,
                    size,
                    layers,
                    String.format(Locale.ROOT, "%.1f mm stand, the machine prints %.0f mm.", heightMm, tallest)));
        }
        Double there = limits.resinMl();
        if (there != null && ml > there) {
            found.add(whole(
                    Code.RESIN_SHORT,
                    size,
                    layers,
                    String.format(
                            Locale.ROOT, "It takes %.0f ml, about %.0f ml are in the vat: pour more.", ml, there)));
        }
        return found;
    }

    private static FileFinding whole(Code code, SheetSize size, int layers, String text) {
        return new FileFinding(
                code, Severity.STOP, 1, layers, size.widthMm() / 2, size.depthMm() / 2, 0, null, null, text);
    }
}
