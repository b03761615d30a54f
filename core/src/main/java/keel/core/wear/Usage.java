package keel.core.wear;

/**
 * What a part has been through: summed over the runs that fell into the times it was fitted, plus what it had done when
 * it was taken over. Never counted up by hand.
 *
 * @param hours print hours
 * @param uvHours hours with the UV light on: layers times exposure
 * @param layers layers, each of which is one peel
 * @param prints runs
 * @param resinMl resin used, ml
 */
public record Usage(double hours, double uvHours, long layers, long prints, double resinMl) {

    public static final Usage NONE = new Usage(0, 0, 0, 0, 0);

    /** What one run adds. UV time is layers times layer exposure; bottom layers are not known here and not added. */
    public static Usage ofRun(double runHours, long layers, double layerExposureS, double resinMl) {
        return new Usage(runHours, layers * layerExposureS / 3600, layers, 1, resinMl);
    }

    public Usage plus(Usage other) {
        return new Usage(
                hours + other.hours,
                uvHours + other.uvHours,
                layers + other.layers,
                prints + other.prints,
                resinMl + other.resinMl);
    }

    /** UV hours in an hour of printing; {@code ifUnknown} while nothing has been printed. */
    public double uvShare(double ifUnknown) {
        return hours > 0 ? uvHours / hours : ifUnknown;
    }
}
