package keel.core.history;

/**
 * How far the parts of a machine were in their lives at the print in question, as shares of the usual life (0 new, 1 at
 * the age by which most have ended); null where it has no such part or nothing is known.
 */
public record PartAges(Double film, Double screen, Double light, Double lubrication, Double plate) {

    public static final PartAges UNKNOWN = new PartAges(null, null, null, null, null);
}
