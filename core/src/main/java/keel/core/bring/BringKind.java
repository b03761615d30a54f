package keel.core.bring;

import static keel.core.bring.BringField.*;

import java.util.List;

/** What a table that comes from elsewhere is about. */
public enum BringKind {
    MACHINES("Machines", List.of(NAME, MODEL, ROOM, SINCE, HOURS)),
    RUNS(
            "Runs",
            List.of(
                    STARTED_AT,
                    ENDED_AT,
                    DURATION,
                    MACHINE,
                    JOB,
                    LAYERS,
                    LAYER_EXPOSURE_S,
                    RESIN_ML,
                    OUTCOME,
                    REACHED_LAYER)),
    FAILURES("Failures", List.of(MACHINE, SEEN_AT, SYMPTOMS, NOTE)),
    STOCK("Stock", List.of(NAME, UNIT, QUANTITY, LOW_AT));

    private final String words;
    private final List<BringField> fields;

    BringKind(String words, List<BringField> fields) {
        this.words = words;
        this.fields = fields;
    }

    public String words() {
        return words;
    }

    /** What its columns may be. */
    public List<BringField> fields() {
        return fields;
    }
}
