package keel.app.failures;

import java.time.Clock;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import keel.app.base.Conflict;
import keel.app.base.EditedMeanwhile;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.standing.Occupancy;
import keel.app.standing.OpenCauses;
import keel.app.standing.Rebuild;
import keel.core.Findings;
import keel.core.failure.Certainty;
import keel.core.failure.Closing;
import keel.core.knowledge.Knowledge;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a failure was put down to: named, found once a good print shows that it held, opened again. */
@Service
@Transactional
public class Verdicts {

    private final Failures failures;
    private final FailureRecords records;
    private final Judging judging;
    private final OpenCauses openCauses;
    private final Fleet fleet;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final Knowledge knowledge;
    private final Clock clock;

    Verdicts(
            Failures failures,
            FailureRecords records,
            Judging judging,
            OpenCauses openCauses,
            Fleet fleet,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            Knowledge knowledge,
            Clock clock) {
        this.failures = failures;
        this.records = records;
        this.judging = judging;
        this.openCauses = openCauses;
        this.fleet = fleet;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    /**
     * Names the cause. With UNKNOWN, a cause is what was suspected, and may be left out. FOUND is written as PRESUMED
     * until what makes it found is on record; from then on it is found by itself.
     */
    public FailureView nameCause(long id, String cause, String certainty, String note) {
        return nameCause(id, cause, certainty, note, Seen.NOTHING);
    }

    /** What the failure is put down to now, in the words of its form. */
    public Map<String, Object> stands(FailureView failure) {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Cause", failure.cause() == null ? null : knowledge.nameOf(failure.cause()));
        stands.put(
                "How sure",
                failure.certainty() == null ? null : failure.certainty().words());
        return stands;
    }

    /** @throws EditedMeanwhile if somebody else named another since it was seen */
    public FailureView nameCause(long id, String cause, String certainty, String note, Seen seen) {
        Actor actor = Actor.current();
        Failure failure = failures.record(id);
        Findings findings = new Findings();
        Certainty sure = Arrays.stream(Certainty.values())
                .filter(c -> c.name().equals(certainty))
                .findFirst()
                .orElse(null);
        findings.when(sure == null, "certainty", "The certainty is FOUND, PRESUMED or UNKNOWN.");
        boolean named = cause != null && !cause.isBlank();
        findings.when(named && knowledge.cause(cause).isEmpty(), "cause", "There is no cause " + cause + ".");
        findings.when(
                !named && sure != null && sure != Certainty.UNKNOWN,
                "cause",
                "Name the cause, or say that it is unknown.");
        Refused.unless(findings);
        occupancy.lock(failure.machineId);
        seen.check("cause", stands(failures.one(id)));
        name(failure, named ? cause : null, sure);
        rebuild.machine(failure.machineId, failure.seenAt);
        FailureView view = failures.one(id);
        String words = view.certainty() == Certainty.UNKNOWN
                ? "Cause unknown"
                        + (named ? "; suspected: " + knowledge.nameOf(cause).toLowerCase(Locale.ROOT) : "")
                : view.certainty().words() + " cause: "
                        + knowledge.nameOf(cause).toLowerCase(Locale.ROOT);
        logbook.write(LogDraft.of(
                        LogKind.CAUSE_NAMED,
                        failure.machineId,
                        "FAILURE",
                        id,
                        failure.causeAt,
                        view.machineName() + ": " + words + ".",
                        view,
                        actor)
                .noting(note)
                .superseding(logbook.latest("FAILURE", id, LogKind.CAUSE_NAMED), null));
        return view;
    }

    /** What is missing until a presumed cause counts as found, in a sentence; null where nothing is. */
    @Transactional(readOnly = true)
    public String waitsFor(FailureView f) {
        if (f.certainty() != Certainty.PRESUMED) {
            return null;
        }
        return openCauses
                .of(fleet.machine(f.machine()), f.id())
                .map(w -> words(w, f))
                .orElse(null);
    }

    private static String words(OpenCauses.Waiting waiting, FailureView f) {
        return switch (waiting.lacks()) {
            case EXPLANATION -> "It explains little of what was seen, so it stays presumed, whatever prints after it.";
            case REMEDY -> "Nothing that mends it is on record yet. Found once it is mended and a good print shows it.";
            case PRINT, NOTHING ->
                "Found once "
                        + (f.zones().isEmpty() && waiting.terms() == Closing.Terms.SAME_PLACE
                                ? Closing.Terms.ANY.words()
                                : waiting.terms().words())
                        + " comes out"
                        + (f.failedAtLayer() == null ? "" : " and gets past layer " + f.failedAtLayer()) + ".";
        };
    }

    /** What is mended for one cause is not for another. */
    private void name(Failure failure, String cause, Certainty sure) {
        if (!Objects.equals(failure.cause, cause)) {
            failure.mendedAt = null;
        }
        failure.cause = cause;
        failure.certainty = sure == Certainty.FOUND ? Certainty.PRESUMED : sure;
        failure.causeAt = clock.instant();
        judging.judge(failure);
        records.save(failure);
    }

    /**
     * Says that the cause is mended where no entry at the bench says so, or takes that back.
     *
     * @throws Conflict if no cause is named
     */
    public FailureView mended(long id, boolean done) {
        Actor actor = Actor.current();
        Failure failure = failures.record(id);
        if (failure.cause == null) {
            throw new Conflict("cause", "Name the cause first.");
        }
        if (done == (failure.mendedAt != null)) {
            return failures.one(id);
        }
        occupancy.lock(failure.machineId);
        failure.mendedAt = done ? clock.instant() : null;
        records.save(failure);
        rebuild.machine(failure.machineId, failure.seenAt);
        FailureView view = failures.one(id);
        String cause = knowledge.nameOf(failure.cause).toLowerCase(Locale.ROOT);
        logbook.write(LogDraft.of(
                LogKind.CAUSE_MENDED,
                failure.machineId,
                "FAILURE",
                id,
                clock.instant(),
                view.machineName() + ", " + (done ? "mended: " : "not mended after all: ") + cause + ".",
                Map.of("cause", failure.cause, "mended", done),
                actor));
        return view;
    }

    /** Takes the verdict back: the cause is open again. */
    public FailureView reopen(long id, String reason) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "Why it is opened again");
        Refused.unless(findings);
        Failure failure = failures.record(id);
        if (failure.certainty == null) {
            throw new Conflict("reason", "The cause is open already.");
        }
        occupancy.lock(failure.machineId);
        failure.cause = null;
        failure.certainty = null;
        failure.causeAt = null;
        failure.mendedAt = null;
        judging.judge(failure);
        records.save(failure);
        rebuild.machine(failure.machineId, failure.seenAt);
        FailureView view = failures.one(id);
        logbook.write(LogDraft.of(
                        LogKind.CAUSE_REOPENED,
                        failure.machineId,
                        "FAILURE",
                        id,
                        clock.instant(),
                        view.machineName() + ": the cause is open again.",
                        view,
                        actor)
                .superseding(logbook.latest("FAILURE", id, LogKind.CAUSE_NAMED), reason.strip()));
        return view;
    }
}
