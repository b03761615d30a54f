package keel.app.floor;

import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * The raw record as the audit reads it: table by table, without views, sums or the rooms' own questions. By hand in SQL
 * and across all rooms on purpose, so that it shares no mistake with what it is held against.
 */
@Component
class AuditFacts {

    private final JdbcClient jdbc;

    AuditFacts(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Machine(
            long id,
            String code,
            String name,
            long modelId,
            double baselineHours,
            Double lubricatedBefore,
            Double abradedBefore,
            boolean levelsAfterEach,
            boolean selfLevelling) {

        double before(Double hours) {
            return hours == null ? 0 : hours;
        }
    }

    /** A service that was not taken back. */
    record Done(long machineId, String kind, Instant at, boolean deburred) {}

    record Count(long id, long n) {}

    record Sum(long id, double sum) {}

    /** Something that changes what is in a vat; {@code began} of a run. */
    record InVat(long vatId, Instant at, String what, double ml, String resin, Instant began) {}

    /** A bottle from when it was looked at last, or came full. */
    record Bottle(String code, double from, double out, double back) {}

    record Sheets(long came, long fitted, long spoiled, long loose) {}

    record PartsOf(String words, long all, long ended, long fitted) {}

    /** ml; {@code gone} what was left in bottles that were called empty. */
    record Resin(double came, double used, double there, double gone) {}

    /** An item; {@code counted} what counts took away, or gave. */
    record Moved(String name, String unit, double came, double used, double onHand, double counted) {}

    record Model(long id, String code, String kind) {}

    record Run(
            long id,
            long machineId,
            Instant startedAt,
            Instant endedAt,
            long layers,
            double layerExposureS,
            double resinMl,
            String outcome,
            Long reachedLayer,
            Double measuredMl) {

        double hours() {
            return (endedAt.toEpochMilli() - startedAt.toEpochMilli()) / 3_600_000.0;
        }

        long peels() {
            return reachedLayer == null ? layers : Math.min(layers, reachedLayer);
        }

        double uvHours() {
            return peels() * layerExposureS / 3600;
        }

        double usedMl() {
            return measuredMl != null ? measuredMl : layers == 0 ? resinMl : resinMl * peels() / layers;
        }

        boolean cameOut() {
            return "GOOD".equals(outcome) || "USABLE".equals(outcome);
        }
    }

    record Part(
            long id,
            String kind,
            String code,
            Long modelId,
            Long partModelId,
            Long packId,
            double baselineHours,
            double baselineUvHours,
            long baselineLayers,
            long baselinePrints,
            Instant endedAt,
            String endReason,
            boolean withdrawn) {}

    record Fit(long id, long componentId, Long machineId, Long vatId, Instant fittedAt, Instant removedAt) {

        boolean holds(Instant at) {
            return !fittedAt.isAfter(at) && (removedAt == null || removedAt.isAfter(at));
        }
    }

    record PartModelFit(long partModelId, long machineModelId) {}

    record Item(String code, String name, double onHand, double moved) {}

    record Pack(String code, long sheets, long spoiled, long fitted) {}

    List<Machine> machines() {
        return jdbc.sql(
                        """
                        select m.id, m.code, m.name, m.model_id as modelId, m.baseline_hours as baselineHours,
                        m.lubricated_before_hours as lubricatedBefore, m.abraded_before_hours as abradedBefore,
                        m.levels_after_each_print as levelsAfterEach, o.self_levelling as selfLevelling
                        from machine m join machine_model o on o.id = m.model_id order by m.id""")
                .query(Machine.class)
                .list();
    }

    List<Model> models() {
        return jdbc.sql("select id, code, kind from machine_model")
                .query(Model.class)
                .list();
    }

    /** Those that have ended and were not taken back. */
    List<Run> runs() {
        return jdbc.sql(
                        """
                        select id, machine_id as machineId, started_at as startedAt, ended_at as endedAt, layers,
                        layer_exposure_s as layerExposureS, resin_ml as resinMl, outcome,
                        reached_layer as reachedLayer, measured_ml as measuredMl
                        from run where ended_at is not null and withdrawn = false""")
                .query(Run.class)
                .list();
    }

    /** Those that were taken back as well. */
    List<Part> parts() {
        return jdbc.sql(
                        """
                        select id, kind, code, model_id as modelId, part_model_id as partModelId, pack_id as packId,
                        baseline_hours as baselineHours, baseline_uv_hours as baselineUvHours,
                        baseline_layers as baselineLayers, baseline_prints as baselinePrints,
                        ended_at as endedAt, end_reason as endReason,
                        withdrawn from component order by id""")
                .query(Part.class)
                .list();
    }

    List<Fit> fits() {
        return jdbc.sql(
                        """
                        select id, component_id as componentId, machine_id as machineId, vat_id as vatId,
                        fitted_at as fittedAt, removed_at as removedAt from fitting order by id""")
                .query(Fit.class)
                .list();
    }

    List<PartModelFit> partModelFits() {
        return jdbc.sql(
                        """
                        select part_model_id as partModelId, machine_model_id as machineModelId
                        from part_model_fits order by machine_model_id""")
                .query(PartModelFit.class)
                .list();
    }

    List<Item> items() {
        return jdbc.sql(
                        """
                        select i.code, i.name, i.on_hand as onHand,
                        (select coalesce(sum(m.quantity), 0) from stock_movement m where m.item_id = i.id) as moved
                        from stock_item i where i.retired_at is null order by i.id""")
                .query(Item.class)
                .list();
    }

    List<Pack> packs() {
        return jdbc.sql(
                        """
                        select p.code, p.sheets, p.spoiled, (select count(*) from component c
                        where c.pack_id = p.id and c.withdrawn = false) as fitted
                        from film_pack p where p.retired_at is null order by p.id""")
                .query(Pack.class)
                .list();
    }

    List<Done> services() {
        return jdbc.sql(
                        """
                        select machine_id as machineId, kind, at, deburred from service
                        where withdrawn = false and machine_id is not null""")
                .query(Done.class)
                .list();
    }

    List<Count> failures() {
        return jdbc.sql(
                        """
                        select machine_id as id, count(*) as n from failure where withdrawn = false
                        group by machine_id""")
                .query(Count.class)
                .list();
    }

    /** What is kept of the hours of each month. */
    List<Sum> keptHours() {
        return jdbc.sql("select machine_id as id, sum(hours) as sum from run_period group by machine_id")
                .query(Sum.class)
                .list();
    }

    List<InVat> vatEvents() {
        return jdbc.sql(
                        """
                        select p.vat_id as vatId, p.at,
                        case when p.kind = 'RETURN' then 'BACK' else 'POURED' end as what,
                        p.ml, r.code as resin, cast(null as timestamp with time zone) as began
                        from pour p join resin r on r.id = p.resin_id
                        where p.withdrawn = false and (p.kind is null or p.kind <> 'SIEVE')
                        union all
                        select vat_id, at, 'EMPTIED', 0, null, null from service
                        where withdrawn = false and vat_id is not null and emptied
                        union all
                        select vat_id, at, 'LOOKED', resin_left_ml, null, null from service
                        where withdrawn = false and vat_id is not null and resin_left_ml is not null
                        union all
                        select vat_id, at, 'LOST', lost_ml, null, null from service
                        where withdrawn = false and vat_id is not null and lost_ml > 0 and not emptied""")
                .query(InVat.class)
                .list();
    }

    List<Bottle> bottles() {
        return jdbc.sql(
                        """
                        select b.code, coalesce(l.left_ml, b.full_ml) as "from",
                        coalesce(sum(case when p.kind <> 'RETURN' or p.kind is null then p.ml end), 0) as out,
                        coalesce(sum(case when p.kind = 'RETURN' then p.ml end), 0) as back
                        from bottle b
                        left join bottle_look l on l.id = (select max(x.id) from bottle_look x where x.bottle_id = b.id)
                        left join pour p on p.bottle_id = b.id and p.withdrawn = false
                        and p.id > coalesce(l.after_pour, 0)
                        and (p.kind is null or p.kind <> 'SIEVE')
                        group by b.id, b.code, l.left_ml, b.full_ml""")
                .query(Bottle.class)
                .list();
    }

    Sheets sheets() {
        return jdbc.sql(
                        """
                        select coalesce(sum(sheets), 0) as came, coalesce(sum(spoiled), 0) as spoiled,
                        (select count(*) from component where pack_id is not null and withdrawn = false) as fitted,
                        (select count(*) from component where pack_id is null and kind = 'FILM' and made_by is not null
                        and withdrawn = false) as loose
                        from film_pack""")
                .query(Sheets.class)
                .single();
    }

    List<PartsOf> partsOf() {
        return jdbc.sql(
                        """
                        select case c.kind when 'SCREEN' then 'Screens' when 'LIGHT' then 'Light engines'
                        else 'Plates' end
                        as words, count(*) as "all", sum(case when c.ended_at is not null then 1 else 0 end) as ended,
                        sum(case when c.ended_at is null and exists (select 1 from fitting f
                        where f.component_id = c.id and f.removed_at is null) then 1 else 0 end) as fitted
                        from component c where c.withdrawn = false and c.kind in ('SCREEN', 'LIGHT', 'PLATE')
                        group by c.kind""")
                .query(PartsOf.class)
                .list();
    }

    Resin resin() {
        return jdbc.sql(
                        """
                        select coalesce(sum(full_ml), 0) as came,
                        (select coalesce(sum(case when kind = 'RETURN' then -ml else ml end), 0) from pour
                        where bottle_id is not null and withdrawn = false
                        and (kind is null or kind <> 'SIEVE')) as used,
                        coalesce(sum(case when emptied_at is null then left_ml end), 0) as there,
                        coalesce(sum(case when emptied_at is not null then left_ml end), 0) as gone
                        from bottle""")
                .query(Resin.class)
                .single();
    }

    List<Moved> moved() {
        return jdbc.sql(
                        """
                        select i.name, i.unit, coalesce(sum(case when m.quantity > 0 and m.reason not like 'counted %'
                        then m.quantity end), 0) as came,
                        coalesce(sum(case when m.quantity < 0 and m.reason not like 'counted %'
                        then -m.quantity end), 0)
                        as used, i.on_hand as onHand,
                        coalesce(sum(case when m.reason like 'counted %' then -m.quantity end), 0) as counted
                        from stock_item i left join stock_movement m on m.item_id = i.id
                        where i.retired_at is null group by i.id, i.name, i.unit, i.on_hand order by i.name""")
                .query(Moved.class)
                .list();
    }

    Instant firstRun() {
        return jdbc.sql("select min(started_at) from run where withdrawn = false")
                .query(Instant.class)
                .optional()
                .orElse(null);
    }
}
