package keel.app.standing;

import static keel.app.base.Rows.instant;
import static keel.app.base.Rows.time;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import keel.core.resin.VatContent;
import keel.core.standing.MachineEvent;
import keel.core.standing.ServiceKind;
import keel.core.standing.StopGap;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Reads the facts that the rules ask for. Of what happens with every print (a run's end, a plate cleared) only the
 * latest is read: no rule looks further back.
 */
final class Facts {

    private final JdbcClient jdbc;

    Facts(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<MachineEvent> events(long machineId) {
        List<MachineEvent> events = new ArrayList<>();
        jdbc
                .sql("select max(ended_at) from run where machine_id = ? and not withdrawn")
                .param(machineId)
                .query((row, i) -> instant(row, 1))
                .list()
                .stream()
                .filter(Objects::nonNull)
                .forEach(at -> events.add(new MachineEvent.RunEnded(at)));
        failures(machineId, events);
        jdbc.sql(
                        """
                select c.at from failure_check c join failure f on f.id = c.failure_id
                where f.machine_id = ? and not c.withdrawn and not f.withdrawn
                  and regexp_like(c.found, '(^|,)(film-pierced|spill|resin-on-screen)(,|$)')""")
                .param(machineId)
                .query((row, i) -> instant(row, 1))
                .list()
                .forEach(at -> events.add(new MachineEvent.LeakFound(at)));
        events.addAll(jdbc.sql(
                        """
                select kind, at, clean, emptied, leak from service
                where machine_id = :machine and not withdrawn and kind <> 'PLATE_CLEARED'
                union all select * from (select kind, at, clean, emptied, leak from service
                  where machine_id = :machine and not withdrawn and kind = 'PLATE_CLEARED' order by at desc
                  fetch first row only)""")
                .param("machine", machineId)
                .query((row, i) -> (MachineEvent) new MachineEvent.ServiceDone(
                        instant(row, 2),
                        ServiceKind.valueOf(row.getString(1)),
                        row.getBoolean(3),
                        row.getBoolean(4),
                        row.getBoolean(5)))
                .list());
        return events;
    }

    private void failures(long machineId, List<MachineEvent> events) {
        Map<Long, Set<String>> symptoms = new HashMap<>();
        Map<Long, Instant> seen = new HashMap<>();
        jdbc.sql(
                        """
                select f.id, f.seen_at, s.symptom from failure f left join failure_symptom s
                on s.failure_id = f.id and s.present
                where f.machine_id = ? and not f.withdrawn""")
                .param(machineId)
                .query((row, i) -> {
                    seen.put(row.getLong(1), instant(row, 2));
                    Set<String> of = symptoms.computeIfAbsent(row.getLong(1), id -> new HashSet<>());
                    return row.getString(3) == null || of.add(row.getString(3));
                })
                .list();
        seen.forEach((id, at) -> events.add(new MachineEvent.FailureSeen(at, symptoms.get(id))));
    }

    /** What is in a vat: everything since it was last emptied. */
    VatContent content(long vatId) {
        List<VatContent.Change> changes = new ArrayList<>();
        OffsetDateTime emptied = jdbc.sql("select max(at) from service where vat_id = ? and emptied and not withdrawn")
                .param(vatId)
                .query(OffsetDateTime.class)
                .optional()
                .orElse(null);
        OffsetDateTime from = emptied == null ? Instant.EPOCH.atOffset(ZoneOffset.UTC) : emptied;
        changes.addAll(jdbc.sql("select p.at, r.code, p.ml, p.kind from pour p join resin r on r.id = p.resin_id where "
                        + "p.vat_id = ? and p.at >= ? and not p.withdrawn and coalesce(p.kind, '') <> 'SIEVE'")
                .params(vatId, from)
                .query((row, i) -> "RETURN".equals(row.getString(4))
                        ? (VatContent.Change) new VatContent.TakenOut(instant(row, 1), row.getDouble(3))
                        : new VatContent.Poured(instant(row, 1), row.getString(2), row.getDouble(3)))
                .list());
        if (changes.isEmpty()) {
            return VatContent.EMPTY;
        }
        changes.addAll(jdbc.sql(
                        """
                select r.ended_at, r.resin_ml from fitting f join run r on r.machine_id = f.machine_id
                and r.started_at >= f.fitted_at
                  and (f.removed_at is null or r.started_at < f.removed_at)
                where f.component_id = ? and r.ended_at is not null and not r.withdrawn and r.started_at >= ?""")
                .params(vatId, from)
                .query((row, i) -> (VatContent.Change) new VatContent.Printed(instant(row, 1), row.getDouble(2)))
                .list());
        changes.addAll(jdbc.sql(
                        "select at, resin_left_ml from service where vat_id = ? and at >= ? and resin_left_ml is "
                                + "not null and not withdrawn")
                .params(vatId, from)
                .query((row, i) -> (VatContent.Change) new VatContent.Measured(instant(row, 1), row.getDouble(2)))
                .list());
        return VatContent.after(changes);
    }

    /**
     * A hole in the film of this vat that is only cured shut; null if none. Hours run from when somebody last found it
     * dry.
     */
    StopGap stopGap(long vatId, double everyHours) {
        OffsetDateTime last = jdbc.sql(
                        """
                select max(s.at) from fitting f join service s on s.vat_id = f.vat_id and s.kind = 'HOLE_CURED'
                and s.at >= f.fitted_at and not s.withdrawn
                where f.vat_id = ? and f.removed_at is null""")
                .param(vatId)
                .query(OffsetDateTime.class)
                .optional()
                .orElse(null);
        if (last == null) {
            return null;
        }
        Instant cured = last.toInstant();
        double hours = jdbc.sql(
                        """
                select coalesce(cast(sum(datediff(millisecond, r.started_at, r.ended_at)) as double precision) /
                3600000, 0)
                from fitting v join run r on r.machine_id = v.machine_id and r.started_at >= v.fitted_at
                and (v.removed_at is null or r.started_at < v.removed_at)
                where v.component_id = :vat and r.ended_at is not null and not r.withdrawn
                and r.started_at >= greatest(:cured, coalesce((select max(s.at) from service s
                  where s.vat_id = :vat and s.kind = 'VAT_INSPECTED' and s.clean and not s.withdrawn), :cured))""")
                .param("vat", vatId)
                .param("cured", time(cured))
                .query(Double.class)
                .single();
        return new StopGap(cured, hours, everyHours);
    }
}
