package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * The plate from above, in mm, front edge below: how many failures were seen at each place, as hatching that grows
 * denser.
 *
 * @param width of the plate, mm
 * @param depth of the plate, mm
 * @param words the same as a sentence
 */
public record PlateMap(double width, double depth, List<Cell> cells, int most, String words) {

    private static final String COLUMNS = "ABCDEF";
    private static final int ROWS = 4;

    /** A zone: its corner (y from the back edge) and size, mm; how many failures, and how dense from 0 to 4. */
    public record Cell(String zone, double x, double y, double w, double h, int failures, int density) {}

    public static PlateMap of(double width, double depth, Map<String, Integer> failures) {
        int most = failures.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        double w = width / COLUMNS.length();
        double h = depth / ROWS;
        List<Cell> cells = new ArrayList<>();
        for (int row = ROWS; row >= 1; row--) {
            for (int column = 0; column < COLUMNS.length(); column++) {
                String zone = "" + COLUMNS.charAt(column) + row;
                int count = failures.getOrDefault(zone, 0);
                cells.add(new Cell(
                        zone,
                        column * w,
                        (ROWS - row) * h,
                        w,
                        h,
                        count,
                        count == 0 ? 0 : Math.max(1, Math.round(4f * count / most))));
            }
        }
        String worst = failures.entrySet().stream()
                .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
                .limit(3)
                .map(e -> e.getKey() + " " + e.getValue())
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
        return new PlateMap(
                width,
                depth,
                cells,
                most,
                most == 0
                        ? "No failure was placed on this plate yet."
                        : String.format(Locale.ROOT, "Failures by place, most at %s.", worst));
    }
}
