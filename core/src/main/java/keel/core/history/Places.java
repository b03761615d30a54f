package keel.core.history;

import java.util.Set;
import java.util.stream.IntStream;

/** What the places of a failure say: plate zones {@code A1} (front left) to {@code F4} (back right). */
final class Places {

    private static final int FEW = 3;

    private Places() {}

    /** A few zones that touch each other. */
    static boolean together(Set<String> zones) {
        return !zones.isEmpty() && zones.size() <= FEW && spread(columns(zones)) <= 1 && spread(rows(zones)) <= 1;
    }

    /** Several zones, all of them along the same edge. */
    static boolean alongAnEdge(Set<String> zones) {
        return zones.size() > 1
                && (columns(zones).allMatch(c -> c <= 1)
                        || columns(zones).allMatch(c -> c >= 4)
                        || rows(zones).allMatch(r -> r == 1)
                        || rows(zones).allMatch(r -> r == 4));
    }

    private static IntStream columns(Set<String> zones) {
        return zones.stream().mapToInt(z -> z.charAt(0) - 'A');
    }

    private static IntStream rows(Set<String> zones) {
        return zones.stream().mapToInt(z -> z.charAt(1) - '0');
    }

    private static int spread(IntStream values) {
        int[] all = values.sorted().toArray();
        return all[all.length - 1] - all[0];
    }
}
