package keel.app.floor.web;

import java.util.List;
import keel.app.standing.MachineNow;
import keel.core.standing.MachineState;

/** The fleet in one sentence: what stands in the way first. */
public final class Headline {

    private static final String[] NUMBERS = {
        "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"
    };

    private Headline() {}

    public static String of(List<MachineNow> machines) {
        if (machines.isEmpty()) {
            return "No machines yet";
        }
        long held = count(machines, MachineState.HOLD);
        long due = count(machines, MachineState.DUE);
        String many = capital(number(machines.size())) + (machines.size() == 1 ? " machine" : " machines");
        if (held > 0) {
            return many + ", " + number(held) + " must not print";
        }
        return due > 0 ? many + ", upkeep due on " + number(due) : many + ", nothing stands in the way";
    }

    private static long count(List<MachineNow> machines, MachineState state) {
        return machines.stream().filter(m -> m.standing().state() == state).count();
    }

    private static String number(long n) {
        return n < NUMBERS.length ? NUMBERS[(int) n] : Long.toString(n);
    }

    private static String capital(String word) {
        return Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }
}
