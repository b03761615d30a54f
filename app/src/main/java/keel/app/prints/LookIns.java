package keel.app.prints;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.resin.VatFill;
import keel.core.standing.Defaults;
import keel.core.watch.LookAdvice;
import keel.core.watch.LookIn;
import keel.core.watch.LookInPlan;
import keel.core.watch.Progress;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When somebody looks at a run that is going on, and what they saw. */
@Service
@Transactional
public class LookIns {

    /** A look that is due so soon counts as done by the one that is made now. */
    private static final Duration EARLY = Duration.ofMinutes(20);

    /** Longer streaks are not told apart. */
    private static final Limit STREAK = Limit.of(200);

    private final Standings standings;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final LookInRecords records;
    private final RunRecords runs;
    private final Clock clock;

    LookIns(
            Standings standings,
            Fleet fleet,
            ShopSettings settings,
            Logbook logbook,
            LookInRecords records,
            RunRecords runs,
            Clock clock) {
        this.standings = standings;
        this.fleet = fleet;
        this.settings = settings;
        this.logbook = logbook;
        this.records = records;
        this.runs = runs;
        this.clock = clock;
    }

    /**
     * Plans the looks of a run that has just been started; none where nothing is known of its pace.
     *
     * @param everyHours own interval, null for the shop's
     */
    void plan(String machineCode, Double everyHours) {
        MachineNow m = standings.of(machineCode);
        if (m.run() == null || m.run().timing() == null) {
            return;
        }
        planned(m, everyHours).forEach(l -> records.save(LookInRecord.of(m.run().id(), l.kind(), l.due(), l.layer())));
    }

    private List<LookIn> planned(MachineNow m, Double everyHours) {
        Defaults defaults = settings.defaults();
        LookInPlan plan = new LookInPlan(everyHours == null ? defaults.value("lookin.everyHours") : everyHours, (int)
                defaults.value("lookin.streak"));
        return plan.of(m.run().startedAt(), m.run().timing(), progress(m).clearLayer(), goodInARow(m.id()));
    }

    /** Where a run that is going on should be; null where nothing is known of its pace. */
    @Transactional(readOnly = true)
    public Progress progress(MachineNow m) {
        return m.run() == null || m.run().timing() == null
                ? null
                : Progress.of(
                        m.run().startedAt(),
                        clock.instant(),
                        m.run().timing(),
                        m.run().layerMm(),
                        resinDepthMm(m));
    }

    private Double resinDepthMm(MachineNow m) {
        MachineRef ref = fleet.machine(m.code());
        return m.resin() == null || ref.selfFilling()
                ? null
                : ref.vat().fill().map((VatFill f) -> f.depthOf(m.resinMl())).orElse(null);
    }

    /** How many prints in a row came out on a machine until now. */
    @Transactional(readOnly = true)
    public int goodInARow(long machineId) {
        List<Boolean> last = runs.lastOutcomes(machineId, STREAK);
        int failed = last.indexOf(Boolean.FALSE);
        return failed < 0 ? last.size() : failed;
    }

    /** The looks of a run, in the order of time. */
    @Transactional(readOnly = true)
    public List<LookInView> of(long runId) {
        return records.of(runId);
    }

    /** Looks that are due by then, of all runs that are going on, the longest due first; one for a run. */
    @Transactional(readOnly = true)
    public List<LookDue> due(Instant by) {
        return records.due(by);
    }

    /**
     * Writes down what somebody saw, and says whether the print goes on. It stands for every look that is due by now.
     *
     * @param somethingLoose whether something loose is in the vat
     */
    public LookAdvice look(RunView run, String seen, boolean somethingLoose) {
        Actor actor = Actor.current();
        if (!run.open()) {
            throw new Conflict("This run has ended.");
        }
        LookAdvice.Seen saw = Arrays.stream(LookAdvice.Seen.values())
                .filter(s -> s.name().equals(seen))
                .findFirst()
                .orElseThrow(() -> new Refused("seen", "Say what you saw."));
        Progress progress = progress(standings.of(run.machine()));
        LookAdvice advice = LookAdvice.of(saw, somethingLoose, progress == null ? null : progress.outOfResin());
        Instant now = clock.instant();
        List<LookInRecord> stoodFor = records.open(run.id(), now.plus(EARLY));
        if (stoodFor.isEmpty()) {
            stoodFor = List.of(records.save(
                    LookInRecord.of(run.id(), LookIn.LookKind.INTERVAL, now, progress == null ? 0 : progress.layer())));
        }
        stoodFor.forEach(look -> look.looked(now, actor.personId(), saw, somethingLoose, advice.action()));
        if (saw == LookAdvice.Seen.ONE_PART_FAILED && advice.action() == LookAdvice.Action.RUN_ON) {
            again(run.id(), now.plus(Duration.ofHours(1)), progress);
        }
        long machine = fleet.machine(run.machine()).id();
        logbook.write(LogDraft.of(
                LogKind.LOOKED_IN,
                machine,
                "RUN",
                run.id(),
                now,
                run.machineName() + ", look-in" + (progress == null ? "" : " at about layer " + progress.layer()) + ": "
                        + saw.words().toLowerCase(Locale.ROOT) + ". "
                        + advice.action().words() + ".",
                Map.of("run", run.id(), "seen", saw, "loose", somethingLoose, "advice", advice.action()),
                actor));
        return advice;
    }

    private void again(long runId, Instant at, Progress progress) {
        if (progress == null || at.isBefore(progress.end())) {
            records.save(LookInRecord.of(runId, LookIn.LookKind.INTERVAL, at, progress == null ? 0 : progress.layer()));
        }
    }

    /** Looks that were due in a span while their print went on. */
    @Transactional(readOnly = true)
    public List<LookKept> kept(Instant from, Instant to) {
        return records.kept(from, to);
    }
}
