package keel.core.bring;

import static keel.core.bring.BringField.CHANGED_AT;
import static keel.core.bring.BringField.DURATION;
import static keel.core.bring.BringField.ENDED_AT;
import static keel.core.bring.BringField.END_REASON;
import static keel.core.bring.BringField.HOURS;
import static keel.core.bring.BringField.JOB;
import static keel.core.bring.BringField.LAYERS;
import static keel.core.bring.BringField.LAYER_EXPOSURE_S;
import static keel.core.bring.BringField.LOW_AT;
import static keel.core.bring.BringField.MACHINE;
import static keel.core.bring.BringField.MATERIAL;
import static keel.core.bring.BringField.MODEL;
import static keel.core.bring.BringField.NAME;
import static keel.core.bring.BringField.NOTE;
import static keel.core.bring.BringField.OUTCOME;
import static keel.core.bring.BringField.PART;
import static keel.core.bring.BringField.QUANTITY;
import static keel.core.bring.BringField.REACHED_LAYER;
import static keel.core.bring.BringField.RESIN_ML;
import static keel.core.bring.BringField.ROOM;
import static keel.core.bring.BringField.SEEN_AT;
import static keel.core.bring.BringField.SERIAL;
import static keel.core.bring.BringField.SINCE;
import static keel.core.bring.BringField.STARTED_AT;
import static keel.core.bring.BringField.SYMPTOMS;
import static keel.core.bring.BringField.THICKNESS_MM;
import static keel.core.bring.BringField.UNIT;

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
    STOCK("Stock", List.of(NAME, UNIT, QUANTITY, LOW_AT)),
    PARTS("Parts changed", List.of(MACHINE, PART, CHANGED_AT, MATERIAL, THICKNESS_MM, SERIAL, END_REASON, NOTE));

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
