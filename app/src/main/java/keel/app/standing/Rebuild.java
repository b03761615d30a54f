package keel.app.standing;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import keel.app.base.Rows;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.core.failure.FixHeld;
import keel.core.knowledge.Knowledge;
import keel.core.resin.VatContent;
import keel.core.standing.Fitted;
import keel.core.standing.Hold;
import keel.core.standing.HoldRules;
import keel.core.standing.MachineEvent;
import keel.core.standing.ServiceKind;
import keel.core.standing.StopGap;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Rebuilds what follows from the facts of a machine: meters, wear maps, holds, open causes, the vat's content. Called
 * in the transaction of every entry about the machine; calling it for all machines changes nothing that is not wrong.
 */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Rebuild {

    /**
     * Usage over runs; a run belongs to what was fitted when it started. Sums are cast before they are divided: H2 sums
     * doubles as decimal floats, and divides those to a hundred thousand digits.
     */
    private static final String USAGE =
            """
            coalesce(cast(sum(datediff(millisecond, r.started_at, r.ended_at)) as double precision) / 3600000, 0),
            coalesce(cast(sum(coalesce(r.reached_layer, r.layers) * r.layer_exposure_s) as double precision) / 3600, 0),
            coalesce(sum(cast(coalesce(r.reached_layer, r.layers) as bigint)), 0), count(r.id), \
            coalesce(sum(r.resin_ml), 0)
            """;

    private static final String RUNS_IN = " r.ended_at is not null and not r.withdrawn ";

    private final JdbcClient jdbc;
    private final EntityManager entities;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final WearMaps wear;
    private final HoldRules holdRules;
    private final ApplicationEventPublisher events;
    private final ThreadLocal<Set<Long>> waiting = new ThreadLocal<>();

    Rebuild(
            JdbcClient jdbc,
            EntityManager entities,
            Fleet fleet,
            ShopSettings settings,
            WearMaps wear,
            Knowledge knowledge,
            ApplicationEventPublisher events) {
        this.events = events;
        this.settings = settings;
        this.wear = wear;
        this.jdbc = jdbc;
        this.entities = entities;
        this.fleet = fleet;
        this.holdRules = new HoldRules(knowledge);
    }

    /**
     * Does many entries and rebuilds once after them, instead of after each. Between them meters, holds and vats are
     * not to be asked for.
     */
    public void onceAfter(Runnable entries) {
        Set<Long> machines = new LinkedHashSet<>();
        waiting.set(machines);
        try {
            entries.run();
        } finally {
            waiting.remove();
        }
        machines.forEach(this::machine);
    }

    /** Everything about one machine and the parts that were ever on it. */
    public void machine(long machineId) {
        machine(machineId, Instant.EPOCH);
    }

    /** The same where only parts fitted at or after {@code since} can have changed. */
    public void machine(long machineId, Instant since) {
        if (waiting.get() != null) {
            waiting.get().add(machineId);
            return;
        }
        entities.flush();
        meters(machineId, since);
        standing(fleet.machine(machineId));
        events.publishEvent(new RunsChanged(machineId, since));
    }

    /** Rebuilds for every machine; the parts on no machine have only their baselines. */
    public void everything() {
        entities.flush();
        jdbc.sql("delete from meter").update();
        jdbc.sql("delete from wear_map").update();
        for (Long id :
                jdbc.sql("select id from machine order by id").query(Long.class).list()) {
            machine(id);
        }
    }

    private void meters(long machineId, Instant since) {
        replace(
                "MACHINE",
                "select 'MACHINE', cast(:machine as bigint), " + USAGE + " from run r where r.machine_id = :machine and"
                        + RUNS_IN,
                machineId);
        replace("LUBRICATED", sinceService("LUBRICATED", "s.kind = 'LUBRICATION'"), machineId);
        replace(
                "ABRADED",
                sinceService("ABRADED", "s.kind = 'PLATE_WORK' and s.content not like '%DEBURRED%'"),
                machineId);
        replace("LEVELLED", sinceService("LEVELLED", "s.kind = 'LEVELLING'"), machineId);
        List<Long> parts = new ArrayList<>(direct(machineId, since));
        parts.addAll(films(machineId, since));
        jdbc.sql("delete from meter where scope = 'COMPONENT' and owner_id in (select id from component "
                        + "where withdrawn)")
                .update();
        wear.follow(parts);
    }

    private void replace(String scope, String select, long machineId) {
        jdbc.sql("delete from meter where scope = :scope and owner_id = :machine")
                .param("scope", scope)
                .param("machine", machineId)
                .update();
        jdbc.sql("insert into meter (scope, owner_id, hours, uv_hours, layers, prints, resin_ml) " + select)
                .param("machine", machineId)
                .update();
    }

    private static String sinceService(String scope, String which) {
        return "select '" + scope + "', cast(:machine as bigint), " + USAGE
                + " from run r where r.machine_id = :machine and" + RUNS_IN
                + "and r.started_at >= coalesce((select max(s.at) from service s where s.machine_id = :machine and "
                + "not s.withdrawn and "
                + which + "), timestamp with time zone '1970-01-01 00:00:00+00')";
    }

    private List<Long> direct(long machineId, Instant since) {
        List<Long> parts = jdbc.sql(
                        """
                select distinct component_id from fitting where machine_id = :machine and (removed_at is null
                or removed_at >= :since)""")
                .param("machine", machineId)
                .param("since", Rows.time(since))
                .query(Long.class)
                .list();
        components(
                parts,
                """
                from fitting f left join run r on r.machine_id = f.machine_id and r.started_at >= f.fitted_at
                  and (f.removed_at is null or r.started_at < f.removed_at) and"""
                        + RUNS_IN + """
                where f.component_id in (:parts) group by f.component_id""");
        return parts;
    }

    private List<Long> films(long machineId, Instant since) {
        List<Long> parts = jdbc.sql(
                        """
                select distinct ff.component_id from fitting vf join fitting ff on ff.vat_id = vf.component_id
                where vf.machine_id = :machine and (vf.removed_at is null or vf.removed_at >= :since)
                  and (ff.removed_at is null or ff.removed_at >= :since)""")
                .param("machine", machineId)
                .param("since", Rows.time(since))
                .query(Long.class)
                .list();
        components(
                parts,
                """
                from fitting f left join fitting vf on vf.component_id = f.vat_id
                left join run r on r.machine_id = vf.machine_id and r.started_at >= greatest(f.fitted_at, vf.fitted_at)
                  and (f.removed_at is null or r.started_at < f.removed_at) and (vf.removed_at is null
                  or r.started_at < vf.removed_at)
                  and"""
                        + RUNS_IN + """
                where f.component_id in (:parts) group by f.component_id""");
        return parts;
    }

    private void components(List<Long> parts, String from) {
        if (parts.isEmpty()) {
            return;
        }
        jdbc.sql("delete from meter where scope = 'COMPONENT' and owner_id in (:parts)")
                .param("parts", parts)
                .update();
        jdbc.sql("insert into meter (scope, owner_id, hours, uv_hours, layers, prints, resin_ml) select "
                        + "'COMPONENT', f.component_id, "
                        + USAGE + from)
                .param("parts", parts)
                .update();
    }

    private void standing(MachineRef machine) {
        List<MachineEvent> events = new Facts(jdbc).events(machine.id());
        VatNow vat = vat(machine.id());
        Fitted fitted = new Fitted(
                vat.vatId() != null,
                vat.filmUsable(),
                screenUsable(machine.id()),
                changedAt(machine.id(), machine.since()),
                vat.content().mixedAt(),
                vat.stopGap());
        List<Hold> holds = holdRules.open(events, machine.traits(), fitted);
        jdbc.sql("delete from open_hold where machine_id = ?")
                .param(machine.id())
                .update();
        for (int rank = 0; rank < holds.size(); rank++) {
            Hold hold = holds.get(rank);
            jdbc.sql("insert into open_hold (machine_id, code, rank, since, text, next_service) values (?, "
                            + "?, ?, ?, ?, ?)")
                    .params(
                            machine.id(),
                            hold.code().code(),
                            rank,
                            Rows.time(hold.since()),
                            hold.text(),
                            hold.next().name())
                    .update();
        }
        causes(machine.id());
        jdbc.sql("delete from machine_standing where machine_id = ?")
                .param(machine.id())
                .update();
        jdbc.sql(
                        """
                insert into machine_standing (machine_id, off_since, hold_to_light, levelled_at, vat_id, vat_resin,
                vat_ml, stop_gap_since, stop_gap_hours)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?)""")
                .params(
                        machine.id(),
                        Rows.time(offSince(events)),
                        holdRules.holdNextPartToLight(events),
                        Rows.time(latest(events, ServiceKind.LEVELLING)),
                        vat.vatId(),
                        vat.content().resin(),
                        vat.content().ml(),
                        vat.stopGap() == null ? null : Rows.time(vat.stopGap().since()),
                        vat.stopGap() == null ? null : vat.stopGap().hours())
                .update();
    }

    private static Instant offSince(List<MachineEvent> events) {
        Instant off = latest(events, ServiceKind.OFF);
        Instant on = latest(events, ServiceKind.ON);
        return off != null && (on == null || on.isBefore(off)) ? off : null;
    }

    private static Instant latest(List<MachineEvent> events, ServiceKind kind) {
        return events.stream()
                .filter(e -> e instanceof MachineEvent.ServiceDone s && s.kind() == kind)
                .map(MachineEvent::at)
                .max(Instant::compareTo)
                .orElse(null);
    }

    private record VatNow(Long vatId, boolean filmUsable, VatContent content, StopGap stopGap) {}

    private VatNow vat(long machineId) {
        Long vatId = jdbc.sql(
                        "select f.component_id from fitting f join component c on c.id = f.component_id and c.kind "
                                + "= 'VAT' "
                                + "where f.machine_id = ? and f.removed_at is null")
                .param(machineId)
                .query(Long.class)
                .optional()
                .orElse(null);
        if (vatId == null) {
            return new VatNow(null, false, VatContent.EMPTY, null);
        }
        boolean film = jdbc.sql("select count(*) from fitting f join component c on c.id = f.component_id and "
                                + "c.ended_at is null "
                                + "where f.vat_id = ? and f.removed_at is null")
                        .param(vatId)
                        .query(Integer.class)
                        .single()
                > 0;
        return new VatNow(
                vatId,
                film,
                new Facts(jdbc).content(vatId),
                new Facts(jdbc).stopGap(vatId, settings.defaults().value("stopgap.everyHours")));
    }

    private boolean screenUsable(long machineId) {
        return jdbc.sql("select count(*) from fitting f join component c on c.id = f.component_id and "
                                + "c.kind = 'SCREEN' and c.ended_at is null "
                                + "where f.machine_id = ? and f.removed_at is null")
                        .param(machineId)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    private Instant changedAt(long machineId, Instant since) {
        OffsetDateTime changed = jdbc.sql(
                        """
                select max(greatest(coalesce(f.removed_at, f.fitted_at), coalesce(c.ended_at, f.fitted_at)))
                from fitting f join component c on c.id = f.component_id where f.machine_id = ?""")
                .param(machineId)
                .query(OffsetDateTime.class)
                .optional()
                .orElse(null);
        return changed == null ? since : changed.toInstant();
    }

    private void causes(long machineId) {
        jdbc.sql("delete from open_cause where machine_id = ?").param(machineId).update();
        record Presumed(long failureId, String cause, Integer layer, Instant at) {}
        List<Presumed> presumed = jdbc.sql(
                        """
                select f.id, f.cause, r.reached_layer, f.cause_at from failure f left join run r on r.id = f.run_id
                where f.machine_id = ? and f.certainty = 'PRESUMED' and not f.withdrawn""")
                .param(machineId)
                .query((row, i) -> new Presumed(
                        row.getLong(1), row.getString(2), row.getObject(3, Integer.class), Rows.instant(row, 4)))
                .list();
        if (presumed.isEmpty()) {
            return;
        }
        List<FixHeld.GoodRun> good = jdbc.sql(
                        """
                select started_at, layers from run where machine_id = ? and outcome = 'GOOD' and not withdrawn
                and started_at >= ?""")
                .params(
                        machineId,
                        Rows.time(presumed.stream()
                                .map(Presumed::at)
                                .min(Instant::compareTo)
                                .orElseThrow()))
                .query((row, i) -> new FixHeld.GoodRun(Rows.instant(row, 1), row.getInt(2)))
                .list();
        for (Presumed p : presumed) {
            if (!FixHeld.by(good, p.layer(), p.at())) {
                jdbc.sql("insert into open_cause (machine_id, failure_id, cause) values (?, ?, ?)")
                        .params(machineId, p.failureId(), p.cause())
                        .update();
            }
        }
    }
}
