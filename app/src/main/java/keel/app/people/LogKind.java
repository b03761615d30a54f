package keel.app.people;

/** What kind of entry the logbook holds. */
public enum LogKind {
    RUN_STARTED("Run started"),
    RUN_FINISHED("Run finished"),
    RUN_LOGGED("Run logged"),
    RUN_CORRECTED("Run corrected"),
    GATE_PASSED("Start gate"),
    FILE_DECIDED("File"),
    FAILURE_LOGGED("Failure"),
    FAILURE_CORRECTED("Failure corrected"),
    CAUSE_NAMED("Cause"),
    CHECK_DONE("Check"),
    PHOTO_ADDED("Photo"),
    SERVICE("Service"),
    SERVICE_WITHDRAWN("Service withdrawn"),
    HOLD_OVERRIDDEN("Hold overridden"),
    POURED("Resin poured"),
    POUR_WITHDRAWN("Pour withdrawn"),
    STOCK_MOVED("Stock"),
    PART_ENDED("Part condemned"),
    SET_UP("Set-up"),
    ROOM_READ("Room reading"),
    RESIN_MEASURED("Resin measured"),
    RELEASE_SWITCHED("Release switched"),
    ROOM_READING_WITHDRAWN("Room reading withdrawn"),
    GUIDE_GIVEN_UP("Guide given up"),
    FIRST_LAYER_TEST("First-layer test"),
    KNOWLEDGE_TUNED("Knowledge"),
    QUIRK_NOTED("Quirk"),
    FACTS_TOLD("Told"),
    CHECK_WITHDRAWN("Check withdrawn"),
    CAUSE_REOPENED("Reopened"),
    CAUSE_MENDED("Mended"),
    CAUSE_JUDGED_ANEW("Judged anew"),
    PROFILE_CHANGED("Profile"),
    CALIBRATED("Calibration"),
    LOOKED_IN("Look-in"),
    FILM_LOOKED_AT("Film inspected"),
    FILM_TAPPED("Film tapped"),
    FILM_EXPERIMENT("Experiment"),
    FILM_PACK("Film pack"),
    RUN_PLACED("Footprint"),
    SCHOOL_CHOSEN("Change of parts"),
    UV_MAPPED("UV map"),
    BOTTLE("Bottle"),
    ORDERED("Order"),
    BATH("Bath"),
    FINISHED("Finishing"),
    WASTE("Waste"),
    INCIDENT("Incident"),
    FAN("Fan"),
    UPKEEP("Upkeep"),
    PATTERN("Pattern"),
    BROUGHT_IN("Brought in"),
    JOB_WANTED("Job wanted"),
    PARTS_WANTED("Parts wanted"),
    PARTS_COUNTED("Parts counted"),
    HOURS("Working hours"),
    SIGN_IN_REFUSED("Sign-in refused");

    private final String words;

    LogKind(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
