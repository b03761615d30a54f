package keel.app.standing;

import java.nio.ByteBuffer;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.core.placement.Footprint;
import keel.core.placement.PlateCells;
import keel.core.placement.WearMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Maps of what each cell of a film or screen has been through. Derived: a map that lacks only later runs is added to,
 * any other is summed anew from the runs; which of the two is told by the part's meter, which counts the same runs.
 */
@Service
@Transactional
public class WearMaps {

    private static final double ALIKE = 1e-9;

    private final JdbcClient jdbc;

    WearMaps(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A map with how much of the part's use it holds.
     *
     * @param placedUvHours of the {@code uvHours} that it has been through since it was put on record
     * @param placedPrints of the {@code prints}
     */
    public record Known(WearMap map, double uvHours, double placedUvHours, long prints, long placedPrints) {

        /** Share of its UV hours of which the place is known; 1 where it has none. */
        public double placed() {
            return uvHours > 0 ? placedUvHours / uvHours : 1;
        }
    }

    /** Of a film or screen; empty where it is on no plate that is known. */
    @Transactional(readOnly = true)
    public Optional<Known> of(long componentId) {
        return jdbc.sql(
                        """
                select o.plate_width_mm, o.plate_depth_mm, w.cells, w.uv_hours, w.placed_uv_hours, w.prints,
                w.placed_prints from component c join machine_model o on o.id = """
                                + MODEL
                                + """
                 left join wear_map w on w.component_id = c.id where c.id = :id""")
                .param("id", componentId)
                .query((row, i) -> {
                    PlateCells cells = new PlateCells(row.getDouble(1), row.getDouble(2));
                    return new Known(
                            map(cells, row.getBytes(3)),
                            row.getDouble(4),
                            row.getDouble(5),
                            row.getLong(6),
                            row.getLong(7));
                })
                .optional();
    }

    /** Model whose plate a film or screen serves. */
    private static final String MODEL =
            """
            coalesce(c.model_id, (select v.model_id from fitting f join component v on v.id = f.vat_id
            where f.component_id = c.id fetch first row only),
              (select m.model_id from fitting f join machine m on m.id = f.machine_id
              where f.component_id = c.id fetch first row only))""";

    private static final String COUNTED =
            """
             r.started_at, coalesce(r.reached_layer, r.layers) * r.layer_exposure_s / 3600, \
            coalesce(r.reached_layer, r.layers), p.content
            """;

    private record Counted(long prints, double uvHours, long layers) {

        Counted plus(List<Printed> runs) {
            return new Counted(
                    prints + runs.size(),
                    uvHours + runs.stream().mapToDouble(Printed::uvHours).sum(),
                    layers + runs.stream().mapToLong(Printed::layers).sum());
        }

        boolean same(Counted other) {
            return prints == other.prints
                    && layers == other.layers
                    && Math.abs(uvHours - other.uvHours) <= ALIKE * Math.max(1, Math.abs(other.uvHours));
        }
    }

    private record WornPart(
            long id,
            PlateCells cells,
            Counted metered,
            Counted mapped,
            double placedUvHours,
            long placedPrints,
            Instant through,
            byte[] bytes) {

        /** Whether its map is of the plate as it is on record now. */
        boolean whole() {
            return bytes != null && bytes.length == cells.count() * 2 * Double.BYTES;
        }

        WornPart anew() {
            return new WornPart(id, cells, metered, new Counted(0, 0, 0), 0, 0, null, null);
        }
    }

    private record Printed(Instant startedAt, double uvHours, long layers, Footprint footprint) {}

    /** Brings the maps of these parts up to their meters; others among them are passed over. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void follow(List<Long> parts) {
        if (parts.isEmpty()) {
            return;
        }
        List<WornPart> stale = stale(parts);
        Map<Long, List<Printed>> later = runs(stale);
        List<WornPart> anew = new ArrayList<>();
        for (WornPart part : stale) {
            List<Printed> runs = later.getOrDefault(part.id(), List.of());
            if (part.through() == null
                    || part.whole() && part.mapped().plus(runs).same(part.metered())) {
                write(part, runs);
            } else {
                anew.add(part.anew());
            }
        }
        if (!anew.isEmpty()) {
            jdbc.sql("delete from wear_map where component_id in (:parts)")
                    .param("parts", anew.stream().map(WornPart::id).toList())
                    .update();
            Map<Long, List<Printed>> all = runs(anew);
            anew.forEach(part -> write(part, all.getOrDefault(part.id(), List.of())));
        }
    }

    private List<WornPart> stale(List<Long> parts) {
        return jdbc
                .sql(
                        """
                select c.id, o.plate_width_mm, o.plate_depth_mm, t.prints, t.uv_hours, t.layers, coalesce(w.prints,
                0), coalesce(w.uv_hours, 0), coalesce(w.layers, 0),
                  coalesce(w.placed_uv_hours, 0), coalesce(w.placed_prints, 0), w.through, w.cells
                from component c join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id join machine_model o
                on o.id = """
                                + MODEL
                                + """
                 left join wear_map w on w.component_id = c.id where c.id in (:parts)
                 and c.kind in ('FILM', 'SCREEN') and not c.withdrawn""")
                .param("parts", parts)
                .query((row, i) -> {
                    OffsetDateTime through = row.getObject(12, OffsetDateTime.class);
                    return new WornPart(
                            row.getLong(1),
                            new PlateCells(row.getDouble(2), row.getDouble(3)),
                            new Counted(row.getLong(4), row.getDouble(5), row.getLong(6)),
                            new Counted(row.getLong(7), row.getDouble(8), row.getLong(9)),
                            row.getDouble(10),
                            row.getLong(11),
                            through == null ? null : through.toInstant(),
                            row.getBytes(13));
                })
                .list()
                .stream()
                .filter(p -> !p.mapped().same(p.metered()) || p.through() != null && !p.whole())
                .toList();
    }

    private Map<Long, List<Printed>> runs(List<WornPart> parts) {
        Map<Long, List<Printed>> runs = new HashMap<>();
        if (parts.isEmpty()) {
            return runs;
        }
        String counts =
                """
                 and r.ended_at is not null and not r.withdrawn left join wear_map w
                 on w.component_id = f.component_id left join run_footprint p on p.run_id = r.id
                where f.component_id in (:parts) and (w.through is null or r.started_at > w.through)""";
        jdbc.sql("select f.component_id, " + COUNTED
                        + """
                from fitting f join run r on r.machine_id = f.machine_id and r.started_at >= f.fitted_at
                and (f.removed_at is null or r.started_at < f.removed_at)"""
                        + counts
                        + " union all select f.component_id, " + COUNTED
                        + """
                from fitting f join fitting vf on vf.component_id = f.vat_id join run r
                on r.machine_id = vf.machine_id and r.started_at >= greatest(f.fitted_at, vf.fitted_at)
                  and (f.removed_at is null or r.started_at < f.removed_at) and (vf.removed_at is null
                  or r.started_at < vf.removed_at)"""
                        + counts)
                .param("parts", parts.stream().map(WornPart::id).toList())
                .query((row, i) -> {
                    String content = row.getString(5);
                    return runs.computeIfAbsent(row.getLong(1), id -> new ArrayList<>())
                            .add(new Printed(
                                    row.getObject(2, OffsetDateTime.class).toInstant(),
                                    row.getDouble(3),
                                    row.getLong(4),
                                    content == null ? null : Footprints.read(content)));
                })
                .list();
        return runs;
    }

    private void write(WornPart part, List<Printed> runs) {
        WearMap map = map(part.cells(), part.bytes());
        double placedUv = part.placedUvHours();
        long placed = part.placedPrints();
        Instant through = part.through();
        for (Printed run : runs) {
            if (run.footprint() != null) {
                map.add(run.footprint(), run.uvHours(), run.layers());
                placedUv += run.uvHours();
                placed++;
            }
            through = through == null || run.startedAt().isAfter(through) ? run.startedAt() : through;
        }
        jdbc.sql(
                        """
                merge into wear_map (component_id, across, deep, cells, through, prints, uv_hours, layers,
                placed_prints, placed_uv_hours) key (component_id)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""")
                .params(
                        part.id(),
                        part.cells().across(),
                        part.cells().deep(),
                        bytes(map),
                        through == null ? null : through.atOffset(ZoneOffset.UTC),
                        part.metered().prints(),
                        part.metered().uvHours(),
                        part.metered().layers(),
                        placed,
                        placedUv)
                .update();
    }

    private static byte[] bytes(WearMap map) {
        ByteBuffer buffer = ByteBuffer.allocate(map.cells().count() * 2 * Double.BYTES);
        for (double value : map.uvHours()) {
            buffer.putDouble(value);
        }
        for (double value : map.peels()) {
            buffer.putDouble(value);
        }
        return buffer.array();
    }

    /** Empty where there is none, or where the model's plate was measured anew since. */
    private static WearMap map(PlateCells cells, byte[] bytes) {
        if (bytes == null || bytes.length != cells.count() * 2 * Double.BYTES) {
            return WearMap.empty(cells);
        }
        double[] uv = new double[cells.count()];
        double[] peels = new double[cells.count()];
        ByteBuffer buffer = ByteBuffer.wrap(bytes);
        buffer.asDoubleBuffer().get(uv).get(peels);
        return WearMap.of(cells, uv, peels);
    }
}
