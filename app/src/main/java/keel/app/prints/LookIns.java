package keel.app.prints;

import static keel.app.base.Rows.instant;
import static keel.app.base.Rows.time;

import java.sql.ResultSet;
import java.sql.SQLException;
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
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When somebody looks at a run that is going on, and what they saw. */
@Service
@Transactional
public class LookIns {

    /** A look that is due so soon counts as done by the one that is made now. */
    private static final Duration EARLY = Duration.ofMinutes(20);

    private final Standings standings;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    LookIns(Standings standings, Fleet fleet, ShopSettings settings, Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.standings = standings;
        this.fleet = fleet;
        this.settings = settings;
        this.logbook = logbook;
        this.jdbc = jdbc;
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
        planned(m, everyHours)
                .forEach(l -> jdbc.sql("insert into look_in (run_id, kind, due_at, layer) values (?, ?, ?, ?)")
                        .params(m.run().id(), l.kind().name(), time(l.due()), l.layer())
                        .update());
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
        return jdbc.sql(
                        """
                select count(*) from run where machine_id = :m and ended_at is not null and not withdrawn
                and started_at > coalesce(
                  (select max(started_at) from run where machine_id = :m and ended_at is not null
                  and not withdrawn and outcome <> 'GOOD'),
                  timestamp with time zone '1970-01-01 00:00:00+00')""")
                .param("m", machineId)
                .query(Integer.class)
                .single();
    }

    /** The looks of a run, in the order of time. */
    @Transactional(readOnly = true)
    public List<LookInView> of(long runId) {
        return jdbc.sql(
                        """
                select l.id, l.kind, l.due_at, l.layer, l.looked_at, l.seen, p.name from look_in l left
                join person p on p.id = l.person_id
                where l.run_id = ? order by coalesce(l.looked_at, l.due_at), l.id""")
                .param(runId)
                .query(LookIns::view)
                .list();
    }

    /** Looks that are due by then, of all runs that are going on, the longest due first; one for a run. */
    @Transactional(readOnly = true)
    public List<LookDue> due(Instant by) {
        return jdbc.sql(
                        """
                select m.code, m.name, r.id, r.job, l.kind, l.due_at, l.layer from look_in l join run r
                on r.id = l.run_id join machine m on m.id = r.machine_id
                where l.looked_at is null and l.due_at <= :by and r.ended_at is null and not r.withdrawn
                  and l.due_at = (select max(x.due_at) from look_in x where x.run_id = r.id
                  and x.looked_at is null and x.due_at <= :by)
                order by l.due_at""")
                .param("by", time(by))
                .query((row, i) -> new LookDue(
                        row.getString(1),
                        row.getString(2),
                        row.getLong(3),
                        row.getString(4),
                        LookIn.LookKind.valueOf(row.getString(5)),
                        instant(row, 6),
                        row.getInt(7)))
                .list();
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
        int stoodFor = jdbc.sql(
                        "update look_in set looked_at = :now, person_id = :person, seen = :seen, loose = :loose, "
                                + "advice = :advice where run_id = :run and looked_at is null and due_at <= :by")
                .param("now", time(now))
                .param("person", actor.personId())
                .param("seen", saw.name())
                .param("loose", somethingLoose)
                .param("advice", advice.action().name())
                .param("run", run.id())
                .param("by", time(now.plus(EARLY)))
                .update();
        if (stoodFor == 0) {
            jdbc.sql("insert into look_in (run_id, kind, due_at, layer, looked_at, person_id, seen, loose, "
                            + "advice) values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                    .params(
                            run.id(),
                            LookIn.LookKind.INTERVAL.name(),
                            time(now),
                            progress == null ? 0 : progress.layer(),
                            time(now),
                            actor.personId(),
                            saw.name(),
                            somethingLoose,
                            advice.action().name())
                    .update();
        }
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
            jdbc.sql("insert into look_in (run_id, kind, due_at, layer) values (?, ?, ?, ?)")
                    .params(runId, LookIn.LookKind.INTERVAL.name(), time(at), progress == null ? 0 : progress.layer())
                    .update();
        }
    }

    private static LookInView view(ResultSet row, int number) throws SQLException {
        String seen = row.getString(6);
        return new LookInView(
                row.getLong(1),
                LookIn.LookKind.valueOf(row.getString(2)),
                instant(row, 3),
                row.getInt(4),
                instant(row, 5),
                seen == null ? null : LookAdvice.Seen.valueOf(seen),
                row.getString(7));
    }
}
