package keel.app.floor;

import keel.app.air.Air;
import keel.app.bench.Bench;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.film.FilmLooks;
import keel.app.film.Vats;
import keel.app.prints.RunChange;
import keel.app.prints.Runs;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import org.springframework.stereotype.Component;

/** Takes back what a line wrote, through the services that wrote it. */
@Component
class QuickUndo {

    private static final String REASON = "Taken back at once: typed wrong.";

    private final Runs runs;
    private final Failures failures;
    private final Bench bench;
    private final Resins resins;
    private final Stock stock;
    private final Air air;
    private final Vats vats;
    private final FilmLooks looks;

    QuickUndo(
            Runs runs,
            Failures failures,
            Bench bench,
            Resins resins,
            Stock stock,
            Air air,
            Vats vats,
            FilmLooks looks) {
        this.runs = runs;
        this.failures = failures;
        this.bench = bench;
        this.resins = resins;
        this.stock = stock;
        this.air = air;
        this.vats = vats;
        this.looks = looks;
    }

    void takeBack(QuickEntry entry) {
        long id = entry.subjectId;
        switch (entry.kind) {
            case FAILURE -> withdraw(failures.one(id));
            case RUN ->
                runs.correct(id, new RunChange(null, null, null, null, null, null, null, null, null, true), REASON);
            case FINISH -> runs.reopen(id, REASON);
            case SERVICE -> bench.withdraw(id, REASON);
            case POUR -> resins.withdraw(id, REASON);
            case STOCK -> stock.takeBack(id, "taken back");
            case ROOM -> air.withdraw(id, REASON);
            case LOOK -> looks.withdraw(vats.one(entry.subjectCode), id, REASON);
            default -> throw new IllegalStateException(entry.kind.name());
        }
    }

    private void withdraw(FailureView f) {
        failures.correct(
                f.id(),
                null,
                new FailureEntry(f.machine(), f.run(), f.seenAt(), f.symptoms(), f.absent(), f.zones(), f.note()),
                true,
                REASON);
    }
}
