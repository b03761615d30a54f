package keel.app.floor.bring;

import static keel.core.bring.BringField.DURATION;
import static keel.core.bring.BringField.ENDED_AT;
import static keel.core.bring.BringField.JOB;
import static keel.core.bring.BringField.LAYERS;
import static keel.core.bring.BringField.LAYER_EXPOSURE_S;
import static keel.core.bring.BringField.OUTCOME;
import static keel.core.bring.BringField.REACHED_LAYER;
import static keel.core.bring.BringField.RESIN_ML;
import static keel.core.bring.BringField.STARTED_AT;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import keel.app.fleet.MachineRef;
import keel.app.prints.RunChange;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.core.bring.BringKind;
import keel.core.bring.OutcomeWords;
import keel.core.run.Outcome;
import org.springframework.stereotype.Component;

/** Runs of a table: with an end or a duration, the machine by code or name. */
@Component
class RunRows implements RowWriter {

    private static final double SECONDS_AN_HOUR = 3600;

    private final Runs runs;
    private final BroughtRecords records;

    RunRows(Runs runs, BroughtRecords records) {
        this.runs = runs;
        this.records = records;
    }

    @Override
    public BringKind kind() {
        return BringKind.RUNS;
    }

    @Override
    public Optional<String> write(BringRow row) {
        MachineRef machine = row.machine();
        Instant started = row.moment(STARTED_AT);
        Instant ended = end(row, started);
        Outcome outcome = outcome(row);
        Integer layers = row.whole(LAYERS);
        Double exposure = row.number(LAYER_EXPOSURE_S);
        Double resin = row.number(RESIN_ML);
        Integer reached = row.whole(REACHED_LAYER);
        if (machine == null || started == null || ended == null || outcome == null) {
            return Optional.empty();
        }
        if (records.runsAt(machine.id(), started) > 0) {
            return Optional.empty();
        }
        boolean whole = outcome == Outcome.GOOD;
        RunEntry entry = new RunEntry(
                machine.code(),
                row.text(JOB),
                started,
                ended,
                layers,
                exposure,
                resin,
                outcome.name(),
                whole ? null : reached,
                null);
        return Optional.of(Long.toString(enter(row, entry).id()));
    }

    /** Where a table has no column at all for a number, it is reckoned; an empty cell is asked about. */
    private RunView enter(BringRow row, RunEntry entry) {
        boolean layers = entry.layers() != null || !row.hasColumn(LAYERS);
        boolean exposure = entry.layerExposureS() != null || !row.hasColumn(LAYER_EXPOSURE_S);
        boolean resin = entry.resinMl() != null || !row.hasColumn(RESIN_ML);
        return layers && exposure && resin ? runs.enterRemembered(entry) : runs.enter(entry);
    }

    private static Instant end(BringRow row, Instant started) {
        Instant ended = row.moment(ENDED_AT);
        Double hours = row.hours(DURATION);
        if (ended != null) {
            return ended;
        }
        if (hours == null) {
            if (!row.has(ENDED_AT) && !row.has(DURATION)) {
                row.wrong(ENDED_AT, "When it ended, or how long it took, is missing.");
            }
            return null;
        }
        return started == null ? null : started.plus(Duration.ofSeconds(Math.round(hours * SECONDS_AN_HOUR)));
    }

    private static Outcome outcome(BringRow row) {
        if (!row.has(OUTCOME)) {
            row.wrong(OUTCOME, "How it ended is missing.");
            return null;
        }
        Optional<Outcome> outcome = OutcomeWords.of(row.text(OUTCOME), row.words());
        if (outcome.isEmpty()) {
            row.unknown(OUTCOME, row.text(OUTCOME), "Say which of the five ends it is.");
        }
        return outcome.orElse(null);
    }

    @Override
    public void takeBack(String subject) {
        runs.correct(
                Long.parseLong(subject),
                new RunChange(null, null, null, null, null, null, null, null, null, true),
                "The table that it came from was taken back.");
    }
}
