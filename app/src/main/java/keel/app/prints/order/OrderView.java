package keel.app.prints.order;

import java.time.Instant;
import java.util.List;
import java.util.function.ToIntFunction;
import keel.core.order.Tally;

/**
 * An order, and how far it is.
 *
 * @param closedAt when somebody said that it is over, null while it is open
 */
public record OrderView(
        long id,
        String name,
        Instant dueAt,
        Instant askedAt,
        String person,
        Instant closedAt,
        int version,
        List<PartLine> parts) {

    /**
     * A part of it.
     *
     * @param waiting pieces on plates that wait to be printed
     */
    public record PartLine(PartEntry entry, Tally tally, int waiting) {

        public long id() {
            return entry.id();
        }

        public String name() {
            return entry.name();
        }

        /** Pieces that have no plate yet. */
        public int unplanned() {
            return Math.max(0, tally.still() - waiting);
        }

        /** More waits to be printed than is still wanted. */
        public boolean tooMuch() {
            return waiting > tally.still();
        }
    }

    public boolean open() {
        return closedAt == null;
    }

    public int wanted() {
        return sum(p -> p.tally().wanted());
    }

    /** Pieces that came out, of each part as many as are wanted at most. */
    public int done() {
        return sum(p -> Math.min(p.tally().done(), p.tally().wanted()));
    }

    /** Pieces that have to be begun yet. */
    public int stillToPrint() {
        return sum(p -> p.tally().still());
    }

    public int unsure() {
        return sum(p -> p.tally().unsure());
    }

    public int printing() {
        return sum(p -> p.tally().printing());
    }

    public int unplanned() {
        return sum(PartLine::unplanned);
    }

    public boolean complete() {
        return parts.stream().allMatch(p -> p.tally().complete());
    }

    private int sum(ToIntFunction<PartLine> of) {
        return parts.stream().mapToInt(of).sum();
    }

    /** How far it is, in a line. */
    public String words() {
        if (complete()) {
            return "all " + wanted() + " came out";
        }
        String out = done() + " of " + wanted() + " came out";
        String printing = printing() == 0 ? "" : ", " + printing() + " are printing";
        String unsure = unsure() == 0 ? "" : ", " + unsure() + " not counted";
        return out + printing + unsure + ", " + stillToPrint() + " to print";
    }
}
