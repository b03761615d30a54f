package keel.app.prints.order;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.prints.JobEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.core.Findings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plates that have parts of an order on them: what lies on one, and how many came out. */
@Service
@Transactional
public class OrderPlates {

    private static final int MOST = 5000;

    private final Orders orders;
    private final OrderRecords records;
    private final RunPartRecords onRuns;
    private final JobPartRecords onJobs;
    private final Runs runs;
    private final WantedJobs jobs;
    private final Logbook logbook;
    private final Clock clock;

    OrderPlates(
            Orders orders,
            OrderRecords records,
            RunPartRecords onRuns,
            JobPartRecords onJobs,
            Runs runs,
            WantedJobs jobs,
            Logbook logbook,
            Clock clock) {
        this.orders = orders;
        this.records = records;
        this.onRuns = onRuns;
        this.onJobs = onJobs;
        this.runs = runs;
        this.jobs = jobs;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * A run has so many pieces of an order on its plate.
     *
     * @param pieces by the parts' ids; nothing of a part may be said as none
     * @throws Refused if the order has no such part, or nothing lies on the plate
     */
    public void put(long run, long order, Map<Long, Integer> pieces) {
        Actor.current();
        PartOrder of = orders.record(order);
        Refused.unless(check(of, pieces));
        Map<Long, RunPart> lay =
                records.ofRun(run).stream().collect(Collectors.toMap(p -> p.partId, Function.identity()));
        pieces.forEach((part, count) -> {
            RunPart there = lay.remove(part);
            if (count == 0 && there != null) {
                onRuns.delete(there);
            } else if (there != null) {
                there.planned = count;
            } else if (count > 0) {
                onRuns.save(new RunPart(run, part, count));
            }
        });
        onRuns.deleteAll(lay.values());
    }

    private static Findings check(PartOrder order, Map<Long, Integer> pieces) {
        Findings findings = new Findings();
        Map<Long, OrderPart> parts = order.parts.stream().collect(Collectors.toMap(p -> p.id, Function.identity()));
        pieces.forEach((id, count) -> {
            OrderPart part = parts.get(id);
            findings.when(part == null, "parts", "There is no part " + id + " in " + order.name + ".");
            findings.when(
                    part != null && (count == null || count < 0 || count > MOST),
                    "parts",
                    "Of " + (part == null ? "" : part.name) + " lies a whole number from 0 on the plate.");
        });
        findings.when(
                findings.none() && pieces.values().stream().noneMatch(c -> c > 0),
                "parts",
                "Say how many of which parts lie on the plate.");
        return findings;
    }

    /** Ids for names, however they are written. */
    Map<Long, Integer> byId(long order, Map<String, Integer> named, String field) {
        Map<String, Long> ids = orders.record(order).parts.stream()
                .collect(Collectors.toMap(p -> p.name.toLowerCase(Locale.ROOT), p -> p.id));
        Findings findings = new Findings();
        Map<Long, Integer> pieces = new LinkedHashMap<>();
        named.forEach((name, count) -> {
            Long id = ids.get(name.strip().toLowerCase(Locale.ROOT));
            if (!findings.when(id == null, field, "There is no part called " + name + " in this order.")) {
                findings.when(
                        count == null || pieces.put(id, count) != null, field, "How many of " + name + " is missing.");
            }
        });
        Refused.unless(findings);
        return pieces;
    }

    /**
     * How many pieces came out, as somebody counted; of parts that are left out what was counted stays.
     *
     * @param counted by the parts' ids; null takes a count back
     * @throws Conflict if the run goes on
     * @throws Refused if more came out than lay on the plate
     */
    public void count(long run, Map<Long, Integer> counted) {
        Actor actor = Actor.current();
        RunView ended = runs.one(run);
        if (ended.open()) {
            throw new Conflict("This print goes on: what came out is counted when it has ended.");
        }
        Map<Long, RunPart> lay =
                records.ofRun(run).stream().collect(Collectors.toMap(p -> p.partId, Function.identity()));
        Findings findings = new Findings();
        counted.forEach((id, count) -> {
            RunPart part = lay.get(id);
            findings.when(part == null, "partsGood", "A part that was counted was not on this plate.");
            findings.when(
                    part != null && count != null && (count < 0 || count > part.planned),
                    "partsGood",
                    "Of " + (part == null ? 0 : part.planned) + " on the plate " + count + " cannot have come out.");
        });
        Refused.unless(findings);
        counted.forEach((id, count) -> lay.get(id).counted = count);
        onRuns.saveAll(lay.values());
        ofRun(run)
                .ifPresent(plate -> logbook.write(LogDraft.of(
                        LogKind.PARTS_COUNTED,
                        null,
                        "RUN",
                        run,
                        clock.instant(),
                        ended.job() + ": " + words(plate) + ".",
                        plate,
                        actor)));
    }

    private static String words(OnPlate plate) {
        return plate.pieces().stream()
                .map(p -> (p.counted() == null ? "not counted" : p.counted()) + " of " + p.planned() + " " + p.name())
                .collect(Collectors.joining(", "));
    }

    /** A plate waits to be printed. */
    public long letWait(long order, Map<Long, Integer> pieces, JobEntry job) {
        Refused.unless(check(orders.record(order), pieces));
        long id = jobs.ask(job);
        pieces.forEach((part, count) -> {
            if (count > 0) {
                onJobs.save(new WantedJobPart(id, part, count));
            }
        });
        return id;
    }

    /** What a run has on its plate of an order; empty where it has nothing of any. */
    @Transactional(readOnly = true)
    public Optional<OnPlate> ofRun(long run) {
        List<RunPart> lay = records.ofRun(run);
        Map<Long, Integer> planned = new LinkedHashMap<>();
        Map<Long, Integer> counted = new LinkedHashMap<>();
        lay.forEach(p -> {
            planned.put(p.partId, p.planned);
            counted.put(p.partId, p.counted);
        });
        return plate(run, planned, counted);
    }

    /** What a job that waits has on its plate; empty likewise. */
    @Transactional(readOnly = true)
    public Optional<OnPlate> ofJob(long job) {
        Map<Long, Integer> planned = new LinkedHashMap<>();
        records.ofJobs(List.of(job)).forEach(p -> planned.put(p.partId, p.planned));
        return plate(null, planned, Map.of());
    }

    /** All parts of an order with what is said to lie on a plate, of which nothing is written yet. */
    @Transactional(readOnly = true)
    public OnPlate said(long order, Map<Long, Integer> pieces) {
        OrderView of = orders.one(order);
        return new OnPlate(
                order,
                of.name(),
                null,
                of.parts().stream()
                        .map(p -> new OnPlate.Piece(
                                p.id(),
                                p.name(),
                                pieces.getOrDefault(p.id(), 0),
                                null,
                                p.tally().still()))
                        .toList());
    }

    private Optional<OnPlate> plate(Long run, Map<Long, Integer> planned, Map<Long, Integer> counted) {
        if (planned.isEmpty()) {
            return Optional.empty();
        }
        long order = records.orderOf(planned.keySet().iterator().next());
        OrderView of = orders.one(order);
        return Optional.of(new OnPlate(
                order,
                of.name(),
                run,
                of.parts().stream()
                        .filter(p -> planned.containsKey(p.id()))
                        .map(p -> new OnPlate.Piece(
                                p.id(),
                                p.name(),
                                planned.get(p.id()),
                                counted.get(p.id()),
                                p.tally().still()))
                        .toList()));
    }
}
