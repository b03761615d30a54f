package keel.app.floor;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import keel.app.air.Air;
import keel.app.base.Conflict;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.film.FilmLooks;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.floor.QuickEntry.EntryKind;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.BottlePours;
import keel.app.stores.PourKind;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.quick.Order;
import org.springframework.stereotype.Component;

/** Writes what a line asks for, through the services of the other modules. */
@Component
class QuickWrites {

    private final Fleet fleet;
    private final Parts parts;
    private final Runs runs;
    private final Failures failures;
    private final Bench bench;
    private final Resins resins;
    private final BottlePours pours;
    private final Stock stock;
    private final Air air;
    private final Vats vats;
    private final FilmLooks looks;
    private final Standings standings;
    private final Clock clock;

    QuickWrites(
            Fleet fleet,
            Parts parts,
            Runs runs,
            Failures failures,
            Bench bench,
            Resins resins,
            BottlePours pours,
            Stock stock,
            Air air,
            Vats vats,
            FilmLooks looks,
            Standings standings,
            Clock clock) {
        this.fleet = fleet;
        this.parts = parts;
        this.runs = runs;
        this.failures = failures;
        this.bench = bench;
        this.resins = resins;
        this.pours = pours;
        this.stock = stock;
        this.air = air;
        this.vats = vats;
        this.looks = looks;
        this.standings = standings;
        this.clock = clock;
    }

    /**
     * Does what is asked for; answers the page of what came of it.
     *
     * @param at null for now
     * @param note of work at the bench, null for none
     * @param entry takes what was made
     */
    String write(Order order, Instant at, String note, QuickEntry entry) {
        if (order instanceof Order.LogFailure f) {
            return failure(f, at, entry);
        }
        if (order instanceof Order.LogRun r) {
            return run(r, at == null ? clock.instant() : at, entry);
        }
        if (order instanceof Order.StartRun r) {
            return start(r, at, entry);
        }
        if (order instanceof Order.FinishRun f) {
            return finish(f, at, entry);
        }
        if (order instanceof Order.DoService s) {
            long id = bench.record(new ServiceEntry(s.machine(), s.kind().name(), at, note, s.values()))
                    .id();
            return made(entry, EntryKind.SERVICE, id, s.machine() == null ? "/bench" : "/machines/" + s.machine());
        }
        if (order instanceof Order.LookAtFilm l) {
            return look(l, at, entry);
        }
        if (order instanceof Order.Pour p) {
            long id = resins.pour(vatOn(p.machine()), p.resin(), p.ml(), at).id();
            return made(entry, EntryKind.POUR, id, "/machines/" + p.machine());
        }
        if (order instanceof Order.PourBottle p) {
            PourKind kind = p.back() ? PourKind.RETURN : PourKind.POUR;
            long id =
                    pours.pour(vatOn(p.machine()), p.bottle(), p.ml(), kind, at).id();
            return made(entry, EntryKind.POUR, id, "/machines/" + p.machine());
        }
        if (order instanceof Order.MoveStock m) {
            long id = stock.moved(m.item(), m.quantity(), "quick line", at);
            return made(entry, EntryKind.STOCK, id, "/stores/" + m.item());
        }
        Order.ReadRoom room = (Order.ReadRoom) order;
        long id = air.read(room.room(), room.temperatureC(), room.humidityPercent(), at);
        return made(entry, EntryKind.ROOM, id, "/air");
    }

    private String failure(Order.LogFailure f, Instant at, QuickEntry entry) {
        MachineNow now = standings.of(f.machine());
        boolean during =
                now.run() != null && (at == null || !at.isBefore(now.run().startedAt()));
        long id = failures.log(new FailureEntry(
                        f.machine(), during ? now.run().id() : null, at, f.symptoms(), f.absent(), f.zones(), f.note()))
                .id();
        return made(entry, EntryKind.FAILURE, id, "/failures/" + id);
    }

    private String run(Order.LogRun r, Instant end, QuickEntry entry) {
        RunView run = runs.enter(new RunEntry(
                r.machine(),
                r.job(),
                end.minusSeconds(Math.round(r.hours() * 3600)),
                end,
                r.layers(),
                r.layerExposureS(),
                r.resinMl(),
                r.outcome().name(),
                null,
                null));
        return made(entry, EntryKind.RUN, run.id(), "/runs/" + run.id());
    }

    private String start(Order.StartRun r, Instant at, QuickEntry entry) {
        RunView run = runs.enter(new RunEntry(
                r.machine(), r.job(), at, null, r.layers(), r.layerExposureS(), r.resinMl(), null, null, null));
        return made(entry, EntryKind.RUN, run.id(), "/machines/" + r.machine());
    }

    private String finish(Order.FinishRun f, Instant at, QuickEntry entry) {
        MachineNow now = standings.of(f.machine());
        if (now.run() == null) {
            throw new Conflict(
                    "machine",
                    now.name() + " is not printing. To log a run that has ended: " + f.machine()
                            + " run 5h20 84ml what it was");
        }
        long id = now.run().id();
        runs.finish(id, at, f.outcome().name(), f.reachedLayer(), null);
        return made(entry, EntryKind.FINISH, id, "/runs/" + id);
    }

    private String look(Order.LookAtFilm l, Instant at, QuickEntry entry) {
        Vats.Vat vat = vats.one(l.vat() == null ? vatOn(l.machine()) : l.vat());
        FilmLooks.LookEntry seen = new FilmLooks.LookEntry(l.grade(), null, null, null, List.of(), null);
        long id = looks.write(
                vat.code(), seen, at, vat.model().plateWidthMm(), vat.model().plateDepthMm());
        entry.subjectCode = vat.code();
        return made(entry, EntryKind.LOOK, id, "/vats/" + vat.code());
    }

    private String vatOn(String machine) {
        Parts.PartRef vat = parts.vatOn(fleet.machine(machine).id());
        if (vat == null) {
            throw new Conflict("machine", "No vat is on that machine.");
        }
        return vat.code();
    }

    private static String made(QuickEntry entry, EntryKind kind, long subject, String path) {
        entry.kind = kind;
        entry.subjectId = subject;
        return path;
    }
}
