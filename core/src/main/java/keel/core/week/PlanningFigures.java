package keel.core.week;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalTime;
import keel.core.CheckedYaml;

/** What a week is planned by where the shop does not say; {@code week/planning.yaml}, common practice, no source. */
public final class PlanningFigures {

    private static final JsonNode FILE = checked();

    private PlanningFigures() {}

    private static JsonNode checked() {
        JsonNode file = CheckedYaml.shipped("week/planning");
        CheckedYaml.requireSchema("week/planning", file);
        return file;
    }

    /** Minutes of hands to clear a plate, go through the gate and start. */
    public static double startMinutes() {
        return FILE.get("hands").get("start").asDouble();
    }

    /** Minutes of hands more where another resin goes in. */
    public static double resinMinutes() {
        return FILE.get("hands").get("resin").asDouble();
    }

    /** Minutes after its start for which somebody stays to see the first layers. */
    public static double lookMinutes() {
        return FILE.get("hands").get("look").asDouble();
    }

    /** Minutes that a sitting at the bench takes beside what is done in it. */
    public static double visitMinutes() {
        return FILE.get("hands").get("visit").asDouble();
    }

    /** Money that a day too early costs for upkeep that changes no part. */
    public static double upkeepEarly() {
        return FILE.get("upkeepEarly").asDouble();
    }

    /** Hours taken for a print of which nobody knows when it ends. */
    public static double unknownHours() {
        return FILE.get("unknownHours").asDouble();
    }

    /** Days that are planned. */
    public static int days() {
        return FILE.get("days").asInt();
    }

    /** Share of what a plan brings that another must save before it takes its place. */
    public static double stays() {
        return FILE.get("stays").asDouble();
    }

    /** When somebody is there while nobody said so. */
    public static LocalTime usualFrom() {
        return LocalTime.parse(FILE.get("usual").get("from").asText());
    }

    /** Until when. */
    public static LocalTime usualTo() {
        return LocalTime.parse(FILE.get("usual").get("to").asText());
    }

    /** In hours of a machine that could print. */
    static double worth(String what) {
        return FILE.get("worth").get(what).asDouble();
    }
}
