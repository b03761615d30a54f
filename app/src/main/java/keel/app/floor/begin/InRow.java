package keel.app.floor.begin;

import java.util.List;
import java.util.Map;
import keel.core.Finding;
import keel.core.Findings;

/** What is wrong with a row of a table, at the field of that row. */
final class InRow {

    private InRow() {}

    static void add(List<Finding> found, int row, String name, Findings findings) {
        String of = name.isEmpty() ? "" : name + ": ";
        found.forEach(f -> findings.add(row + "." + FIELDS.getOrDefault(f.field(), f.field()), of + f.message()));
    }

    /** What other services call a field, and what it is called in a row. */
    private static final Map<String, String> FIELDS = Map.of(
            "baselineHours", "counterH",
            "filmHours", "filmH",
            "screenUvHours", "screenUvH",
            "lubricatedH", "greasedH",
            "ml", "resinMl",
            "at", "levelledOn");
}
