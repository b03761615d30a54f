package keel.app.floor;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.app.air.Air;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.floor.find.Finder;
import keel.app.people.Actor;
import keel.app.prints.RunChange;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.find.Findable;
import keel.core.knowledge.Knowledge;
import keel.core.quick.Order;
import keel.core.quick.QuickLine;
import keel.core.quick.Reading;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reads a line, writes what it asks for through the services of the other modules, and takes it back within a minute.
 */
@Service
@Transactional
public class QuickLines {

    /** How long a line can be taken back. */
    static final Duration UNDO = Duration.ofSeconds(60);

    private static final int FOUND = 8;
    private static final String REASON = "Taken back at once: typed wrong.";

    private final QuickLine quickLine;
    private final Words words;
    private final QuickEntries entries;
    private final Fleet fleet;
    private final Parts parts;
    private final Runs runs;
    private final Failures failures;
    private final Bench bench;
    private final Resins resins;
    private final Stock stock;
    private final Air air;
    private final Standings standings;
    private final Finder finder;
    private final Clock clock;

    QuickLines(
            Knowledge knowledge,
            Words words,
            QuickEntries entries,
            Fleet fleet,
            Parts parts,
            Runs runs,
            Failures failures,
            Bench bench,
            Resins resins,
            Stock stock,
            Air air,
            Standings standings,
            Finder finder,
            Clock clock) {
        this.quickLine = new QuickLine(knowledge);
        this.words = words;
        this.entries = entries;
        this.fleet = fleet;
        this.parts = parts;
        this.runs = runs;
        this.failures = failures;
        this.bench = bench;
        this.resins = resins;
        this.stock = stock;
        this.air = air;
        this.standings = standings;
        this.finder = finder;
        this.clock = clock;
    }

    /** How a line would be read; nothing is written. */
    @Transactional(readOnly = true)
    public Understood read(String line) {
        Reading reading = quickLine.read(line, words.now());
        return understood(reading, line);
    }

    /** What is no entry is looked for. */
    private Understood understood(Reading reading, String line) {
        List<Findable> found = reading.understood()
                ? List.of()
                : finder.whileTyping(line).stream().limit(FOUND).toList();
        return Understood.of(reading, reading.order() instanceof Order.Open open ? path(open) : null, found);
    }

    /** Writes what a line asks for, if it is clear. */
    public Understood commit(String line) {
        Reading reading = quickLine.read(line, words.now());
        if (!reading.understood() || reading.order() instanceof Order.Open) {
            return understood(reading, line);
        }
        QuickEntry entry = new QuickEntry();
        String path = write(reading.order(), entry);
        entry.personId = Actor.current().personId();
        entry.at = clock.instant();
        entry.line = line.strip();
        entry.reading =
                reading.words().substring(0, Math.min(600, reading.words().length()));
        entries.save(entry);
        return new Understood(
                true, reading.words(), Understood.lines(reading), true, path, entry.id, entry.at.plus(UNDO));
    }

    /** Takes a line back, by whoever wrote it and within a minute. Answers its reading. */
    public String undo(long id) {
        QuickEntry entry = entries.findById(id)
                .filter(e -> e.personId == Actor.current().personId())
                .orElseThrow(() -> new NotThere("There is no such line of yours."));
        if (entry.undoneAt != null) {
            throw new Conflict("This has been taken back already.");
        }
        if (clock.instant().isAfter(entry.at.plus(UNDO))) {
            throw new Conflict("The minute is over. Put it right on its own page; the logbook keeps both.");
        }
        entry.undoneAt = clock.instant();
        switch (entry.kind) {
            case FAILURE -> withdraw(failures.one(entry.subjectId));
            case RUN ->
                runs.correct(
                        entry.subjectId,
                        new RunChange(null, null, null, null, null, null, null, null, null, true),
                        REASON);
            case FINISH -> runs.reopen(entry.subjectId, REASON);
            case SERVICE -> bench.withdraw(entry.subjectId, REASON);
            case POUR -> resins.withdraw(entry.subjectId, REASON);
            case STOCK -> stock.takeBack(entry.subjectId, "taken back");
            case ROOM -> air.withdraw(entry.subjectId, REASON);
            default -> throw new IllegalStateException(entry.kind.name());
        }
        return entry.reading;
    }

    private void withdraw(FailureView f) {
        failures.correct(
                f.id(),
                null,
                new FailureEntry(f.machine(), f.run(), f.seenAt(), f.symptoms(), f.absent(), f.zones(), f.note()),
                true,
                REASON);
    }

    /** Does what is asked for; answers the page of what came of it. */
    private String write(Order order, QuickEntry entry) {
        if (order instanceof Order.LogFailure f) {
            MachineNow now = standings.of(f.machine());
            FailureView failure = failures.log(new FailureEntry(
                    f.machine(),
                    now.run() == null ? null : now.run().id(),
                    null,
                    f.symptoms(),
                    f.absent(),
                    f.zones(),
                    f.note()));
            return made(entry, QuickEntry.EntryKind.FAILURE, failure.id(), "/failures/" + failure.id());
        }
        if (order instanceof Order.LogRun r) {
            Instant end = clock.instant();
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
            return made(entry, QuickEntry.EntryKind.RUN, run.id(), "/runs/" + run.id());
        }
        if (order instanceof Order.StartRun r) {
            RunView run = runs.enter(new RunEntry(
                    r.machine(), r.job(), null, null, r.layers(), r.layerExposureS(), r.resinMl(), null, null, null));
            return made(entry, QuickEntry.EntryKind.RUN, run.id(), "/machines/" + r.machine());
        }
        if (order instanceof Order.FinishRun f) {
            MachineNow now = standings.of(f.machine());
            if (now.run() == null) {
                throw new Conflict(
                        "machine",
                        now.name() + " is not printing. To log a run that has ended: " + f.machine()
                                + " run 5h20 84ml what it was");
            }
            runs.finish(now.run().id(), null, f.outcome().name(), f.reachedLayer(), null);
            return made(
                    entry,
                    QuickEntry.EntryKind.FINISH,
                    now.run().id(),
                    "/runs/" + now.run().id());
        }
        if (order instanceof Order.DoService s) {
            long id = bench.record(new ServiceEntry(s.machine(), s.kind().name(), null, null, s.values()))
                    .id();
            return made(
                    entry,
                    QuickEntry.EntryKind.SERVICE,
                    id,
                    s.machine() == null ? "/bench" : "/machines/" + s.machine());
        }
        if (order instanceof Order.Pour p) {
            Parts.PartRef vat = parts.vatOn(fleet.machine(p.machine()).id());
            if (vat == null) {
                throw new Conflict("machine", "No vat is on that machine.");
            }
            return made(
                    entry,
                    QuickEntry.EntryKind.POUR,
                    resins.pour(vat.code(), p.resin(), p.ml(), null).id(),
                    "/machines/" + p.machine());
        }
        if (order instanceof Order.MoveStock m) {
            return made(
                    entry,
                    QuickEntry.EntryKind.STOCK,
                    stock.moved(m.item(), m.quantity(), "quick line"),
                    "/stores/" + m.item());
        }
        Order.ReadRoom room = (Order.ReadRoom) order;
        return made(
                entry,
                QuickEntry.EntryKind.ROOM,
                air.read(room.room(), room.temperatureC(), room.humidityPercent()),
                "/fleet");
    }

    private static String made(QuickEntry entry, QuickEntry.EntryKind kind, long subject, String path) {
        entry.kind = kind;
        entry.subjectId = subject;
        return path;
    }

    private static String path(Order.Open open) {
        return switch (open.kind()) {
            case "machine" -> "/machines/" + open.code();
            case "item" -> "/stores/" + open.code();
            case "vat" -> "/bench#" + open.code();
            case "bottle" -> "/stores/bottles/" + open.code();
            default -> "/fleet";
        };
    }
}
