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

    record Machine(long id, String code, String name, long modelId, double baselineHours) {}

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
                        select id, code, name, model_id as modelId, baseline_hours as baselineHours
                        from machine order by id""")
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
                        baseline_layers as baselineLayers, ended_at as endedAt, end_reason as endReason,
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

    Instant firstRun() {
        return jdbc.sql("select min(started_at) from run where withdrawn = false")
                .query(Instant.class)
                .optional()
                .orElse(null);
    }
}
