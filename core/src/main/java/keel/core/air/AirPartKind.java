package keel.core.air;

/**
 * What is kept up in the path of the air, what is done to it, and how long it usually lasts; usual figures are common
 * practice, no source.
 */
public enum AirPartKind {
    FAN("fan", "cleaned and looked over", 2000.0, null),
    MESH("insect mesh", "cleaned", null, 60.0),
    FILTER("dust filter", "changed", 500.0, null),
    CARBON("carbon filter", "changed", 400.0, 180.0),
    CARTRIDGE("respirator cartridges", "changed", 40.0, 180.0);

    private final String words;
    private final String done;
    private final Double hours;
    private final Double days;

    AirPartKind(String words, String done, Double hours, Double days) {
        this.words = words;
        this.done = done;
        this.hours = hours;
        this.days = days;
    }

    public String words() {
        return words;
    }

    public String done() {
        return done;
    }

    /** Usual life, h of the fan, or worn; null where days say it. */
    public Double hours() {
        return hours;
    }

    /** Usual life, days; null where hours say it. */
    public Double days() {
        return days;
    }
}
