package keel.app.house;

import java.util.List;

/** The rooms of the house, floor by floor. */
final class Floors {

    /** From the ground up; a room asks only those before it. Rooms in one line do not know each other. */
    static final List<List<String>> ALL = List.of(
            List.of("base"),
            List.of("shell"),
            List.of("people"),
            List.of("fleet"),
            List.of("standing", "air"),
            List.of("stores"),
            List.of("prints"),
            List.of("failures", "bench"),
            List.of("film", "screen"),
            List.of("guides", "starting"),
            List.of("floor"));

    private Floors() {}

    /** The floor of a room, 0 on the ground. */
    static int of(String room) {
        for (int floor = 0; floor < ALL.size(); floor++) {
            if (ALL.get(floor).contains(room)) {
                return floor;
            }
        }
        throw new IllegalArgumentException("There is no room called " + room + ".");
    }
}
