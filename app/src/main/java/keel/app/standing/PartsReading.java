package keel.app.standing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Rows;
import keel.app.fleet.ComponentKind;
import keel.core.wear.Usage;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads parts with where they are and what they have been through. */
@Service
@Transactional(readOnly = true)
public class PartsReading {

    private static final String PART =
            """
            select coalesce(f.machine_id, vf.machine_id) as on_machine, c.id, c.kind, c.code, o.name as model,
            c.material, c.thickness_mm,
              c.serial, c.since, c.ended_at, c.end_reason,
              coalesce(m.code, v.code) as carrier, coalesce(m.name, 'Vat ' || v.code) as carrier_name, vm.code as
              vat_machine, fc.code as film,
              coalesce(t.hours, 0) + c.baseline_hours, coalesce(t.uv_hours, 0) + c.baseline_uv_hours,
              coalesce(t.layers, 0) + c.baseline_layers, coalesce(t.prints, 0) + c.baseline_prints,
              coalesce(t.resin_ml, 0)
            from component c
            left join fitting f on f.component_id = c.id and f.removed_at is null
            left join machine m on m.id = f.machine_id
            left join component v on v.id = f.vat_id
            left join fitting vf on vf.component_id = f.vat_id and vf.removed_at is null
            left join machine vm on vm.id = vf.machine_id
            left join fitting ff on ff.vat_id = c.id and ff.removed_at is null
            left join component fc on fc.id = ff.component_id
            left join machine_model o on o.id = c.model_id
            left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
            where not c.withdrawn
            """;

    private static final Instant FOREVER = Instant.parse("9000-01-01T00:00:00Z");

    private final JdbcClient jdbc;

    PartsReading(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What is fitted to each machine, the film in its vat included; to all machines if {@code only} is null. */
    public Map<Long, List<PartView>> fitted(Long only) {
        Map<Long, List<PartView>> fitted = new HashMap<>();
        jdbc.sql(
                        PART
                                + """
                and coalesce(f.machine_id, vf.machine_id) is not null
                and (cast(:only as bigint) is null or f.machine_id = :only or vf.machine_id = :only)""")
                .param("only", only)
                .query((row, i) -> fitted.computeIfAbsent(row.getLong("on_machine"), id -> new ArrayList<>())
                        .add(part(row)))
                .list();
        return fitted;
    }

    /** All parts of a kind, newest first; those that ended only if asked for. */
    public List<PartView> all(ComponentKind kind, boolean ended) {
        return jdbc.sql(PART
                        + " and c.kind = :kind and (:ended or c.ended_at is null or f.id is not null) order "
                        + "by c.number desc")
                .param("kind", kind.name())
                .param("ended", ended)
                .query((row, i) -> part(row))
                .list();
    }

    /** Everything that was on a machine and when: films by way of the vat they were in. Oldest first. */
    public List<PartSpan> spans(long machineId) {
        return jdbc.sql(
                        """
                select c.kind, c.code, f.fitted_at, f.removed_at, c.ended_at, c.end_reason from fitting f
                join component c on c.id = f.component_id
                where f.machine_id = :machine and c.kind in ('SCREEN', 'LIGHT', 'PLATE') and not c.withdrawn
                union all
                select c.kind, c.code, greatest(ff.fitted_at, vf.fitted_at), least(coalesce(ff.removed_at, timestamp
                with time zone '9999-01-01 00:00:00+00'),
                  coalesce(vf.removed_at, timestamp with time zone '9999-01-01 00:00:00+00')), c.ended_at, c.end_reason
                from fitting vf join fitting ff on ff.vat_id = vf.component_id join component c
                on c.id = ff.component_id
                where vf.machine_id = :machine and not c.withdrawn and (ff.removed_at is null
                or ff.removed_at > vf.fitted_at)
                  and (vf.removed_at is null or vf.removed_at > ff.fitted_at)
                order by 3""")
                .param("machine", machineId)
                .query((row, i) -> {
                    Instant to = Rows.instant(row, 4);
                    return new PartSpan(
                            ComponentKind.valueOf(row.getString(1)),
                            row.getString(2),
                            Rows.instant(row, 3),
                            to == null || to.isAfter(FOREVER) ? null : to,
                            Rows.instant(row, 5),
                            row.getString(6));
                })
                .list();
    }

    /** All screens, or light engines, that were on machines and when, by the machine's number. Oldest first. */
    public Map<Long, List<PartSpan>> spans(ComponentKind kind) {
        Map<Long, List<PartSpan>> spans = new HashMap<>();
        jdbc.sql(
                        """
                select f.machine_id, c.code, f.fitted_at, f.removed_at, c.ended_at, c.end_reason from fitting f
                join component c on c.id = f.component_id
                where f.machine_id is not null and c.kind = ? and not c.withdrawn order by f.fitted_at""")
                .param(kind.name())
                .query((row, i) -> spans.computeIfAbsent(row.getLong(1), id -> new ArrayList<>())
                        .add(new PartSpan(
                                kind,
                                row.getString(2),
                                Rows.instant(row, 3),
                                Rows.instant(row, 4),
                                Rows.instant(row, 5),
                                row.getString(6))))
                .list();
        return spans;
    }

    /** A part on the shelf, as a list offers it. */
    public record Spare(String code, String words) {}

    /** Screens or light engines on the shelf that fit the model of a machine, the oldest first. */
    public List<Spare> spares(long machineId, ComponentKind kind) {
        return jdbc.sql(
                        """
                select c.code, c.code || coalesce(', ' || p.name || coalesce(' ' || p.revision, ''), '') ||
                coalesce(', serial ' || c.serial, '') || coalesce(', bought ' || c.bought_on, '')
                from component c left join part_model p on p.id = c.part_model_id join machine m on m.id = :machine
                where c.kind = :kind and not c.withdrawn and c.ended_at is null and not exists (select 1
                from fitting f where f.component_id = c.id and f.removed_at is null)
                  and (exists (select 1 from part_model_fits x where x.part_model_id = p.id
                  and x.machine_model_id = m.model_id) or p.id is null and c.model_id = m.model_id)
                order by c.bought_on, c.number""")
                .param("machine", machineId)
                .param("kind", kind.name())
                .query((row, i) -> new Spare(row.getString(1), row.getString(2)))
                .list();
    }

    private static PartView part(ResultSet row) throws SQLException {
        return new PartView(
                row.getLong("id"),
                ComponentKind.valueOf(row.getString("kind")),
                row.getString("code"),
                row.getString("model"),
                row.getString("material"),
                row.getObject("thickness_mm", Double.class),
                row.getString("serial"),
                Rows.instant(row, 9),
                Rows.instant(row, 10),
                row.getString("end_reason"),
                row.getString("carrier"),
                row.getString("carrier_name"),
                row.getString("vat_machine"),
                row.getString("film"),
                usage(row));
    }

    private static Usage usage(ResultSet row) throws SQLException {
        return Standings.usage(row, 16);
    }
}
