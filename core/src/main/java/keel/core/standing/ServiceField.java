package keel.core.standing;

import java.util.List;

/**
 * One thing a service entry says. The same description checks what comes in through the open interface and draws the
 * form, so that both ask for the same.
 *
 * @param name as the open interface calls it
 * @param label as a page calls it
 * @param type what kind of value
 * @param required whether it may be left out
 * @param options the choices, for a CHOICE
 * @param low least number, for a NUMBER
 * @param high greatest number, for a NUMBER
 * @param unit unit of a NUMBER, or empty
 */
public record ServiceField(
        String name,
        String label,
        Type type,
        boolean required,
        List<Option> options,
        double low,
        double high,
        String unit) {

    /**
     * What kind of value a field takes. VAT, ROOM, ITEM, PACK, SPARE, CASE and BOTTLE name something recorded; LIST is
     * free JSON, NUMBERS are one or several readings of the same.
     */
    public enum Type {
        CHOICE,
        NUMBER,
        NUMBERS,
        TEXT,
        YES_NO,
        VAT,
        ROOM,
        ITEM,
        PACK,
        SPARE,
        CASE,
        BOTTLE,
        LIST
    }

    /** One choice with its words. */
    public record Option(String code, String words) {}

    /** Words of a choice, or the code itself where it is none. */
    public String words(String code) {
        return options.stream()
                .filter(o -> o.code().equals(code))
                .map(Option::words)
                .findFirst()
                .orElse(code);
    }

    /** The same without one of its choices. */
    public ServiceField without(String code) {
        return options.stream().noneMatch(o -> o.code().equals(code))
                ? this
                : new ServiceField(
                        name,
                        label,
                        type,
                        required,
                        options.stream().filter(o -> !o.code().equals(code)).toList(),
                        low,
                        high,
                        unit);
    }
}
