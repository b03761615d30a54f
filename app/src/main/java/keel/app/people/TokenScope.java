package keel.app.people;

import java.util.Set;

/** How far a token reaches within its role. */
public enum TokenScope {
    ALL("all that its role may"),
    READ("only reads"),
    SENSOR("only hands over readings of a room"),
    CALENDAR("only reads the calendar");

    /** The calendar, which programs that know no headers ask for with the token in the address. */
    static final String CALENDAR_PATH = "/calendar.ics";

    private static final Set<String> READS = Set.of("GET", "HEAD", "OPTIONS");

    private final String words;

    TokenScope(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether a request is within it. */
    boolean covers(String method, String path) {
        return switch (this) {
            case ALL -> true;
            case READ -> READS.contains(method);
            case CALENDAR -> READS.contains(method) && path.endsWith(CALENDAR_PATH);
            case SENSOR -> method.equals("POST") && path.matches("/api/v1/sensors/[^/]+/readings");
        };
    }
}
