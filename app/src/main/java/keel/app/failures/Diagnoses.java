package keel.app.failures;

import java.time.Clock;
import java.util.LinkedHashSet;
import java.util.Set;
import keel.app.fleet.Fleet;
import keel.app.problems.Refused;
import keel.app.upkeep.Standings;
import keel.core.Findings;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Odds;
import keel.core.knowledge.Knowledge;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What may have made a print fail: the same answer for the page and for programs. */
@Service
@Transactional(readOnly = true)
class Diagnoses {

    private final Knowledge knowledge;
    private final Odds odds;
    private final Diagnostician diagnostician;
    private final MachineHistory histories;
    private final Standings standings;
    private final Fleet fleet;
    private final Failures failures;
    private final Clock clock;

    Diagnoses(Knowledge knowledge, MachineHistory histories, Standings standings, Fleet fleet, Failures failures, Clock clock) {
        this.knowledge = knowledge;
        this.odds = Odds.shipped(knowledge);
        this.diagnostician = new Diagnostician(knowledge, odds);
        this.histories = histories;
        this.standings = standings;
        this.fleet = fleet;
        this.failures = failures;
        this.clock = clock;
    }

    /**
     * Of a recorded failure with the checks that were done for it. The machine's history counts while the cause is open: how the
     * machine stands now says nothing of a failure that was settled long ago.
     */
    Diagnosis of(FailureView failure) {
        Set<String> history = failure.certainty() == null ? historyOf(failure.machine()) : Set.of();
        return of(new Evidence(new LinkedHashSet<>(failure.symptoms()), new LinkedHashSet<>(failure.absent()),
                failures.checks(failure.id()).stream().map(c -> new Evidence.Done(c.check(), c.found())).toList(), history));
    }

    /** @throws Refused if a code is not known, or a symptom is both seen and absent */
    Diagnosis of(Evidence evidence) {
        Findings findings = new Findings();
        evidence.check(knowledge, odds, findings);
        Refused.unless(findings);
        return diagnostician.diagnose(evidence);
    }

    /** Facts of a machine's own records, none once it has left the shop. */
    Set<String> historyOf(String machine) {
        return standings.all().stream().filter(m -> m.code().equals(machine)).findFirst().map(now -> histories.of(now, clock.instant())).orElse(Set.of());
    }

    /** @throws Refused if there is no such machine */
    Set<String> historyOfEntry(String machine) {
        return historyOf(fleet.machineOfEntry(machine).code());
    }
}
