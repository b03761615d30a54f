package keel.app.people.web;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.people.LogLine;
import org.springframework.stereotype.Component;

/** Where an entry of the logbook leads: to the page of what it is about. */
@Component("logPaths")
public class LogPaths {

    private static final Map<String, String> BY_NUMBER =
            Map.of("RUN", "/runs/", "FAILURE", "/failures/", "GUIDE", "/guides/", "JOB", "/jobs/");
    private static final Map<String, String> PLACES = Map.of(
            "QUIRK",
            "/quirks",
            "ROOM",
            "/air",
            "AIR",
            "/air",
            "WASTE",
            "/waste",
            "PERSON",
            "/setup/people",
            "PATTERN",
            "/patterns",
            "KNOWLEDGE",
            "/knowledge");
    private static final Map<String, String> OF_THE_MACHINE = Map.of("UV_MAP", "/uv", "PROFILE", "/profiles");
    private static final Map<String, Pattern> NAMED = Map.of(
            "STOCK", Pattern.compile("\"item\"\\s*:\\s*\"([a-z0-9-]+)\""),
            "FILM_LOOK", Pattern.compile("\"vat\"\\s*:\\s*\"([A-Z0-9-]+)\""),
            "FILM_TONE", Pattern.compile("\"vat\"\\s*:\\s*\"([A-Z0-9-]+)\""));

    /**
     * @param here code of the machine that the list is of, null for all: what only belongs to it leads nowhere new
     * @return null where there is no page of its own
     */
    public String of(LogLine line, String here) {
        String kind = line.subjectKind();
        if (BY_NUMBER.containsKey(kind)) {
            return BY_NUMBER.get(kind) + line.subjectId();
        }
        if (PLACES.containsKey(kind)) {
            return PLACES.get(kind);
        }
        if (NAMED.containsKey(kind)) {
            Matcher code = NAMED.get(kind).matcher(line.content() == null ? "" : line.content());
            if (code.find()) {
                return (kind.equals("STOCK") ? "/stores/" : "/vats/") + code.group(1);
            }
        }
        if (line.machine() == null) {
            return null;
        }
        String machine = "/machines/" + line.machine();
        return OF_THE_MACHINE.containsKey(kind)
                ? machine + OF_THE_MACHINE.get(kind)
                : line.machine().equals(here) ? null : machine + "/history";
    }
}
