package keel.core.standing;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.core.Findings;

/** Reads entries by the description of their fields; the same for pages, guides and the open interface. */
public final class FieldReading {

    private static final int MOST_READINGS = 50;

    private final Map<String, Object> given;
    private final Findings findings;
    private final Map<String, Object> read = new LinkedHashMap<>();

    private FieldReading(Map<String, Object> given, Findings findings) {
        this.given = given;
        this.findings = findings;
    }

    /** The fields that were given, each as its type asks; what is wrong goes to {@code findings}. */
    public static Map<String, Object> read(List<ServiceField> fields, Map<String, Object> given, Findings findings) {
        FieldReading reading = new FieldReading(given, findings);
        fields.forEach(reading::field);
        return reading.read;
    }

    private void field(ServiceField field) {
        Object value = given.get(field.name());
        if (value instanceof String text && text.isBlank()) {
            value = null;
        }
        if (value == null) {
            if (field.type() == ServiceField.Type.YES_NO && !field.required()) {
                read.put(field.name(), false);
            }
            findings.when(field.required(), field.name(), field.label() + " is missing" + choices(field) + ".");
            return;
        }
        Object understood = understood(field, value);
        if (understood != null) {
            read.put(field.name(), understood);
        }
    }

    private Object understood(ServiceField field, Object value) {
        return switch (field.type()) {
            case CHOICE -> choice(field, value);
            case NUMBER -> number(field, value);
            case YES_NO -> yesNo(field, value);
            case LIST -> list(field, value);
            case NUMBERS -> numbers(field, value);
            case TEXT, VAT, ROOM, ITEM, PACK, SPARE, CASE, BOTTLE ->
                findings.text(value.toString(), 200, field.name(), field.label())
                        ? value.toString().strip()
                        : null;
        };
    }

    private Object choice(ServiceField field, Object value) {
        String given = value.toString().strip();
        String code = field.options().stream()
                .filter(o -> o.code().equalsIgnoreCase(given) || o.words().equalsIgnoreCase(given))
                .map(ServiceField.Option::code)
                .findFirst()
                .orElse(null);
        findings.when(code == null, field.name(), field.label() + " cannot be " + value + choices(field) + ".");
        return code;
    }

    private Object number(ServiceField field, Object value) {
        Double number;
        try {
            number = value instanceof Number n
                    ? Double.valueOf(n.doubleValue())
                    : Double.valueOf(value.toString().strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            findings.add(field.name(), field.label() + " is not a number: " + value + ".");
            return null;
        }
        return findings.range(number, field.low(), field.high(), field.name(), field.label(), field.unit())
                ? number
                : null;
    }

    /** A number, a list of them, or text with spaces or semicolons between; a comma is a decimal one. */
    private Object numbers(ServiceField field, Object value) {
        List<?> given = value instanceof List<?> list
                ? list
                : value instanceof Number n
                        ? List.of(n)
                        : List.of(value.toString().strip().split("[\\s;]+"));
        if (findings.when(
                given.size() > MOST_READINGS,
                field.name(),
                field.label() + ": " + MOST_READINGS + " readings at most.")) {
            return null;
        }
        List<Object> read =
                given.stream().map(v -> number(field, v == null ? "" : v)).toList();
        return read.contains(null) ? null : read;
    }

    private Object yesNo(ServiceField field, Object value) {
        String text = value.toString().toLowerCase(Locale.ROOT);
        if (text.equals("true") || text.equals("on")) {
            return true;
        }
        return findings.when(
                        !text.equals("false"), field.name(), field.label() + " is true or false, not " + value + ".")
                ? null
                : false;
    }

    private Object list(ServiceField field, Object value) {
        if (value instanceof List<?> list) {
            return findings.when(list.size() > 500, field.name(), field.label() + ": 500 at most.") ? null : list;
        }
        return List.of(value.toString().strip().split("\\s*[,;\\n]\\s*"));
    }

    private static String choices(ServiceField field) {
        List<String> words = field.options().stream()
                .map(o -> o.words().toLowerCase(Locale.ROOT))
                .toList();
        return words.isEmpty() ? "" : "; it is one of " + String.join(", ", words);
    }
}
