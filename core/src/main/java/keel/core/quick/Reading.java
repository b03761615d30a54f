package keel.core.quick;

import java.time.LocalDateTime;
import java.util.List;

/**
 * How a line was read.
 *
 * @param entries what it asks to be written, in the order of the line; empty where it asks for nothing or is not clear
 * @param open what it asks to be shown, null for nothing
 * @param words the reading in words, or what is not clear
 * @param choices nearest lines that would be clear, best first; empty where it is
 */
public record Reading(List<Entry> entries, Order.Open open, String words, List<Choice> choices) {

    /**
     * One thing to write.
     *
     * @param at in the shop's own time; null for now
     * @param note null for none
     */
    public record Entry(Order order, LocalDateTime at, String note) {}

    /** A line that would be clear, with what it would mean. */
    public record Choice(String line, String reading) {}

    /** Whether it is an entry that can be written. */
    public boolean understood() {
        return !entries.isEmpty();
    }

    /** The only thing that it asks for; null where it is not clear, or there are several. */
    public Order order() {
        return entries.size() == 1 ? entries.get(0).order() : open;
    }

    /** Whether it leads anywhere: to an entry, to a page or to choices. */
    boolean leads() {
        return understood() || open != null || !choices.isEmpty();
    }

    static Reading clear(Order order, String words) {
        return order instanceof Order.Open open
                ? new Reading(List.of(), open, words, List.of())
                : new Reading(List.of(new Entry(order, null, null)), null, words, List.of());
    }

    static Reading clear(List<Entry> entries, String words) {
        return new Reading(List.copyOf(entries), null, words, List.of());
    }

    static Reading unclear(String words, List<Choice> choices) {
        return new Reading(List.of(), null, words, choices);
    }
}
