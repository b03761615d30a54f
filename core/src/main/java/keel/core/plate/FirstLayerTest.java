package keel.core.plate;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * What a first-layer test says: patches all over the plate, some of which held. The nearest explanation is taken:
 * nothing held, one side did not (tilt), a few places did not (a spot of the plate, of film or of screen).
 *
 * <p>Common practice, no published source. Patches lie in rows from the front (1) to the back and columns from the left
 * (A).
 *
 * @param says what it says in a sentence
 * @param next what to do, in a sentence
 */
public record FirstLayerTest(Finding finding, String says, String next) {

    /** The explanation. */
    public enum Finding {
        ALL_HELD,
        NOTHING_HELD,
        LOW_SIDE,
        SPOT,
        SCATTERED
    }

    private static final double CLEARLY = 0.34;

    /** One patch: column from 0 at the left, row from 0 at the front. */
    public record Patch(int column, int row) {}

    /**
     * @param columns patches from left to right, 2 to 9
     * @param rows patches from front to back, 2 to 9
     * @param held those that held
     */
    public static FirstLayerTest of(int columns, int rows, Set<Patch> held) {
        if (columns < 2 || rows < 2 || columns > 9 || rows > 9) {
            throw new IllegalArgumentException("A first-layer test has 2 to 9 patches each way.");
        }
        List<Patch> lost = new ArrayList<>();
        double tiltX = 0;
        double tiltY = 0;
        for (int c = 0; c < columns; c++) {
            for (int r = 0; r < rows; r++) {
                boolean holds = held.contains(new Patch(c, r));
                if (!holds) {
                    lost.add(new Patch(c, r));
                }
                tiltX += (holds ? 1 : 0) * (2.0 * c / (columns - 1) - 1);
                tiltY += (holds ? 1 : 0) * (2.0 * r / (rows - 1) - 1);
            }
        }
        int all = columns * rows;
        if (lost.isEmpty()) {
            return new FirstLayerTest(Finding.ALL_HELD, "Every patch held.", "The plate is ready.");
        }
        if (lost.size() == all) {
            return new FirstLayerTest(
                    Finding.NOTHING_HELD,
                    "Nothing held anywhere.",
                    "Check the height of the plate's zero first: too far and nothing holds. Then the bottom exposure.");
        }
        double share = (double) lost.size() / all;
        double sideX = tiltX / (all - lost.size());
        double sideY = tiltY / (all - lost.size());
        if (share > 0.15
                && Math.max(Math.abs(sideX), Math.abs(sideY)) > CLEARLY
                && oneSided(lost, sideX, sideY, columns, rows)) {
            String side =
                    Math.abs(sideX) > Math.abs(sideY) ? sideX > 0 ? "left" : "right" : sideY > 0 ? "front" : "back";
            return new FirstLayerTest(
                    Finding.LOW_SIDE,
                    "The " + side + " side did not hold: the plate is too far from the film there.",
                    "Level again, pressing down on the " + side + " while the bolts are tightened.");
        }
        if (together(lost)) {
            return new FirstLayerTest(
                    Finding.SPOT,
                    "One place did not hold, " + names(lost) + ".",
                    "Print again with the plate as it is: if the same place fails, look at film and screen there; "
                            + "if it is gone, abrade the plate.");
        }
        return new FirstLayerTest(
                Finding.SCATTERED,
                "Patches here and there did not hold: " + names(lost) + ".",
                "Abrade the plate, 120 then 80 grit, and look at the bottom exposure.");
    }

    /** Whether what was lost lies on the side away from what held, with few exceptions. */
    private static boolean oneSided(List<Patch> lost, double sideX, double sideY, int columns, int rows) {
        boolean acrossX = Math.abs(sideX) > Math.abs(sideY);
        long against = lost.stream()
                .filter(p -> acrossX
                        ? Math.signum(2.0 * p.column() / (columns - 1) - 1) == Math.signum(sideX)
                        : Math.signum(2.0 * p.row() / (rows - 1) - 1) == Math.signum(sideY))
                .count();
        return against <= lost.size() / 5;
    }

    private static boolean together(List<Patch> lost) {
        List<Patch> reached = new ArrayList<>(List.of(lost.get(0)));
        for (int i = 0; i < reached.size(); i++) {
            Patch from = reached.get(i);
            lost.stream()
                    .filter(p -> !reached.contains(p)
                            && Math.abs(p.column() - from.column()) <= 1
                            && Math.abs(p.row() - from.row()) <= 1)
                    .forEach(reached::add);
        }
        return reached.size() == lost.size();
    }

    private static String names(List<Patch> patches) {
        return String.join(
                        " ",
                        patches.stream()
                                .limit(6)
                                .map(p -> "" + (char) ('A' + p.column()) + (p.row() + 1))
                                .toList())
                + (patches.size() > 6 ? " …" : "");
    }
}
