package keel.core.resin;

import java.util.Optional;
import java.util.stream.Stream;
import keel.core.Findings;

/** Inside of a vat as far as somebody measured it: all three, or null. */
public record VatSize(Double vatLengthMm, Double vatWidthMm, Double vatDepthMm) {

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
        return Stream.of(vatLengthMm, vatWidthMm, vatDepthMm).allMatch(d -> d != null && d > 0)
                ? Optional.of(new VatFill(vatLengthMm, vatWidthMm, vatDepthMm))
                : Optional.empty();
    }
}
