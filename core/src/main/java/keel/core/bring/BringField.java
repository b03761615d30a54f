package keel.core.bring;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What a column may be, with the headings that people give it. Common practice, no source. */
public enum BringField {
    STARTED_AT(
            "startedAt",
            "began",
            "started",
            "start",
            "begin",
            "began",
            "start time",
            "print start",
            "date",
            "datum",
            "debut"),
    ENDED_AT("endedAt", "ended", "ended", "end", "finish", "finished", "end time", "print end", "ende", "fin"),
    DURATION("duration", "how long it took", "time", "print time", "hours", "length", "took", "dauer", "duree", "h"),
    MACHINE("machine", "machine", "printer", "device", "unit", "drucker", "maschine", "imprimante"),
    JOB(
            "job",
            "what was printed",
            "file",
            "file name",
            "model",
            "part",
            "print",
            "name",
            "what",
            "project",
            "auftrag",
            "datei",
            "piece"),
    RESIN_ML(
            "resinMl",
            "resin of the whole job, ml",
            "resin",
            "resin ml",
            "ml",
            "volume",
            "resin used",
            "material",
            "harz"),
    OUTCOME(
            "outcome",
            "how it ended",
            "result",
            "status",
            "success",
            "ok",
            "state",
            "how it ended",
            "ergebnis",
            "resultat"),
    LAYERS("layers", "layers", "layer count", "number of layers", "schichten", "couches"),
    LAYER_EXPOSURE_S(
            "layerExposureS",
            "layer exposure, s",
            "exposure",
            "exposure s",
            "exposure time",
            "layer exposure",
            "cure time",
            "belichtung"),
    REACHED_LAYER(
            "reachedLayer", "layer reached", "failed at layer", "last layer", "reached", "stopped at", "failed at"),
    SEEN_AT("seenAt", "seen at", "seen", "when", "date", "time", "found", "datum"),
    SYMPTOMS(
            "symptoms", "what was seen", "symptom", "what", "failure", "problem", "what went wrong", "fehler", "error"),
    NOTE("note", "note", "notes", "comment", "remarks", "remark", "description", "notiz", "bemerkung"),
    NAME("name", "name", "machine", "printer", "item", "article", "what", "title", "artikel", "bezeichnung"),
    MODEL("model", "model", "type", "kind", "modell", "typ"),
    ROOM("room", "room", "place", "location", "where", "raum", "ort"),
    SINCE("since", "in the shop since", "bought", "from", "in service since", "date", "purchased", "seit", "datum"),
    HOURS("hours", "print hours by then", "print hours", "counter", "h", "meter", "stunden"),
    UNIT("unit", "unit", "units", "measure", "einheit"),
    QUANTITY(
            "quantity",
            "on hand",
            "amount",
            "count",
            "on hand",
            "number",
            "pieces",
            "stock",
            "qty",
            "menge",
            "bestand"),
    LOW_AT("lowAt", "low at", "low", "minimum", "min", "reorder", "reorder at", "warn at", "mindestbestand"),
    PART("part", "which part", "part", "what", "component", "kind", "item", "teil", "piece"),
    CHANGED_AT(
            "changedAt", "changed at", "changed", "when", "date", "replaced", "fitted", "time", "datum", "gewechselt"),
    MATERIAL("material", "material of the film", "material", "film", "sheet", "folie"),
    THICKNESS_MM("thicknessMm", "thickness of the film, mm", "thickness", "mm", "gauge", "dicke", "epaisseur"),
    SERIAL("serial", "serial number of the new one", "serial", "serial number", "sn", "s/n", "seriennummer"),
    END_REASON("endReason", "why the old one ended", "reason", "why", "cause", "end", "grund", "raison");

    private final String code;
    private final String words;
    private final List<String> headings;

    BringField(String code, String words, String... headings) {
        this.code = code;
        this.words = words;
        this.headings = List.of(headings);
    }

    /** As programs call it. */
    public String code() {
        return code;
    }

    /** As people call it. */
    public String words() {
        return words;
    }

    /** Whether it is a number, so that its column tells how the table writes decimals. */
    public boolean number() {
        return switch (this) {
            case DURATION, RESIN_ML, LAYERS, LAYER_EXPOSURE_S, REACHED_LAYER, HOURS, QUANTITY, LOW_AT, THICKNESS_MM ->
                true;
            default -> false;
        };
    }

    /** The field of a kind that is called so by programs. */
    public static Optional<BringField> of(BringKind kind, String code) {
        return kind.fields().stream().filter(f -> f.code.equals(code)).findFirst();
    }

    /**
     * What a heading means in a table of a kind; empty where that cannot be said.
     *
     * @param taken fields that another column is already
     * @param exactly whether it has to be called like the field, else one of the usual words will do; of these the one
     *     that stands first for its field
     */
    static Optional<BringField> guess(BringKind kind, String heading, Set<BringField> taken, boolean exactly) {
        String plain = plain(heading);
        return kind.fields().stream()
                .filter(f -> !taken.contains(f))
                .filter(f -> exactly ? plain.equals(plain(f.code)) : f.place(plain) >= 0)
                .min((a, b) -> Integer.compare(a.place(plain), b.place(plain)));
    }

    private int place(String plain) {
        return headings.stream().map(BringField::plain).toList().indexOf(plain);
    }

    /** Without case, marks, units in brackets and what stands between words. */
    static String plain(String heading) {
        String letters = Normalizer.normalize(heading, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .replaceAll("[(\\[].*?[)\\]]", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", "");
        return letters.isEmpty() ? heading.strip().toLowerCase(Locale.ROOT) : letters;
    }

    /** Fields that have to be there for a table of a kind to say anything. */
    public static List<BringField> wanted(BringKind kind) {
        return Arrays.stream(values())
                .filter(kind.fields()::contains)
                .filter(f -> switch (kind) {
                    case RUNS ->
                        f == STARTED_AT
                                || f == MACHINE
                                || f == JOB
                                || f == OUTCOME
                                || f == LAYERS
                                || f == LAYER_EXPOSURE_S
                                || f == RESIN_ML;
                    case MACHINES -> f == NAME || f == MODEL || f == ROOM;
                    case FAILURES -> f == MACHINE || f == SEEN_AT || f == SYMPTOMS;
                    case STOCK -> f == NAME || f == UNIT;
                    case PARTS -> f == MACHINE || f == PART || f == CHANGED_AT;
                })
                .toList();
    }
}
