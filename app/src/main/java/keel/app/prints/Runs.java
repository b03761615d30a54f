package keel.app.prints;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import keel.app.base.Conflict;
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
import keel.app.people.Role;
import keel.app.standing.Footprints;
import keel.app.standing.MachineNow;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.placement.Footprint;
import keel.core.run.Outcome;
import keel.core.run.RunFacts;
import keel.core.run.RunNumber;
import keel.core.run.RunRules;
import keel.core.standing.Hold;
import keel.core.standing.MachineState;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts, finishes, logs and corrects runs. */
@Service
@Transactional
public class Runs {

    private final RunRecords records;
    private final Fleet fleet;
    private final Occupancy occupancy;
    private final Standings standings;
    private final Rebuild rebuild;
    private final Profiles profiles;
    private final LookIns lookIns;
    private final Guesses guesses;
    private final Footprints footprints;
    private final Logbook logbook;
    private final EntityManager entities;
    private final Clock clock;

    Runs(
            RunRecords records,
            Fleet fleet,
            Occupancy occupancy,
            Standings standings,
            Rebuild rebuild,
            Profiles profiles,
            LookIns lookIns,
            Guesses guesses,
            Footprints footprints,
            Logbook logbook,
            EntityManager entities,
            Clock clock) {
        this.records = records;
        this.fleet = fleet;
        this.occupancy = occupancy;
        this.standings = standings;
        this.rebuild = rebuild;
        this.profiles = profiles;
        this.lookIns = lookIns;
        this.guesses = guesses;
        this.footprints = footprints;
        this.logbook = logbook;
        this.entities = entities;
        this.clock = clock;
    }

    /**
     * Logs a run after the fact, or starts one where no end is given.
     *
     * @throws Refused if the run cannot be right by itself
     * @throws Conflict if it does not fit what is recorded
     * @throws HoldsOpen if a start is forbidden by holds and not overridden
     */
    public RunView enter(RunEntry entry) {
        return enter(entry, Set.of());
    }

    /** Logs a run of which somebody knows little more than how long it went; the rest is reckoned and marked so. */
    public RunView enterRemembered(RunEntry entry) {
        return guesses.of(entry)
                .map(g -> enter(entry.with(g.layers(), g.layerExposureS(), g.resinMl()), g.guessed()))
                .orElseGet(() -> enter(entry));
    }

    private RunView enter(RunEntry entry, Set<RunNumber> guessed) {
        Actor actor = Actor.current();
        MachineRef machine = fleet.machineOfEntry(entry.machine());
        occupancy.lock(machine.id());
        boolean starts = entry.endedAt() == null;
        Instant startedAt = entry.startedAt() == null && starts ? clock.instant() : whole(entry.startedAt());
        RunFacts facts = new RunFacts(
                entry.job(),
                startedAt,
                whole(entry.endedAt()),
                entry.layers(),
                entry.layerExposureS(),
                entry.resinMl(),
                starts ? null : outcome(entry.outcome()),
                starts ? null : entry.reachedLayer(),
                starts ? null : entry.usedMl());
        check(facts, machine, null);
        checkInterval(entry.lookInHours());
        List<Hold> overridden = starts ? requireNoHolds(machine, entry.overrideReason()) : List.of();
        Run run = new Run();
        run.machineId = machine.id();
        run.profileVersionId = profileAt(machine, startedAt);
        run.detail = entry.detail();
        run.againOf = entry.againOf() == null ? null : earlier(entry.againOf(), startedAt);
        run.take(facts);
        run.guessed(guessed);
        records.save(run);
        if (entry.footprint() != null) {
            footprints.keep(run.id, entry.footprint());
        }
        rebuild.machine(machine.id(), run.startedAt);
        if (!overridden.isEmpty()) {
            logbook.write(LogDraft.of(
                    LogKind.HOLD_OVERRIDDEN,
                    machine.id(),
                    "RUN",
                    run.id,
                    run.startedAt,
                    machine.name() + " started in spite of: "
                            + String.join(
                                    ", ",
                                    overridden.stream()
                                            .map(h -> h.code().code())
                                            .toList()) + ". Reason: "
                            + entry.overrideReason().strip(),
                    Map.of(
                            "holds",
                            overridden.stream().map(h -> h.code().code()).toList(),
                            "reason",
                            entry.overrideReason()),
                    actor));
        }
        if (starts) {
            lookIns.plan(machine.code(), entry.lookInHours());
        }
        RunView view = one(run.id);
        logbook.write(LogDraft.of(
                starts ? LogKind.RUN_STARTED : LogKind.RUN_LOGGED,
                machine.id(),
                "RUN",
                run.id,
                starts ? run.startedAt : run.endedAt,
                headline(view),
                view,
                actor));
        return view;
    }

    /** @throws Refused if there is no such run, or it began later */
    private Long earlier(long id, Instant startedAt) {
        Run first = records.findById(id)
                .filter(r -> !r.withdrawn && r.startedAt.isBefore(startedAt))
                .orElseThrow(() -> new Refused("againOf", "There is no earlier run " + id + " to print again."));
        return first.id;
    }

    /** Says after the fact that a run printed again what another one lost. */
    public void printsAgain(long id, long of) {
        Actor.current();
        Run run = record(id);
        run.againOf = earlier(of, run.startedAt);
        records.save(run);
    }

    /**
     * Says what a run covers of its plate, or that nobody knows any more ({@code footprint} null). The maps of film and
     * screen follow.
     *
     * @throws Refused if it does not lie on the plate
     */
    public void place(long id, Footprint footprint) {
        Actor actor = Actor.current();
        Run run = record(id);
        occupancy.lock(run.machineId);
        if (footprint == null) {
            footprints.forget(id);
        } else {
            footprints.replace(id, footprint);
        }
        rebuild.machine(run.machineId, run.startedAt);
        logbook.write(LogDraft.of(
                LogKind.RUN_PLACED,
                run.machineId,
                "RUN",
                id,
                run.startedAt,
                footprint == null
                        ? "Where " + run.job + " lay on the plate is taken back."
                        : "Where " + run.job + " lies on the plate: " + words(footprint) + ".",
                Map.of("footprint", footprint == null ? "" : footprint),
                actor));
    }

    public static String words(Footprint footprint) {
        return footprint instanceof Footprint.Parts parts
                ? parts.parts().size() + (parts.parts().size() == 1 ? " rectangle" : " rectangles")
                : "masks of its layers";
    }

    /**
     * Ends a run that is going on.
     *
     * @param usedMl resin that really went into it, null where nobody looked
     */
    public RunView finish(long id, Instant endedAt, String outcome, Integer reachedLayer, Double usedMl) {
        Actor actor = Actor.current();
        Run run = record(id);
        occupancy.lock(run.machineId);
        if (run.endedAt != null || run.withdrawn) {
            throw new Conflict("This run has ended already. Correct it instead.");
        }
        MachineRef machine = fleet.machine(run.machineId);
        RunFacts facts = new RunFacts(
                run.job,
                run.startedAt,
                endedAt == null ? clock.instant() : whole(endedAt),
                run.layers,
                run.layerExposureS,
                run.resinMl,
                outcome(outcome),
                reachedLayer,
                usedMl);
        check(facts, machine, id);
        run.take(facts);
        records.save(run);
        rebuild.machine(run.machineId, run.startedAt);
        RunView view = one(id);
        logbook.write(
                LogDraft.of(LogKind.RUN_FINISHED, run.machineId, "RUN", id, run.endedAt, headline(view), view, actor));
        return view;
    }

    /** Takes back that a run has ended, where its end was entered by mistake: it goes on. */
    public RunView reopen(long id, String reason) {
        Actor actor = Actor.current();
        Run run = record(id);
        occupancy.lock(run.machineId);
        if (run.endedAt == null || run.withdrawn) {
            throw new Conflict("This run has not ended.");
        }
        run.endedAt = null;
        run.outcome = null;
        run.reachedLayer = null;
        run.measuredMl = null;
        check(run.facts(), fleet.machine(run.machineId), id);
        records.save(run);
        rebuild.machine(run.machineId, run.startedAt);
        RunView view = one(id);
        logbook.write(LogDraft.of(
                        LogKind.RUN_CORRECTED,
                        run.machineId,
                        "RUN",
                        id,
                        run.startedAt,
                        "Goes on after all: " + headline(view),
                        view,
                        actor)
                .superseding(logbook.latest("RUN", id, LogKind.RUN_FINISHED), reason));
        return view;
    }

    /**
     * Puts a run right; what stood before stays in the logbook, and every meter follows.
     *
     * @throws EditedMeanwhile if somebody else corrected it since it was read
     */
    public RunView correct(long id, RunChange change, String reason) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "The reason for the correction");
        Refused.unless(findings);
        Run run = record(id);
        if (change.version() != null && change.version() != run.version) {
            throw new EditedMeanwhile("run", one(id));
        }
        MachineRef before = fleet.machine(run.machineId);
        MachineRef after = change.machine() == null ? before : fleet.machineOfEntry(change.machine());
        occupancy.lock(Math.min(before.id(), after.id()));
        occupancy.lock(Math.max(before.id(), after.id()));
        Instant earliest = run.startedAt;
        run.withdrawn = Optional.ofNullable(change.withdrawn()).orElse(run.withdrawn);
        RunFacts facts = changed(run.facts(), change);
        if (!run.withdrawn) {
            check(facts, after, id);
        }
        if (before.id() != after.id() || !facts.startedAt().equals(run.startedAt)) {
            run.profileVersionId = profileAt(after, facts.startedAt());
        }
        run.machineId = after.id();
        run.known(facts);
        run.take(facts);
        records.save(run);
        Instant since = earliest.isBefore(run.startedAt) ? earliest : run.startedAt;
        rebuild.machine(after.id(), since);
        if (before.id() != after.id()) {
            rebuild.machine(before.id(), since);
        }
        RunView view = one(id);
        Long superseded = logbook.latest(
                "RUN", id, LogKind.RUN_STARTED, LogKind.RUN_FINISHED, LogKind.RUN_LOGGED, LogKind.RUN_CORRECTED);
        logbook.write(LogDraft.of(
                        LogKind.RUN_CORRECTED,
                        after.id(),
                        "RUN",
                        id,
                        run.endedAt == null ? run.startedAt : run.endedAt,
                        (run.withdrawn ? "Withdrawn: " : "Corrected: ") + headline(view),
                        view,
                        actor)
                .superseding(superseded, reason.strip()));
        return view;
    }

    /** Failures that are on record for a run, the first first. */
    @Transactional(readOnly = true)
    public List<Long> failuresOf(long run) {
        return records.failuresOf(run);
    }

    /** @throws NotThere if there is no such run */
    @Transactional(readOnly = true)
    public RunView one(long id) {
        return records.view(id).orElseThrow(() -> new NotThere("There is no run " + id + "."));
    }

    /** The same, all of them, to take along. */
    @Transactional(readOnly = true)
    public List<RunView> all(String machine, Instant from, Instant to, String text) {
        return list(machine, from, to, text, Paging.all());
    }

    /** Runs newest first; {@code from} inclusive, {@code to} exclusive, by their start; withdrawn ones left out. */
    @Transactional(readOnly = true)
    public List<RunView> list(String machine, Instant from, Instant to, String text, Paging paging) {
        Long only = machine == null || machine.isBlank()
                ? null
                : records.machine(machine).orElse(-1L);
        return new Where()
                .and("not r.withdrawn")
                .and("r.machineId =", only)
                .and("r.startedAt >=", from)
                .and("r.startedAt <", to)
                .words("lower(r.job)", text)
                .list(
                        entities,
                        RunRecords.VIEW,
                        "r.startedAt desc, r.id desc",
                        RunView.class,
                        paging.skip(),
                        paging.size());
    }

    /** All runs that ended since then, in brief. Rework counts as come out. */
    @Transactional(readOnly = true)
    public List<Printed> printedSince(Instant from) {
        return records.endedSince(from).stream()
                .map(r -> new Printed(r.machine(), r.startedAt(), r.hours(), !r.cameOut()))
                .toList();
    }

    /** Those that began from one moment to another, this one left out, and have ended. */
    @Transactional(readOnly = true)
    public List<Printed> printed(Instant from, Instant to) {
        return records.endedBetween(from, to).stream()
                .map(r -> new Printed(r.machine(), r.startedAt(), r.hours(), !r.cameOut()))
                .toList();
    }

    /** What the last run on this machine was like, as a start for typing the next. */
    @Transactional(readOnly = true)
    public Optional<RunView> last(String machine) {
        return list(machine, null, null, null, new Paging(0, 1)).stream().findFirst();
    }

    /** The last print of this name on this machine, on any where it was never printed there. */
    @Transactional(readOnly = true)
    public Optional<RunView> last(String machine, String job) {
        return records.named(job.strip().toLowerCase(Locale.ROOT), machine, Limit.of(1)).stream()
                .findFirst()
                .flatMap(records::view);
    }

    private void check(RunFacts facts, MachineRef machine, Long self) {
        Refused.unless(RunRules.check(facts, machine.since(), clock.instant()));
        occupancy
                .overlapping(machine.id(), facts.startedAt(), facts.endedAt(), self)
                .ifPresent(other -> {
                    throw new Conflict(
                            "startedAt",
                            machine.name() + " was printing " + other.job() + " then (run " + other.runId() + ", "
                                    + other.startedAt() + " to " + (other.endedAt() == null ? "now" : other.endedAt())
                                    + ").");
                });
        if (occupancy.filmAt(machine.id(), facts.startedAt()).isEmpty()) {
            throw new Conflict("startedAt", "No film is recorded on " + machine.name() + " at the start of this run.");
        }
        Instant until = facts.endedAt() == null ? clock.instant() : facts.endedAt();
        occupancy.changedWithin(machine.id(), facts.startedAt(), until).ifPresent(kind -> {
            throw new Conflict(
                    "startedAt", "A part was changed on " + machine.name() + " during this time (" + kind + ").");
        });
    }

    private static void checkInterval(Double lookInHours) {
        Findings findings = new Findings();
        findings.rangeIfGiven(lookInHours, 0, 48, "lookInHours", "The interval to look in", "h");
        Refused.unless(findings);
    }

    private Long profileAt(MachineRef machine, Instant at) {
        return profiles.versionAt(machine.id(), at).orElse(null);
    }

    private List<Hold> requireNoHolds(MachineRef machine, String overrideReason) {
        MachineNow now = standings.of(machine.code());
        if (now.standing().state() == MachineState.OFF) {
            throw new Conflict("machine", machine.name() + " is out of service.");
        }
        if (now.holds().isEmpty()) {
            return List.of();
        }
        if (overrideReason == null || overrideReason.isBlank()) {
            throw new HoldsOpen(machine.name(), now.holds());
        }
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.text(overrideReason, 200, "override.reason", "The reason");
        Refused.unless(findings);
        return now.holds();
    }

    private RunFacts changed(RunFacts old, RunChange change) {
        Instant endedAt = change.endedAt() == null ? old.endedAt() : whole(change.endedAt());
        return new RunFacts(
                or(change.job(), old.job()),
                change.startedAt() == null ? old.startedAt() : whole(change.startedAt()),
                endedAt,
                or(change.layers(), old.layers()),
                or(change.layerExposureS(), old.layerExposureS()),
                or(change.resinMl(), old.resinMl()),
                change.outcome() == null ? old.outcome() : outcome(change.outcome()),
                change.reachedLayer() == null
                        ? old.reachedLayer()
                        : change.reachedLayer().orElse(null),
                change.usedMl() == null ? old.measuredMl() : change.usedMl().orElse(null));
    }

    private Run record(long id) {
        return records.findById(id).orElseThrow(() -> new NotThere("There is no run " + id + "."));
    }

    private static Outcome outcome(String name) {
        if (name == null || name.isBlank()) {
            return null;
        }
        return Arrays.stream(Outcome.values())
                .filter(o -> o.name().equals(name.strip()))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "outcome", "There is no outcome " + name + ": GOOD, PARTIAL, FAILED, STOPPED or USABLE."));
    }

    /** What a print that ended early really took stands before what the whole would have taken. */
    private static String headline(RunView run) {
        String what = run.job() + " on " + run.machineName();
        if (run.open()) {
            return "Started: %s, %d layers, %s ml.".formatted(what, run.layers(), Plain.number(run.resinMl()));
        }
        boolean early = run.reachedLayer() != null && run.reachedLayer() < run.layers();
        double ml = run.usedMl() == null ? run.resinMl() : run.usedMl();
        return "%s%s: %s, %s%d%s layers, %s%s%s ml, %.1f h."
                .formatted(
                        run.outcome().words(),
                        early ? " at layer " + run.reachedLayer() : "",
                        what,
                        run.layersGuessed() ? "about " : "",
                        early ? run.reachedLayer() : run.layers(),
                        early ? " of " + run.layers() : "",
                        run.resinGuessed() && run.measuredMl() == null ? "about " : "",
                        Plain.number(Math.round(10 * ml) / 10.0),
                        early ? " of " + Plain.number(run.resinMl()) : "",
                        run.hours());
    }

    private static Instant whole(Instant instant) {
        return instant == null ? null : instant.truncatedTo(ChronoUnit.MILLIS);
    }

    private static <T> T or(T changed, T old) {
        return changed == null ? old : changed;
    }
}
