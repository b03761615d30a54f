package keel.core.resin;

import java.util.Optional;
import keel.core.Findings;
import org.jspecify.annotations.Nullable;

/** Inside of a vat as far as somebody measured it: all three, or null. */
public record VatSize(@Nullable Double vatLengthMm, @Nullable Double vatWidthMm, @Nullable Double vatDepthMm) {

    public static final VatSize UNKNOWN = new VatSize(null, null, null);

    private static final double LARGEST_MM = 2000;

    /** Adds what cannot be; a part of the size alone says nothing. */
    public void check(Findings findings) {
        if (equals(UNKNOWN)) {
            return;
        }
        findings.range(vatLengthMm, 10, LARGEST_MM, "vatLengthMm", "The length of the vat", "mm");
        findings.range(vatWidthMm, 10, LARGEST_MM, "vatWidthMm", "The width of the vat", "mm");
        findings.range(vatDepthMm, 1, LARGEST_MM, "vatDepthMm", "The depth of the vat", "mm");
    }

    public Optional<VatFill> fill() {
        if (vatLengthMm == null || vatWidthMm == null || vatDepthMm == null) {
            return Optional.empty();
        }
        return vatLengthMm > 0 && vatWidthMm > 0 && vatDepthMm > 0
                ? Optional.of(new VatFill(vatLengthMm, vatWidthMm, vatDepthMm))
                : Optional.empty();
    }
}
