package keel.app.prints.order;

import java.time.Instant;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import keel.core.Findings;

/**
 * An order as somebody makes it.
 *
 * @param dueAt null without a date
 */
public record OrderEntry(String name, Instant dueAt, List<PartEntry> parts) {

    private static final int MOST_PARTS = 60;

    public OrderEntry {
        parts = parts == null ? List.of() : List.copyOf(parts);
    }

    Findings findings() {
        Findings findings = new Findings();
        findings.text(name, 120, "name", "What is wanted");
        findings.when(parts.isEmpty(), "parts", "An order has one part at least, with how many are wanted.");
        findings.when(parts.size() > MOST_PARTS, "parts", "An order has " + MOST_PARTS + " parts at most.");
        Set<String> names = new HashSet<>();
        for (int i = 0; i < parts.size(); i++) {
            PartEntry part = parts.get(i);
            String at = "parts[" + i + "]";
            part.check(at, findings);
            findings.when(
                    part.name() != null && !names.add(part.name().strip().toLowerCase(Locale.ROOT)),
                    at + ".name",
                    "Two parts are called " + part.name() + ".");
        }
        return findings;
    }

    /** How it stands, in the words of its form. */
    Map<String, Object> stands() {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Order", name);
        stands.put("Done by", dueAt == null ? "no date" : dueAt.toString());
        parts.forEach(p -> stands.put(p.name(), p.wanted() + " wanted"));
        return stands;
    }
}
