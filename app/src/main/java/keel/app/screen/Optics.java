package keel.app.screen;

import static keel.app.base.Rows.instant;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import keel.app.base.NotThere;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.ShopSettings;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reads screens and light engines with where they come from, where they are and what they have been through, heat
 * included.
 */
@Service
@Transactional(readOnly = true)
public class Optics {

    private static final String PART =
            """
            select c.id, c.kind, c.code, c.serial, c.batch, c.bought_on, c.warranty_until, coalesce(c.price,
            p.price) as price, c.since, c.ended_at, c.end_reason, c.part_model_id,
              p.code as model_code, p.name as model_name, p.revision, p.source, p.pixels_x, p.pixels_y, p.width_mm,
              p.depth_mm, m.id as machine_id, m.code as machine, m.name as machine_name,
              mo.kind as machine_kind, coalesce((select listagg(o.name, ', ') within group (order by o.name)
              from part_model_fits x join machine_model o on o.id = x.machine_model_id
                where x.part_model_id = p.id), co.name, mo.name) as fits,
              (select y.name from fitting x join machine y on y.id = x.machine_id where x.component_id = c.id
              order by x.fitted_at desc fetch first row only) as last_on,
              (select min(x.fitted_at) from fitting x where x.component_id = c.id) as fitted_at, coalesce(t.hours,
              0) + c.baseline_hours as hours,
              coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours
            from component c left join part_model p on p.id = c.part_model_id left join machine_model co
            on co.id = c.model_id
            left join fitting f on f.component_id = c.id and f.removed_at is null left join machine m
            on m.id = f.machine_id left join machine_model mo on mo.id = m.model_id
            left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
            where not c.withdrawn and c.kind in ('SCREEN', 'LIGHT')""";

    private final JdbcClient jdbc;
    private final ShopSettings settings;

    Optics(JdbcClient jdbc, ShopSettings settings) {
        this.jdbc = jdbc;
        this.settings = settings;
    }

    /**
     * A screen or light engine.
     *
     * @param model name and revision, null where nobody said
     * @param fits names of machine models
     * @param machine code of the machine that it is on, null on the shelf
     * @param lastOn name of the machine that it was on last, null if it never was on one
     * @param fittedAt when it was first fitted, null if it never was
     * @param uvHours of light through it or by it, {@code hours} of printing; what it had done before included
     */
    public record OpticalPart(
            long id,
            ComponentKind kind,
            String code,
            String modelCode,
            String model,
            String source,
            Integer pixelsX,
            Integer pixelsY,
            Double widthMm,
            Double depthMm,
            String serial,
            String batch,
            LocalDate boughtOn,
            LocalDate warrantyUntil,
            Double price,
            String fits,
            String machine,
            String machineName,
            String lastOn,
            Instant since,
            Instant fittedAt,
            Instant endedAt,
            String endReason,
            double hours,
            double uvHours) {

        public boolean onShelf() {
            return machine == null && endedAt == null;
        }

        /** Ends that no maker answers for. */
        private static final Set<String> OWN_FAULT = Set.of("RESIN", "CRUSHED", "PLANNED");

        /** Whether it has ended before its warranty did, and not by what was done to it: worth a letter. */
        public boolean endedUnderWarranty() {
            return endedAt != null
                    && !OWN_FAULT.contains(endReason)
                    && warrantyUntil != null
                    && endedAt.isBefore(warrantyUntil
                            .plusDays(1)
                            .atStartOfDay(ZoneOffset.UTC)
                            .toInstant());
        }

        public boolean matches(String text) {
            return (code + " " + model + " " + serial + " " + batch + " " + lastOn + " " + endReason + " " + fits)
                    .toLowerCase(Locale.ROOT)
                    .contains(text.toLowerCase(Locale.ROOT));
        }
    }

    /**
     * How warm the room was while a part lit: mean, °C, and UV hours above what the shop calls warm; of so many hours
     * with a reading.
     */
    public record Heat(double meanC, double warmUvHours, double knownUvHours) {}

    /** Newest first. */
    public List<OpticalPart> all() {
        return jdbc.sql(PART + " order by c.kind desc, c.number desc")
                .query((row, i) -> part(row))
                .list();
    }

    /** @throws NotThere if there is none */
    public OpticalPart one(String code) {
        return jdbc.sql(PART + " and c.code = ?")
                .param(code)
                .query((row, i) -> part(row))
                .optional()
                .orElseThrow(() -> new NotThere("There is no screen or light engine called " + code + "."));
    }

    /** By part: of the runs that it lit, with the last reading of the room before each. */
    public Map<Long, Heat> heat() {
        double warm = settings.defaults().value("resin.highC");
        Map<Long, Heat> heat = new HashMap<>();
        jdbc.sql(
                        """
                select id, sum(uv * c) / sum(uv), sum(case when c > :warm then uv else 0 end), sum(uv) from (
                  select f.component_id as id, coalesce(r.reached_layer, r.layers) * r.layer_exposure_s / 3600 as uv,
                    (select t.temperature_c from room_reading t where t.room_id = m.room_id and not t.withdrawn
                    and t.at <= r.ended_at and t.at > dateadd(hour, -36, r.started_at)
                      order by t.at desc fetch first row only) as c
                  from fitting f join component p on p.id = f.component_id and p.kind in ('SCREEN', 'LIGHT')
                  and not p.withdrawn
                  join machine m on m.id = f.machine_id
                  join run r on r.machine_id = f.machine_id and not r.withdrawn and r.ended_at is not null
                  and r.started_at >= f.fitted_at and (f.removed_at is null or r.started_at < f.removed_at))
                where c is not null and uv > 0 group by id""")
                .param("warm", warm)
                .query((row, i) ->
                        heat.put(row.getLong(1), new Heat(row.getDouble(2), row.getDouble(3), row.getDouble(4))))
                .list();
        return heat;
    }

    private static OpticalPart part(ResultSet row) throws SQLException {
        String name = row.getString("model_name");
        String revision = row.getString("revision");
        return new OpticalPart(
                row.getLong("id"),
                ComponentKind.valueOf(row.getString("kind")),
                row.getString("code"),
                row.getString("model_code"),
                name == null ? null : name + (revision == null ? "" : " " + revision),
                row.getString("source"),
                row.getObject("pixels_x", Integer.class),
                row.getObject("pixels_y", Integer.class),
                row.getObject("width_mm", Double.class),
                row.getObject("depth_mm", Double.class),
                row.getString("serial"),
                row.getString("batch"),
                row.getObject("bought_on", LocalDate.class),
                row.getObject("warranty_until", LocalDate.class),
                row.getObject("price", Double.class),
                Objects.toString(row.getString("fits"), ""),
                row.getString("machine"),
                row.getString("machine_name"),
                row.getString("last_on"),
                instant(row, "since"),
                instant(row, "fitted_at"),
                instant(row, "ended_at"),
                row.getString("end_reason"),
                row.getDouble("hours"),
                row.getDouble("uv_hours"));
    }
}
