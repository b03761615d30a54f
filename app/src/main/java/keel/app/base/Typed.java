package keel.app.base;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import keel.core.Findings;
import keel.core.bring.Cells;

/**
 * Reads what people type, numbers for one: comma or point, blanks around. Empty is null; nonsense goes to the findings.
 */
public final class Typed {

    private Typed() {}

    public static Double number(String text, String field, Findings findings) {
        try {
            return empty(text) ? null : Double.valueOf(text.strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            findings.add(field, "This is no number: " + text + ". Write it like 12.5 or 12,5.");
            return null;
        }
    }

    public static double number(String text, double ifEmpty, String field, Findings findings) {
        Double number = number(text, field, findings);
        return number == null ? ifEmpty : number;
    }

    /** Hours as people and slicers say them: 7.5, 7,5, 7:30, 7h30 or 90 min. */
    public static Double hours(String text, String field, Findings findings) {
        try {
            return empty(text) ? null : Double.valueOf(Cells.hours(text, Cells.Decimals.UNKNOWN));
        } catch (IllegalArgumentException e) {
            findings.add(field, e.getMessage());
            return null;
        }
    }

    public static Integer whole(String text, String field, Findings findings) {
        try {
            return empty(text) ? null : Integer.valueOf(text.strip());
        } catch (NumberFormatException e) {
            findings.add(field, "This is no whole number: " + text + ". Write it like 12.");
            return null;
        }
    }

    /**
     * A day as a browser sends it; null where nothing was typed.
     *
     * @throws Refused if it is none
     */
    public static LocalDate day(String text, String field) {
        if (empty(text)) {
            return null;
        }
        try {
            return LocalDate.parse(text.strip());
        } catch (DateTimeParseException e) {
            throw new Refused(field, "The day is written like 2026-03-05.");
        }
    }

    /** A text without blanks around it; null for an empty one. */
    public static String orNull(String text) {
        return empty(text) ? null : text.strip();
    }

    private static boolean empty(String text) {
        return text == null || text.isBlank();
    }
}
