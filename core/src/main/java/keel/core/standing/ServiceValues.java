package keel.core.standing;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What an entry says, read and checked: its fields by name.
 *
 * @param kind what was done
 * @param byName values as {@link FieldReading} gives them
 */
public record ServiceValues(ServiceKind kind, Map<String, Object> byName) {

    /** A text or the code of a choice; null where it was left out. */
    public String text(String field) {
        Object value = byName.get(field);
        return value == null ? null : value.toString();
    }

    /** A number; null where it was left out. */
    public Double number(String field) {
        return byName.get(field) instanceof Double number ? number : null;
    }

    /** Whether it was answered with yes; left out is no. */
    public boolean yes(String field) {
        return Boolean.TRUE.equals(byName.get(field));
    }

    public boolean has(String field) {
        return text(field) != null && !text(field).isBlank();
    }

    /** A choice in its words, lower case; empty where none was made. */
    String words(String field) {
        return kind.field(field)
                .filter(f -> has(field))
                .map(f -> f.words(text(field)).toLowerCase(Locale.ROOT))
                .orElse("");
    }

    /** A list in brackets; empty where there is none. */
    String listed(String field) {
        return byName.get(field) instanceof List<?> list && !list.isEmpty()
                ? list.stream().map(Object::toString).collect(Collectors.joining(", ", " (", ")"))
                : "";
    }
}
