package keel.app.prints.order;

import java.time.Instant;
import java.util.List;
import keel.core.order.OfOnePart;

/**
 * What the plate of a run, or of a job that waits, has of an order.
 *
 * @param run id of the run, null where it waits
 */
public record OnPlate(long order, String orderName, Long run, List<Piece> pieces) {

    /**
     * Of one part.
     *
     * @param counted how many came out, null where nobody counted
     * @param still pieces of it that are still to be begun
     */
    public record Piece(long part, String name, int planned, Integer counted, int still) {}

    /** A print that had parts of an order on its plate. */
    public record Print(
            long run, String job, String machine, Instant startedAt, boolean open, String ended, List<Of> parts) {

        public boolean unsure() {
            return parts.stream().anyMatch(p -> p.of().unsure());
        }
    }

    /** What it had of one. */
    public record Of(String name, OfOnePart of) {

        /** Pieces that came out. */
        public int done() {
            return of.done();
        }
    }

    public int planned() {
        return pieces.stream().mapToInt(Piece::planned).sum();
    }
}
