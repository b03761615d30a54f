package keel.core.film;

/**
 * Whether to keep a spare vat of a model or spare sheets only. A machine whose film has ended stands until somebody has
 * time for the change, and through it; with a spare vat it stands while the vat is swapped. What that saves in a year
 * is held against the vat's price over the years that it serves. A sheet is needed either way.
 *
 * @param savedPerYear what less standing is worth in a year
 * @param vatPerYear price of the vat, spread over its years
 * @param standsHours hours of standing that one change costs without a spare
 * @param breakEven changes a year from which a spare vat pays; infinite where it never does
 */
public record SpareAdvice(Keep keep, double savedPerYear, double vatPerYear, double standsHours, double breakEven) {

    /** What to keep. */
    public enum Keep {
        SPARE_VAT,
        SPARE_SHEETS,
        UNKNOWN
    }

    /**
     * @param changesPerYear film changes of all vats of the model in a year
     * @param changeMinutes how long a change takes
     * @param swapMinutes how long fitting another vat takes
     * @param waitHours until somebody has time for a change
     * @param hourValue what an hour of a machine that could print is worth
     * @param vatPrice null if not known
     */
    public static SpareAdvice of(
            double changesPerYear,
            double changeMinutes,
            double swapMinutes,
            double waitHours,
            double hourValue,
            Double vatPrice,
            double vatYears) {
        double hours = Math.max(0, waitHours + (changeMinutes - swapMinutes) / 60);
        double saved = changesPerYear * hours * hourValue;
        if (vatPrice == null) {
            return new SpareAdvice(Keep.UNKNOWN, saved, Double.NaN, hours, Double.NaN);
        }
        double perYear = vatPrice / vatYears;
        return new SpareAdvice(
                saved > perYear ? Keep.SPARE_VAT : Keep.SPARE_SHEETS,
                saved,
                perYear,
                hours,
                perYear / (hours * hourValue));
    }
}
