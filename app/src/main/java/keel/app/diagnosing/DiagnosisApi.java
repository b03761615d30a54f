package keel.app.diagnosing;

import java.time.Clock;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.problems.Refused;
import keel.app.upkeep.Standings;
import keel.core.Findings;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Odds;
import keel.core.knowledge.Knowledge;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Diagnosis for programs: of evidence that is sent, or of a failure that is recorded. */
@RestController
@RequestMapping("/api/v1")
class DiagnosisApi {

    private final Knowledge knowledge;
    private final Odds odds;
    private final Diagnostician diagnostician;
    private final MachineHistory histories;
    private final Standings standings;
    private final Fleet fleet;
    private final Failures failures;
    private final Clock clock;

    DiagnosisApi(Knowledge knowledge, MachineHistory histories, Standings standings, Fleet fleet, Failures failures, Clock clock) {
        this.knowledge = knowledge;
        this.odds = Odds.shipped(knowledge);
        this.diagnostician = new Diagnostician(knowledge, odds);
        this.histories = histories;
        this.standings = standings;
        this.fleet = fleet;
        this.failures = failures;
        this.clock = clock;
    }

    record Checked(String check, List<String> found) {}

    record Question(List<String> symptoms, List<String> absent, List<Checked> checks, List<String> history, String machine) {}

    /**
     * Lists that are left out are empty; {@code found: []} is a check that found nothing. With a machine, what its own records say
     * adds to the history.
     */
    @PostMapping("/diagnosis")
    Diagnosis diagnose(@RequestBody Question q) {
        Set<String> history = new LinkedHashSet<>(orNone(q.history()));
        if (q.machine() != null) {
            history.addAll(of(q.machine()));
        }
        return sound(new Evidence(new LinkedHashSet<>(orNone(q.symptoms())), new LinkedHashSet<>(orNone(q.absent())),
                orNone(q.checks()).stream().map(c -> c == null ? new Evidence.Done(null, List.of()) : new Evidence.Done(c.check(), orNone(c.found()))).toList(), history));
    }

    /** Of a failure as it is recorded, with the checks that were done for it and the machine as it stands. */
    @GetMapping("/failures/{id}/diagnosis")
    Diagnosis ofFailure(@PathVariable long id) {
        FailureView failure = failures.one(id);
        return sound(new Evidence(new LinkedHashSet<>(failure.symptoms()), new LinkedHashSet<>(failure.absent()),
                failures.checks(id).stream().map(c -> new Evidence.Done(c.check(), c.found())).toList(), of(failure.machine())));
    }

    private Set<String> of(String machine) {
        return histories.of(standings.of(fleet.machineOfEntry(machine).code()), clock.instant());
    }

    private Diagnosis sound(Evidence evidence) {
        Findings findings = new Findings();
        evidence.check(knowledge, odds, findings);
        Refused.unless(findings);
        return diagnostician.diagnose(evidence);
    }

    private static <T> List<T> orNone(List<T> list) {
        return list == null ? List.of() : list;
    }
}
