package keel.core.knowledge;

/**
 * Something that is seen when a print has failed.
 *
 * @param code code of the open format, such as {@code bare-plate}
 * @param name two or three words
 * @param seen what the print or the machine looks like
 * @param look where one looks for it
 * @param afterwards whether it shows only in washing, drying and curing, so that nothing cured is left in the vat
 */
public record Symptom(String code, String name, String seen, Place look, boolean afterwards) {

    /** Where one looks. */
    public enum Place {
        PLATE,
        PART,
        VAT,
        MACHINE
    }
}
