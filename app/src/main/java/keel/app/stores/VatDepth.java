package keel.app.stores;

import keel.app.fleet.MachineRef;
import keel.core.resin.VatFill;

/**
 * A vat from the side, for its drawing: how deep the resin stands, where the most is that it may hold, and the rim, mm.
 */
public record VatDepth(double now, double line, double rim) {

    /** Null where its size is not known; {@code most} ml, null where that is not known. */
    public static VatDepth of(MachineRef machine, double ml, Double most) {
        return machine.vat()
                .fill()
                .map((VatFill f) -> new VatDepth(
                        f.depthOf(ml),
                        most == null ? f.depthMm() : Math.min(f.depthMm(), f.depthOf(most)),
                        f.depthMm()))
                .orElse(null);
    }
}
