package keel.core.order;

import java.util.Collection;

/**
 * How far an order is with one of its parts. A piece is in one of these at a time, whatever fails and is printed
 * again, so nothing is counted twice.
 *
 * @param done came out; may be more than wanted
 * @param printing on plates of prints that go on
 * @param unsure came off plates of which some came out, and nobody counted
 */
public record Tally(int wanted, int done, int printing, int unsure) {

    public static Tally of(int wanted, Collection<OfOnePart> prints) {
        return new Tally(
                wanted,
                prints.stream().mapToInt(OfOnePart::done).sum(),
                prints.stream().mapToInt(OfOnePart::printing).sum(),
                prints.stream()
                        .filter(OfOnePart::unsure)
                        .mapToInt(OfOnePart::planned)
                        .sum());
    }

    /** Pieces that came out or may: on plates that print, or that nobody counted. */
    public int onPlates() {
        return printing + unsure;
    }

    /** Pieces that have to be begun yet, those on plates left out. */
    public int still() {
        return Math.max(0, wanted - done - onPlates());
    }

    public boolean complete() {
        return done >= wanted;
    }
}
