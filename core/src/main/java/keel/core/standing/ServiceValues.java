package keel.core.standing;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What an entry says, read and checked: its fields by name.
 *
 * @param kind what was done
 * @param byName values as {@link FieldReading} gives them
 */
public record ServiceValues(ServiceKind kind, Map<String, Object> byName) {

    private static final Pattern CODE = Pattern.compile("[a-z]+(-[a-z]+)+");

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

    /** Texts of a list, codes without their hyphens. */
    List<String> texts(String field) {
        return byName.get(field) instanceof List<?> list
                ? list.stream()
                        .filter(one -> !(one instanceof Map))
                        .map(one -> CODE.matcher(one.toString()).matches()
                                ? one.toString().replace('-', ' ')
                                : one.toString())
                        .toList()
                : List.of();
    }

    /** So many things of each kind in a list of things that name their kind; those that name none count as spots. */
    Map<String, Long> kinds(String field) {
        return byName.get(field) instanceof List<?> list
                ? list.stream()
                        .filter(Map.class::isInstance)
                        .collect(Collectors.groupingBy(
                                one -> String.valueOf(((Map<?, ?>) one).get("kind")),
                                TreeMap::new,
                                Collectors.counting()))
                : Map.of();
    }
}
