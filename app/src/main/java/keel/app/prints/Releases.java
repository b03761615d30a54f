package keel.app.prints;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.Findings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Fast or slow release: a setting of the run, that can be switched while it prints. */
@Service
@Transactional
public class Releases {

    private final RunReleases records;
    private final RunRecords runs;
    private final Logbook logbook;
    private final Clock clock;

    Releases(RunReleases records, RunRecords runs, Logbook logbook, Clock clock) {
        this.records = records;
        this.runs = runs;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** Whether it lets go slowly now. */
    @Transactional(readOnly = true)
    public boolean slow(long run) {
        List<RunRelease> all = records.findByRunIdOrderById(run);
        return !all.isEmpty() && all.get(all.size() - 1).slow;
    }

    /**
     * Writes down that it lets go slowly, or fast, from a layer on; nothing where it does so already.
     *
     * @throws Refused if it has no such layer
     * @throws Conflict if it has ended
     */
    public void switchTo(long id, boolean slow, Integer fromLayer) {
        Actor actor = Actor.current();
        Run run = runs.findById(id).orElseThrow(() -> new NotThere("There is no run " + id + "."));
        if (run.endedAt != null || run.withdrawn) {
            throw new Conflict("This run has ended: its release cannot be switched any more.");
        }
        Findings findings = new Findings();
        findings.range(fromLayer == null ? null : fromLayer.doubleValue(), 1, run.layers, "fromLayer", "The layer", "");
        Refused.unless(findings);
        if (slow(id) == slow) {
            return;
        }
        RunRelease release = new RunRelease();
        release.runId = id;
        release.fromLayer = fromLayer;
        release.slow = slow;
        release.at = clock.instant();
        release.personId = actor.personId();
        records.save(release);
        logbook.write(LogDraft.of(
                LogKind.RELEASE_SWITCHED,
                run.machineId,
                "RUN",
                id,
                release.at,
                run.job + ": " + (slow ? "slow" : "fast") + " release from layer " + fromLayer + ".",
                Map.of("slow", slow, "fromLayer", fromLayer),
                actor));
    }
}
