package keel.core.quick;

import java.util.List;

/**
 * How a line was read.
 *
 * @param order what it asks for, null where it is not clear
 * @param words the reading in words, or what is not clear
 * @param choices nearest lines that would be clear, best first; empty where the order is
 */
public record Reading(Order order, String words, List<Choice> choices) {

    /** A line that would be clear, with what it would mean. */
    public record Choice(String line, String reading) {}

    public boolean understood() {
        return order != null;
    }

    static Reading clear(Order order, String words) {
        return new Reading(order, words, List.of());
    }

    static Reading unclear(String words, List<Choice> choices) {
        return new Reading(null, words, choices);
    }
}
