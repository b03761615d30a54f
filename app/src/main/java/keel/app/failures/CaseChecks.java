package keel.app.failures;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.core.Findings;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.standing.ServiceKind;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was looked at in a case: checks with what they found, those put off, those taken back. */
@Service
@Transactional
public class CaseChecks {

    private final Failures failures;
    private final FailureRecords records;
    private final FailureChecks checks;
    private final Fleet fleet;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final Knowledge knowledge;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    CaseChecks(
            Failures failures,
            FailureRecords records,
            FailureChecks checks,
            Fleet fleet,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            Knowledge knowledge,
            ApplicationEventPublisher events,
            Clock clock) {
        this.failures = failures;
        this.records = records;
        this.checks = checks;
        this.fleet = fleet;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.knowledge = knowledge;
        this.events = events;
        this.clock = clock;
    }

    /** A check that cannot be done here or now: another one is offered. {@code again} offers it again. */
    public void skip(long id, String check, boolean again) {
        Actor.current();
        Failure failure = failures.record(id);
        if (knowledge.check(check == null ? "" : check).isEmpty()) {
            throw new Refused("check", "There is no check " + check + ".");
        }
        if (again ? failure.skipped.remove(check) : failure.skipped.add(check)) {
            records.save(failure);
        }
    }

    @Transactional(readOnly = true)
    public Set<String> skipped(long id) {
        return Set.copyOf(failures.record(id).skipped);
    }

    /** Takes a check back that was written down by mistake. */
    public void withdrawCheck(long id, long checkId) {
        Actor actor = Actor.current();
        Failure failure = failures.record(id);
        FailureCheck check = checks.findById(checkId)
                .filter(c -> c.failureId == id && !c.withdrawn)
                .orElseThrow(() -> new NotThere("There is no such check."));
        occupancy.lock(failure.machineId);
        check.withdrawn = true;
        checks.save(check);
        events.publishEvent(new EvidenceChanged(id));
        rebuild.machine(failure.machineId, failure.seenAt);
        logbook.write(LogDraft.of(
                        LogKind.CHECK_WITHDRAWN,
                        failure.machineId,
                        "CHECK",
                        checkId,
                        clock.instant(),
                        fleet.machine(failure.machineId).name() + ", taken back: "
                                + knowledge
                                        .check(check.checkCode)
                                        .orElseThrow()
                                        .name()
                                        .toLowerCase(Locale.ROOT) + ".",
                        Map.of("check", check.checkCode),
                        actor)
                .superseding(logbook.latest("CHECK", checkId, LogKind.CHECK_DONE), "taken back"));
    }

    /** A service that answered checks was taken back. */
    public void withdrawChecksOf(long serviceId) {
        checks.findByServiceIdAndWithdrawnFalse(serviceId).forEach(c -> withdrawCheck(c.failureId, c.id));
    }

    /** Records a check: the causes it found (none found counts against all it could have found), or MACHINE or JOB. */
    public CheckView check(long id, String code, List<String> found) {
        return check(id, code, found, null);
    }

    /** The same, answered by a service: taken back with it. */
    public CheckView check(long id, String code, List<String> found, Long serviceId) {
        Actor actor = Actor.current();
        Failure failure = failures.record(id);
        Check check = knowledge
                .check(code == null ? "" : code)
                .orElseThrow(() -> new Refused("check", "There is no check " + code + "."));
        List<String> answers = found == null ? List.of() : found;
        Findings findings = new Findings();
        for (String answer : answers) {
            boolean fits = check.answers() == Check.Answer.SIDE
                    ? Set.of("MACHINE", "JOB").contains(answer)
                    : knowledge.cause(answer).isPresent();
            findings.when(!fits, "found", check.name() + " cannot answer " + answer + ".");
        }
        Refused.unless(findings);
        occupancy.lock(failure.machineId);
        FailureCheck done = new FailureCheck();
        done.failureId = id;
        done.checkCode = check.code();
        done.found = String.join(",", new TreeSet<>(answers));
        done.leak = answers.stream().anyMatch(ServiceKind.LEAKS::contains);
        done.at = clock.instant();
        done.serviceId = serviceId;
        checks.save(done);
        events.publishEvent(new EvidenceChanged(id));
        rebuild.machine(failure.machineId, failure.seenAt);
        CheckView view = view(done);
        String result = answers.isEmpty()
                ? "nothing found"
                : answers.stream()
                        .map(knowledge::nameOf)
                        .collect(Collectors.joining(", "))
                        .toLowerCase(Locale.ROOT);
        logbook.write(LogDraft.of(
                LogKind.CHECK_DONE,
                failure.machineId,
                "CHECK",
                done.id,
                done.at,
                fleet.machine(failure.machineId).name() + ", " + check.name().toLowerCase(Locale.ROOT) + ": " + result
                        + ".",
                view,
                actor));
        return view;
    }

    @Transactional(readOnly = true)
    public List<CheckView> checks(long id) {
        return checks.findByFailureIdAndWithdrawnFalseOrderByAt(id).stream()
                .map(CaseChecks::view)
                .toList();
    }

    private static CheckView view(FailureCheck check) {
        return new CheckView(check.id, check.checkCode, Failures.codes(check.found), check.at);
    }
}
