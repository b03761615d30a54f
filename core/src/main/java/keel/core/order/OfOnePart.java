package keel.core.order;

import keel.core.run.Outcome;
import org.jspecify.annotations.Nullable;

/**
 * What one print has of one part.
 *
 * @param planned pieces on its plate
 * @param counted how many of them came out, null where nobody counted
 * @param outcome how the print ended, null while it goes on
 */
public record OfOnePart(int planned, @Nullable Integer counted, @Nullable Outcome outcome) {

    /** @throws IllegalArgumentException if nothing is planned, or more is counted than was planned */
    public OfOnePart {
        if (planned < 1 || counted != null && (counted < 0 || counted > planned)) {
            throw new IllegalArgumentException("Of " + planned + " pieces " + counted + " cannot have come out.");
        }
    }

    /** Pieces that came out: as counted, else all of a print that came out and none of one that did not. */
    public int done() {
        if (outcome == null || unsure()) {
            return 0;
        }
        return counted != null ? counted : outcome.cameOut() ? planned : 0;
    }

    /** Pieces of which nobody knows yet: the print goes on. */
    int printing() {
        return outcome == null ? planned : 0;
    }

    /** Some of the print came out, and nobody said how many of these. */
    public boolean unsure() {
        return outcome == Outcome.PARTIAL && counted == null;
    }
}
