package keel.core.film;

import keel.core.rate.RateRatio;

/**
 * Thin film against thick by a shop's own record: how often each is pierced, and how often prints through it lose fine
 * detail.
 *
 * @param leaks piercings an hour, thin over thick; null where one of the two was never used
 * @param soft prints that lost detail, the same
 */
public record ThinOrThick(Pool thin, Pool thick, RateRatio leaks, RateRatio soft) {

    /** Films up to this are thin, mm; common practice, no source. */
    public static final double THIN_UP_TO_MM = 0.115;

    /**
     * Films of one kind: how many, over how many print hours, how many were pierced, how many prints lost fine detail.
     */
    public record Pool(int films, double hours, int leaks, int softPrints) {}

    public static ThinOrThick of(Pool thin, Pool thick) {
        boolean both = thin.hours() > 0 && thick.hours() > 0;
        return new ThinOrThick(
                thin,
                thick,
                both ? RateRatio.of(thin.leaks(), thin.hours(), thick.leaks(), thick.hours()) : null,
                both ? RateRatio.of(thin.softPrints(), thin.hours(), thick.softPrints(), thick.hours()) : null);
    }

    /** What the record says, and no more than it can. */
    public String says() {
        if (leaks == null) {
            return "Only " + (thin.hours() > 0 ? "thin" : "thick")
                    + " film is on record. Thin keeps fine detail and passes more light, thick leaks less: try the "
                    + "other on one vat, and this page compares.";
        }
        boolean thinLeaks = leaks.differs() && leaks.ratio() > 1;
        boolean thinKeeps = soft.differs() && soft.ratio() < 1;
        return (!leaks.differs()
                        ? "So far the leaks do not tell thin from thick."
                        : thinLeaks ? "Here thin film leaks more often." : "Here thin film leaks less often.")
                + " "
                + (!soft.differs()
                        ? "Lost detail does not tell them apart."
                        : thinKeeps
                                ? "Fine detail was lost more often through thick film."
                                : "Fine detail was lost more often through thin film.")
                + (thinLeaks && !thinKeeps ? " Thick for what is coarse, thin only where detail pays for it." : "");
    }
}
