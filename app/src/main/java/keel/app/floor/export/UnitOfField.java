package keel.app.floor.export;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** The unit that a column's name ends with. */
final class UnitOfField {

    private static final Map<String, String> UNITS = new LinkedHashMap<>();

    static {
        UNITS.put("_mm", "mm");
        UNITS.put("_ml", "ml");
        UNITS.put("_hours", "h");
        UNITS.put("_s", "s");
        UNITS.put("_c", "°C");
        UNITS.put("_percent", "%");
        UNITS.put("_minutes", "min");
        UNITS.put("_days", "d");
        UNITS.put("_m3", "m³");
        UNITS.put("_ppb", "ppb");
        UNITS.put("_g_per_ml", "g/ml");
    }

    private UnitOfField() {}

    static Optional<String> of(String column) {
        return column.equals("hours")
                ? Optional.of("h")
                : UNITS.entrySet().stream()
                        .filter(u -> column.endsWith(u.getKey()))
                        .max((a, b) ->
                                Integer.compare(a.getKey().length(), b.getKey().length()))
                        .map(Map.Entry::getValue);
    }
}
