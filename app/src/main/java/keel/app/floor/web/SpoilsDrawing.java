package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import keel.app.floor.patterns.MachinesBeside;
import keel.core.pattern.CauseMap;

/**
 * Causes against machines as dots: the area is the share of prints that a cause spoils, drawn to that of all machines;
 * full where it stands out.
 *
 * @param words the same in a sentence
 */
record SpoilsDrawing(double width, double height, List<Label> columns, List<Label> rows, List<Dot> dots, String words) {

    private static final double LEFT = 250;
    private static final double TOP = 30;
    private static final double ACROSS = 84;
    private static final double DOWN = 34;
    private static final double LARGEST = 14;

    /** Where a name stands, px. */
    record Label(double at, String text) {}

    /** A dot, px; {@code count} of prints, empty where there is none. */
    record Dot(double x, double y, double r, String count, boolean clear, String words) {

        public double text() {
            return y + 4.5;
        }

        public double beside() {
            return x + r + 5;
        }
    }

    static SpoilsDrawing of(MachinesBeside.Spoils s) {
        double most =
                s.cells().stream().mapToDouble(CauseMap.Cell::shrunk).max().orElse(1);
        List<Label> columns = new ArrayList<>();
        List<Label> rows = new ArrayList<>();
        List<Dot> dots = new ArrayList<>();
        for (int m = 0; m < s.machines().size(); m++) {
            columns.add(new Label(LEFT + ACROSS * (m + 0.4), s.machines().get(m)));
        }
        for (int c = 0; c < s.causes().size(); c++) {
            double y = TOP + DOWN * (c + 0.5);
            rows.add(new Label(y + 4.5, s.causes().get(c)));
            for (int m = 0; m < s.machines().size(); m++) {
                CauseMap.Cell cell = s.cell(s.causes().get(c), s.machines().get(m));
                dots.add(new Dot(
                        columns.get(m).at(),
                        y,
                        most <= 0 ? 0 : LARGEST * Math.sqrt(cell.shrunk() / most),
                        cell.failed() == 0 ? "" : Integer.toString(cell.failed()),
                        cell.standsOut(),
                        words(cell)));
            }
        }
        return new SpoilsDrawing(
                LEFT + ACROSS * s.machines().size(), TOP + DOWN * s.causes().size(), columns, rows, dots, words(s));
    }

    private static String words(CauseMap.Cell c) {
        return String.format(Locale.ROOT, "%s on %s: %d of %d prints", c.cause(), c.machine(), c.failed(), c.prints());
    }

    private static String words(MachinesBeside.Spoils s) {
        String out = s.cells().stream()
                .filter(CauseMap.Cell::standsOut)
                .map(SpoilsDrawing::words)
                .collect(Collectors.joining("; "));
        return "What spoils prints, by machine. "
                + (out.isEmpty() ? "Nothing stands out." : "Stands out: " + out + ".");
    }
}
