package keel.app.prints;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import keel.core.Findings;

/**
 * A job as somebody asks for it.
 *
 * @param hours it prints
 * @param resin code of the resin; null where any will do
 * @param resinMl what it takes of it, ml; null where nobody says
 * @param models codes of the machine models that may print it; empty for any
 * @param size what it takes of a machine, null where nobody says
 */
public record JobEntry(
        String name,
        Double hours,
        String resin,
        Double resinMl,
        List<String> models,
        Instant dueAt,
        Size size,
        String note) {

    private static final double LONGEST_HOURS = 400;
    private static final double MOST_MM = 2000;
    private static final double MOST_ML = 20_000;

    /** Sides on the plate and height, mm; each null where nobody says. */
    public record Size(Double widthMm, Double depthMm, Double heightMm) {

        public static final Size UNKNOWN = new Size(null, null, null);
    }

    public JobEntry {
        models = models == null ? List.of() : List.copyOf(new TreeSet<>(models));
        size = size == null ? Size.UNKNOWN : size;
    }

    Findings findings() {
        Findings findings = new Findings();
        findings.text(name, 120, "name", "What it is");
        findings.range(hours, 0.01, LONGEST_HOURS, "hours", "How long it prints", "h");
        findings.rangeIfGiven(resinMl, 0.1, MOST_ML, "resinMl", "What it takes of resin", "ml");
        findings.rangeIfGiven(size.widthMm(), 0, MOST_MM, "footprint", "Its width", "mm");
        findings.rangeIfGiven(size.depthMm(), 0, MOST_MM, "footprint", "Its depth", "mm");
        findings.rangeIfGiven(size.heightMm(), 0, MOST_MM, "heightMm", "Its height", "mm");
        findings.when(note != null && note.length() > 400, "note", "The note is longer than 400 characters.");
        return findings;
    }

    /** How it stands, in the words of its form. */
    Map<String, Object> stands() {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Job", name);
        stands.put("Hours", hours);
        stands.put("Resin", resin == null ? "any" : resin);
        stands.put("Takes of it, ml", resinMl == null ? "not known" : resinMl);
        stands.put("Models", new ArrayList<>(models));
        stands.put("Done by", dueAt == null ? "no date" : dueAt.toString());
        stands.put("Size", size);
        stands.put("Note", note == null ? "" : note);
        return stands;
    }
}
