package keel.core.quick;

import java.util.Locale;
import java.util.Map;
import keel.core.standing.ServiceKind;

/** The shortest words that are read as a service. */
final class ServiceLine {

    private static final Map<String, String> PLATE_WORK =
            Map.of("ABRADED", "plate abraded", "DEBURRED", "deburred", "REPLACED", "plate new");
    private static final Map<String, String> SCHOOLS = Map.of("PAPER", "paper", "ON_FILM", "on film", "SELF", "self");

    private ServiceLine() {}

    static String of(ServiceKind kind, Map<String, Object> values) {
        return switch (kind) {
            case PLATE_CLEARED -> "cleared";
            case CLEAN_UP ->
                "cleaned" + ("QUICK".equals(values.get("way")) ? " quick" : "") + flag(values, "sieved")
                        + flag(values, "emptied");
            case LUBRICATION -> "RAIL".equals(values.get("part")) ? "oiled" : "greased";
            case LEVELLING -> "levelled " + SCHOOLS.get(values.get("school"));
            case TANK_CHANGE -> "tank new" + reason(values);
            case SCREEN_CHANGE -> "screen new" + reason(values);
            case STANCE_CHECKED -> "stance ok";
            case PLATE_WORK -> PLATE_WORK.get(values.get("work"));
            case PLATE_DROPPED -> "dropped";
            case VAT_FITTED -> "vat " + values.get("vat");
            case VAT_REMOVED -> "vat " + values.get("vat") + " out";
            case FILM_CLEANED -> "film cleaned " + lower(values.get("cleaner"));
            default -> lower(kind.name());
        };
    }

    private static String reason(Map<String, Object> values) {
        return "OTHER".equals(values.get("endReason")) ? "" : " " + lower(values.get("endReason"));
    }

    private static String flag(Map<String, Object> values, String name) {
        return Boolean.TRUE.equals(values.get(name)) ? " " + name : "";
    }

    private static String lower(Object value) {
        return String.valueOf(value).toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
