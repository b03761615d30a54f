package keel.app.floor.begin;

import java.time.LocalDate;

/**
 * What is said of a machine that stands in the shop; null where nobody knows.
 *
 * @param preset code of the kind and size it is
 * @param room code
 * @param fresh whether it is new out of its box: then nothing of it was used and its vat is empty
 * @param counterH hours on its counter; those of the parts count until today
 * @param resin code of what is in its vat; {@link #EMPTY} where nothing is
 * @param resinMl how much of it
 * @param levelledOn the day on which it was levelled last
 */
public record MachineSaid(
        String name,
        String preset,
        String room,
        boolean fresh,
        Double counterH,
        Double filmH,
        Double screenUvH,
        Double greasedH,
        Double abradedH,
        String resin,
        Double resinMl,
        LocalDate levelledOn) {

    /** In place of a resin: the vat is empty. */
    public static final String EMPTY = "-";

    boolean saysResin() {
        return resin != null && !resin.isBlank() && !resin.equals(EMPTY);
    }

    boolean emptyVat() {
        return fresh && !saysResin() || EMPTY.equals(resin);
    }
}
