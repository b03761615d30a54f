package keel.core.guide;

/**
 * How long a sitting with several vats takes: kit and bench are set out once, the rest is for each vat. From the shop's
 * own sittings where it had some, else from single changes; the share of setting out is common practice, no source.
 *
 * @param onceMinutes for setting out and putting away
 * @param eachMinutes for each vat
 * @param fromSittings whether it is known from sittings
 */
public record SittingTime(double onceMinutes, double eachMinutes, boolean fromSittings) {

    private static final double SETTING_OUT_SHARE = 0.25;

    /**
     * @param singleMinutes a change of one vat by itself
     * @param aVatInSittings minutes a vat in earlier sittings, null if there were none
     */
    public static SittingTime of(double singleMinutes, Double aVatInSittings) {
        return aVatInSittings != null
                ? new SittingTime(0, aVatInSittings, true)
                : new SittingTime(SETTING_OUT_SHARE * singleMinutes, (1 - SETTING_OUT_SHARE) * singleMinutes, false);
    }

    public double minutes(int vats) {
        return vats == 0 ? 0 : onceMinutes + vats * eachMinutes;
    }
}
