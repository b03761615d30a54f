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
            String endReason) {}

    record Fit(long id, long componentId, Long machineId, Long vatId, Instant fittedAt, Instant removedAt) {

        boolean holds(Instant at) {
            return !fittedAt.isAfter(at) && (removedAt == null || removedAt.isAfter(at));
        }
    }

    record PartModelFit(long partModelId, long machineModelId) {}

    record Service(long machineId, String kind, Instant at) {}

    record Item(String code, String name, double onHand, double moved) {}

    record Pack(String code, long sheets, long spoiled, long fitted) {}

    List<Machine> machines() {
        return jdbc.sql("select id, code, name, model_id, baseline_hours from machine order by id")
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
                        select id, machine_id, started_at, ended_at, layers, layer_exposure_s, resin_ml, outcome,
                        reached_layer, measured_ml from run where ended_at is not null and withdrawn = false""")
                .query(Run.class)
                .list();
    }

    List<Part> parts() {
        return jdbc.sql(
                        """
                        select id, kind, code, model_id, part_model_id, pack_id, baseline_hours, baseline_uv_hours,
                        baseline_layers, ended_at, end_reason from component where withdrawn = false order by id""")
                .query(Part.class)
                .list();
    }

    List<Fit> fits() {
        return jdbc.sql("select id, component_id, machine_id, vat_id, fitted_at, removed_at from fitting order by id")
                .query(Fit.class)
                .list();
    }

    List<PartModelFit> partModelFits() {
        return jdbc.sql("select part_model_id, machine_model_id from part_model_fits order by machine_model_id")
                .query(PartModelFit.class)
                .list();
    }

    List<Service> services() {
        return jdbc.sql("select machine_id, kind, at from service where withdrawn = false and machine_id is not null")
                .query(Service.class)
                .list();
    }

    List<Item> items() {
        return jdbc.sql(
                        """
                        select i.code, i.name, i.on_hand,
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
