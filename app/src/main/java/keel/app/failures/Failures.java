package keel.app.failures;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.EditedMeanwhile;
import keel.app.base.NotThere;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.base.Where;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.core.Findings;
import keel.core.failure.Certainty;
import keel.core.knowledge.Knowledge;
import keel.core.run.RunRules;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Logs failures, what was checked, and what the cause was. */
@Service
@Transactional
public class Failures {

    private final FailureRecords records;
    private final Fleet fleet;
    private final Runs runs;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final Knowledge knowledge;
    private final EntityManager entities;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Failures(
            FailureRecords records,
            Fleet fleet,
            Runs runs,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            Knowledge knowledge,
            EntityManager entities,
            ApplicationEventPublisher events,
            Clock clock) {
        this.records = records;
        this.fleet = fleet;
        this.runs = runs;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.knowledge = knowledge;
        this.entities = entities;
        this.events = events;
        this.clock = clock;
    }

    public FailureView log(FailureEntry entry) {
        Actor actor = Actor.current();
        MachineRef machine = fleet.machineOfEntry(entry.machine());
        check(entry, machine);
        occupancy.lock(machine.id());
        Failure failure = new Failure();
        failure.machineId = machine.id();
        take(failure, entry);
        records.save(failure);
        rebuild.machine(machine.id(), failure.seenAt);
        return written(LogKind.FAILURE_LOGGED, failure, "", actor, null, null);
    }

    /**
     * Puts a failure right.
     *
     * @param version the version that was read, null to take whatever is recorded
     * @throws EditedMeanwhile if somebody else changed it since
     */
    public FailureView correct(long id, Integer version, FailureEntry entry, Boolean withdrawn, String reason) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        if (version != null && version != failure.version) {
            throw new EditedMeanwhile("failure", one(id));
        }
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "The reason for the correction");
        Refused.unless(findings);
        MachineRef machine = fleet.machine(failure.machineId);
        check(entry, machine);
        occupancy.lock(machine.id());
        Instant earliest = failure.seenAt;
        take(failure, entry);
        failure.withdrawn = withdrawn == null ? failure.withdrawn : withdrawn;
        records.save(failure);
        events.publishEvent(new EvidenceChanged(id));
        rebuild.machine(machine.id(), earliest.isBefore(failure.seenAt) ? earliest : failure.seenAt);
        Long superseded = logbook.latest("FAILURE", id, LogKind.FAILURE_LOGGED, LogKind.FAILURE_CORRECTED);
        return written(
                LogKind.FAILURE_CORRECTED,
                failure,
                failure.withdrawn ? "Withdrawn: " : "Corrected: ",
                actor,
                superseded,
                reason.strip());
    }

    @Transactional(readOnly = true)
    public FailureView one(long id) {
        return records.seen(id).map(Failures::view).orElseThrow(() -> new NotThere("There is no failure " + id + "."));
    }

    /** Newest first, withdrawn ones left out; {@code open} asks for those without a cause only. */
    @Transactional(readOnly = true)
    public List<FailureView> list(String machine, boolean open, Paging paging) {
        return list(new Sought(machine, open, null, null, null), paging);
    }

    /**
     * What of the failures is asked for; null or blank where it makes no difference.
     *
     * @param open only those without a cause
     * @param cause code
     * @param from inclusive, {@code to} exclusive
     */
    public record Sought(String machine, boolean open, String cause, Instant from, Instant to) {}

    /** Newest first, withdrawn ones left out. */
    @Transactional(readOnly = true)
    public List<FailureView> list(Sought sought, Paging paging) {
        Where which = new Where()
                .and("not f.withdrawn")
                .and("f.machineId =", only(sought.machine()))
                .and("f.cause =", sought.cause() == null || sought.cause().isBlank() ? null : sought.cause())
                .and("f.seenAt >=", sought.from())
                .and("f.seenAt <", sought.to());
        return read(sought.open() ? which.and("f.certainty is null") : which, paging.skip(), paging.size());
    }

    /** All of them, to take along. */
    @Transactional(readOnly = true)
    public List<FailureView> all(Sought sought) {
        return list(sought, Paging.all());
    }

    private Long only(String machine) {
        return machine == null || machine.isBlank()
                ? null
                : records.machine(machine).orElse(-1L);
    }

    /** How many failures a cause was given for; null for those without one. */
    public record OfCause(String cause, int failures) {}

    /** Causes by how many failures they were given for since then, the most first; of one machine or of all. */
    @Transactional(readOnly = true)
    public List<OfCause> causes(String machine, Instant since) {
        return records.causes(only(machine), since).stream()
                .map(c -> new OfCause(c.cause(), (int) c.times()))
                .toList();
    }

    private List<FailureView> read(Where which, long skip, int most) {
        return which
                .list(entities, FailureRecords.VIEW, "f.seenAt desc, f.id desc", FailureRecords.Seen.class, skip, most)
                .stream()
                .map(Failures::view)
                .toList();
    }

    /** The latest that were closed with a cause. */
    @Transactional(readOnly = true)
    List<FailureView> closed(int most) {
        return read(
                new Where().and("not f.withdrawn").and("f.cause is not null").and("f.certainty <>", Certainty.UNKNOWN),
                0,
                most);
    }

    /** Where on a machine's plate failures were seen since then: zone to how many. */
    @Transactional(readOnly = true)
    public Map<String, Integer> zonesSince(long machineId, Instant from) {
        return records.zonesSince(machineId, from).stream()
                .collect(Collectors.toMap(FailureRecords.At::zone, z -> (int) z.times()));
    }

    /** When failures were seen on a machine since then. */
    @Transactional(readOnly = true)
    public List<Instant> seenSince(long machineId, Instant from) {
        return records.seenSince(machineId, from);
    }

    private void check(FailureEntry entry, MachineRef machine) {
        Findings findings = new Findings();
        for (String symptom : entry.symptoms()) {
            findings.when(
                    symptom == null || knowledge.symptom(symptom).isEmpty(),
                    "symptoms",
                    "There is no symptom " + symptom + ".");
            findings.when(
                    entry.absent().contains(symptom),
                    "absent",
                    "The symptom " + symptom + " cannot be there and not be there.");
        }
        for (String symptom : entry.absent()) {
            findings.when(
                    symptom == null || knowledge.symptom(symptom).isEmpty(),
                    "absent",
                    "There is no symptom " + symptom + ".");
        }
        for (String zone : entry.zones()) {
            findings.when(
                    zone == null || !zone.matches("[A-F][1-4]"),
                    "zones",
                    "There is no place " + zone + " on the plate: A1 (front left) to F4 (back right).");
        }
        findings.when(
                entry.note() != null && entry.note().length() > 4000,
                "note",
                "A note may have 4000 characters at most.");
        Instant seenAt = entry.seenAt();
        findings.when(
                seenAt != null && seenAt.isAfter(clock.instant().plus(RunRules.CLOCK_TOLERANCE)),
                "seenAt",
                "That lies in the future.");
        findings.when(
                seenAt != null && seenAt.isBefore(machine.since()), "seenAt", "The machine was not in the shop yet.");
        checkRun(entry, machine, findings);
        Refused.unless(findings);
    }

    private void checkRun(FailureEntry entry, MachineRef machine, Findings findings) {
        if (entry.run() == null) {
            return;
        }
        try {
            RunView run = runs.one(entry.run());
            findings.when(
                    !run.machine().equals(machine.code()),
                    "run",
                    "Run " + run.id() + " was on " + run.machineName() + ", not on " + machine.name() + ".");
            findings.when(
                    entry.seenAt() != null && entry.seenAt().isBefore(run.startedAt()),
                    "seenAt",
                    "The run had not started then.");
        } catch (NotThere e) {
            findings.add("run", e.getMessage());
        }
    }

    private void take(Failure failure, FailureEntry entry) {
        failure.runId = entry.run();
        failure.seenAt = entry.seenAt() != null
                ? entry.seenAt().truncatedTo(ChronoUnit.MILLIS)
                : failure.seenAt != null ? failure.seenAt : clock.instant();
        failure.note = entry.note() == null || entry.note().isBlank()
                ? null
                : entry.note().strip();
        failure.symptoms.clear();
        entry.symptoms().forEach(s -> failure.symptoms.put(s, true));
        entry.absent().forEach(s -> failure.symptoms.put(s, false));
        failure.zones.clear();
        failure.zones.addAll(entry.zones());
    }

    private FailureView written(
            LogKind kind, Failure failure, String prefix, Actor actor, Long supersedes, String reason) {
        FailureView view = one(failure.id);
        String seen = view.symptoms().isEmpty()
                ? "failed, nothing more noted"
                : view.symptoms().stream()
                        .map(s -> knowledge.symptom(s).orElseThrow().name())
                        .collect(Collectors.joining(", "))
                        .toLowerCase(Locale.ROOT);
        String where = view.zones().isEmpty() ? "" : " at " + String.join(" ", view.zones());
        logbook.write(LogDraft.of(
                        kind,
                        failure.machineId,
                        "FAILURE",
                        failure.id,
                        failure.seenAt,
                        prefix + view.machineName() + ": " + seen + where
                                + (view.job() == null ? "" : " (" + view.job() + ")") + ".",
                        view,
                        actor)
                .noting(failure.note)
                .superseding(supersedes, reason));
        return view;
    }

    /** @throws NotThere if there is none */
    Failure record(long id) {
        return records.findById(id).orElseThrow(() -> new NotThere("There is no failure " + id + "."));
    }

    private static FailureView view(FailureRecords.Seen seen) {
        Failure f = seen.failure();
        boolean proven = f.certainty == Certainty.PRESUMED && !seen.open();
        return new FailureView(
                f.id,
                seen.machine(),
                seen.machineName(),
                f.runId,
                seen.job(),
                f.seenAt,
                f.symptoms(true),
                f.symptoms(false),
                f.zones.stream().sorted().toList(),
                f.note,
                f.cause,
                proven ? Certainty.FOUND : f.certainty,
                f.causeAt,
                (int) seen.photos(),
                f.withdrawn,
                f.version,
                f.partsPrinted,
                f.partsLost,
                seen.reached(),
                f.began,
                f.mendedAt);
    }

    static List<String> codes(String joined) {
        return joined == null || joined.isEmpty() ? List.of() : List.of(joined.split(","));
    }
}
