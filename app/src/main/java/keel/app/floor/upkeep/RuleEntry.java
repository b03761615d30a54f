package keel.app.floor.upkeep;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.core.CheckedYaml;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.standing.ServiceKind;

/**
 * A rule as it is typed; what does not count is null.
 *
 * @param target code of the machine or the room of a rule for one
 * @param afterService it counts from when this was done last, and only then
 * @param doneBy the service that does it, null for a tick
 */
public record RuleEntry(
        String name,
        String note,
        RuleScope scope,
        String target,
        ServiceKind afterService,
        ServiceKind doneBy,
        Double everyHours,
        Double everyUvHours,
        Double everyPrints,
        Double everyLitres,
        Double everyDays,
        LocalDate onDate,
        Integer minutes,
        Hurts hurts) {

    private static final double MOST = 1e5;

    Findings findings() {
        Findings findings = new Findings();
        findings.text(name, 80, "name", "What is to be done");
        findings.when(note != null && note.length() > 400, "note", "The note may have 400 characters at most.");
        findings.when(scope == null, "scope", "Say what it is about.");
        findings.when(hurts == null, "hurts", "Say how much it hurts that it waits.");
        findings.range(minutes == null ? null : Double.valueOf(minutes), 1, 600, "minutes", "The minutes", "min");
        often(everyHours, "everyHours", "The print hours", "h", findings);
        often(everyUvHours, "everyUvHours", "The UV hours", "UV h", findings);
        often(everyPrints, "everyPrints", "The prints", "", findings);
        often(everyLitres, "everyLitres", "The litres", "l", findings);
        often(everyDays, "everyDays", "The days", "days", findings);
        boolean use = everyHours != null || everyUvHours != null || everyPrints != null || everyLitres != null;
        findings.when(
                !use && everyDays == null && onDate == null,
                "everyHours",
                "Say when it is due: after so many hours, prints, litres or days, or on a day.");
        if (scope != null && !scope.ofMachines()) {
            findings.when(use, "everyHours", "Rooms and the shop count days only: say days, or a day.");
            findings.when(
                    afterService != null || doneBy != null,
                    "doneBy",
                    "Rooms and the shop have no services: it is done by a tick.");
        }
        findings.when(
                (scope == RuleScope.MACHINE || scope == RuleScope.ROOM) && (target == null || target.isBlank()),
                "target",
                "Say which one.");
        return findings;
    }

    private static void often(Double every, String field, String what, String unit, Findings findings) {
        findings.rangeIfGiven(every, 0.1, MOST, field, what, unit);
    }

    /** When it is due and of what, in a line: "every 300 h or 90 days, every machine". */
    public String words() {
        List<String> often = new ArrayList<>();
        add(often, everyHours, "h");
        add(often, everyUvHours, "UV h");
        add(often, everyPrints, "prints");
        add(often, everyLitres, "l");
        add(often, everyDays, "days");
        String when = String.join(" or ", often);
        String after =
                afterService == null ? "" : " after: " + afterService.task().toLowerCase(Locale.ROOT);
        String day = onDate == null ? "" : (often.isEmpty() ? "" : ", ") + "on " + onDate;
        return (often.isEmpty() ? "" : afterService == null ? "every " : "") + when + after + day + "; "
                + scope.words();
    }

    private static void add(List<String> often, Double every, String unit) {
        if (every != null) {
            often.add(Plain.number(every) + " " + unit);
        }
    }

    /** In the words of its form. */
    public Map<String, Object> stands() {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("What is to be done", name);
        stands.put("Note", note);
        stands.put("About", scope == null ? null : scope.words());
        stands.put("Which one", target);
        stands.put("Only after", afterService == null ? null : afterService.task());
        stands.put("Done by", doneBy == null ? "a tick" : doneBy.task());
        stands.put("Print hours", everyHours);
        stands.put("UV hours", everyUvHours);
        stands.put("Prints", everyPrints);
        stands.put("Litres", everyLitres);
        stands.put("Days", everyDays);
        stands.put("On the day", onDate);
        stands.put("Minutes", minutes);
        stands.put("That it waits hurts", hurts == null ? null : hurts.words());
        return stands;
    }

    static RuleEntry of(UpkeepRule r, String target) {
        return new RuleEntry(
                r.name,
                r.note,
                r.scope,
                target,
                r.afterService,
                r.doneBy,
                r.everyHours,
                r.everyUvHours,
                r.everyPrints,
                r.everyLitres,
                r.everyDays,
                r.onDate,
                r.minutes,
                r.hurts);
    }

    /** A rule that a shop begins with. */
    record Shipped(String code, RuleEntry entry) {}

    /** Those in {@code round/upkeep.yaml}. */
    static List<Shipped> shipped() {
        JsonNode file = CheckedYaml.shipped("round/upkeep");
        CheckedYaml.requireSchema("round/upkeep", file);
        return CheckedYaml.each(
                file.get("rules"), n -> new Shipped(n.get("code").asText(), shipped(n)));
    }

    private static RuleEntry shipped(JsonNode n) {
        return new RuleEntry(
                n.get("name").asText(),
                n.get("note").asText(),
                RuleScope.valueOf(n.get("scope").asText()),
                null,
                n.has("after") ? ServiceKind.valueOf(n.get("after").asText()) : null,
                null,
                number(n, "hours"),
                number(n, "uvHours"),
                number(n, "prints"),
                number(n, "litres"),
                number(n, "days"),
                null,
                n.get("minutes").asInt(),
                Hurts.valueOf(n.get("hurts").asText()));
    }

    private static Double number(JsonNode n, String name) {
        return n.has(name) ? Double.valueOf(n.get(name).asDouble()) : null;
    }
}
