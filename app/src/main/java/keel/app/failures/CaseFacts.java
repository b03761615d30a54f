package keel.app.failures;

import java.time.Clock;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.standing.Rebuild;
import keel.core.Findings;
import keel.core.diagnosis.Odds;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people said of a print that failed: facts of its history, how many parts it held and how many were lost. */
@Service
@Transactional
public class CaseFacts {

    private final Failures failures;
    private final FailureRecords records;
    private final Fleet fleet;
    private final Logbook logbook;
    private final Odds odds;
    private final Rebuild rebuild;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    CaseFacts(
            Failures failures,
            FailureRecords records,
            Fleet fleet,
            Logbook logbook,
            Odds odds,
            Rebuild rebuild,
            ApplicationEventPublisher events,
            Clock clock) {
        this.failures = failures;
        this.records = records;
        this.fleet = fleet;
        this.logbook = logbook;
        this.odds = odds;
        this.rebuild = rebuild;
        this.events = events;
        this.clock = clock;
    }

    /** Writes down what was said of the print, in place of what was said before; codes of facts of history. */
    public void tell(long id, Set<String> facts) {
        Actor actor = Actor.current();
        Failure failure = failures.record(id);
        Set<String> known = facts == null ? Set.of() : facts;
        Findings findings = new Findings();
        known.stream()
                .filter(f -> odds.fact(f).isEmpty())
                .forEach(f -> findings.add("facts", "There is no fact of history " + f + "."));
        Refused.unless(findings);
        failure.facts.clear();
        failure.facts.addAll(known);
        records.save(failure);
        events.publishEvent(new EvidenceChanged(id));
        rebuild.machine(failure.machineId, failure.seenAt);
        String words = known.isEmpty()
                ? "nothing special"
                : new TreeSet<>(known)
                        .stream().map(f -> odds.fact(f).orElseThrow().words()).collect(Collectors.joining("; "));
        logbook.write(LogDraft.of(
                LogKind.FACTS_TOLD,
                failure.machineId,
                "FAILURE",
                id,
                clock.instant(),
                fleet.machine(failure.machineId).name() + ", of the print: " + words + ".",
                Map.of("facts", known),
                actor));
    }

    @Transactional(readOnly = true)
    public Set<String> facts(long id) {
        return new TreeSet<>(failures.record(id).facts);
    }

    /** How many parts the run held and how many of them were lost, so that only those are printed again. */
    public void count(long id, Integer printed, Integer lost) {
        Actor actor = Actor.current();
        Failure failure = failures.record(id);
        Findings findings = new Findings();
        findings.when(
                printed == null || printed < 1 || printed > 10_000,
                "partsPrinted",
                "How many parts the run held: 1 to 10000.");
        findings.when(
                lost == null || lost < 0 || printed != null && lost > printed,
                "partsLost",
                "How many of them were lost: 0 to all of them.");
        Refused.unless(findings);
        failure.partsPrinted = printed;
        failure.partsLost = lost;
        records.save(failure);
        logbook.write(LogDraft.of(
                LogKind.FACTS_TOLD,
                failure.machineId,
                "FAILURE",
                id,
                clock.instant(),
                fleet.machine(failure.machineId).name() + ": " + lost + " of " + printed + " parts lost.",
                Map.of("partsPrinted", printed, "partsLost", lost),
                actor));
    }
}
