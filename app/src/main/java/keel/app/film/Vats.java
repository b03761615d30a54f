package keel.app.film;

import static keel.app.base.Rows.instant;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.fleet.ComponentKind;
import keel.app.standing.PartLives;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.core.bolts.VatFrame;
import keel.core.film.FilmWindow;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Vats and tanks with the film that is in them: what they fit, where they are and were, what was in them. */
@Service
@Transactional(readOnly = true)
public class Vats {

    private static final String VAT =
            """
            select v.id, v.code, v.since, v.ended_at, o.id as model_id, o.code as model, o.name as model_name,
            o.kind, o.plate_width_mm, o.plate_depth_mm, o.window_length_mm,
              o.window_width_mm, o.clamp_ring, o.clamp_long, o.clamp_short, o.frame_long, o.frame_short, m.code as
              machine, m.name as machine_name, p.code as pack, p.supplier, p.lot,
              (select r.pigment_family from pour x join resin r on r.id = x.resin_id where x.vat_id = v.id
              and not x.withdrawn order by x.at desc fetch first row only) as family,
              fc.code as film
            from component v join machine_model o on o.id = v.model_id
            left join fitting vf on vf.component_id = v.id and vf.removed_at is null left join machine m
            on m.id = vf.machine_id
            left join fitting ff on ff.vat_id = v.id and ff.removed_at is null left join component fc
            on fc.id = ff.component_id left join film_pack p on p.id = fc.pack_id
            where v.kind = 'VAT' and not v.withdrawn
            """;

    private final PartsReading parts;
    private final PartLives lives;
    private final JdbcClient jdbc;

    Vats(PartsReading parts, PartLives lives, JdbcClient jdbc) {
        this.parts = parts;
        this.lives = lives;
        this.jdbc = jdbc;
    }

    /**
     * A vat.
     *
     * @param machine code of the machine it is on, null on the shelf
     * @param film in it, null if none; {@code filmUse} with how long such films last
     * @param family pigment family that was in it last, null if not known
     */
    public record Vat(
            long id,
            String code,
            Instant since,
            Instant endedAt,
            Model model,
            String machine,
            String machineName,
            PartView film,
            PartUse filmUse,
            Pack pack,
            String family) {

        public boolean tank() {
            return model.kind() == MachineKind.LASER_TANK;
        }

        /** Where it is, in words. */
        public String place() {
            return machine != null ? "on " + machineName : endedAt != null ? "ended" : "on the shelf";
        }
    }

    /** What it fits. */
    public record Model(
            long id,
            String code,
            String name,
            MachineKind kind,
            double plateWidthMm,
            double plateDepthMm,
            VatFrame frame) {

        /**
         * Free opening of its film; the plate's size where nobody measured it. A ring of screws stands around a round
         * one.
         */
        public FilmWindow window() {
            double length =
                    frame.windowLengthMm() == null ? Math.max(plateWidthMm, plateDepthMm) : frame.windowLengthMm();
            double width = frame.windowWidthMm() == null ? Math.min(plateWidthMm, plateDepthMm) : frame.windowWidthMm();
            return new FilmWindow(length, width, frame.clampRing() != null);
        }

        public boolean windowMeasured() {
            return frame.windowLengthMm() != null && frame.windowWidthMm() != null;
        }
    }

    /** Where its film came from. */
    public record Pack(String code, String supplier, String lot) {}

    /** A film in a vat, or a vat on a machine, from one time to another; {@code to} is null while it is. */
    public record Span(long vat, String code, Instant from, Instant to, Instant endedAt, String endReason) {}

    /** All vats, those in use first, by model and code. */
    public List<Vat> all(boolean ended) {
        Map<String, PartView> films = films();
        PartLives.Book book = lives.book();
        return jdbc.sql(VAT
                        + " and (:ended or v.ended_at is null) order by o.name, case when m.code is null "
                        + "then 1 else 0 end, m.name, v.number")
                .param("ended", ended)
                .query((row, i) -> vat(row, films, book))
                .list();
    }

    /** @throws NotThere if there is none */
    public Vat one(String code) {
        Map<String, PartView> films = films();
        PartLives.Book book = lives.book();
        return jdbc.sql(VAT + " and v.code = :code")
                .param("code", code.toUpperCase(Locale.ROOT))
                .query((row, i) -> vat(row, films, book))
                .optional()
                .orElseThrow(() -> new NotThere("There is no vat called " + code + "."));
    }

    private Map<String, PartView> films() {
        return parts.all(ComponentKind.FILM, false).stream().collect(Collectors.toMap(PartView::code, f -> f));
    }

    /**
     * Every film that was in a vat, by vat, oldest first; for a tank, whose vat comes and goes with it, those of its
     * machine.
     */
    public Map<Long, List<Span>> films(List<Vat> vats) {
        Map<Long, List<Span>> films = spans(
                """
                select now.component_id, c.code, ff.fitted_at, coalesce(ff.removed_at, vf.removed_at), c.ended_at,
                c.end_reason from fitting now
                join fitting vf on vf.machine_id = now.machine_id and vf.component_id <> now.component_id
                join component v on v.id = vf.component_id and v.kind = 'VAT'
                join fitting ff on ff.vat_id = vf.component_id join component c on c.id = ff.component_id
                and not c.withdrawn
                where now.removed_at is null and now.component_id in (:vats) order by ff.fitted_at""",
                vats.stream().filter(Vat::tank).toList());
        inThem(vats).forEach((vat, spans) -> films.computeIfAbsent(vat, id -> new ArrayList<>())
                .addAll(spans));
        return films;
    }

    private Map<Long, List<Span>> inThem(List<Vat> vats) {
        return spans(
                "select f.vat_id, c.code, f.fitted_at, f.removed_at, c.ended_at, c.end_reason from fitting f join "
                        + "component c on c.id = f.component_id and not c.withdrawn "
                        + "where f.vat_id in (:vats) order by f.fitted_at",
                vats);
    }

    /** Every machine that a vat was on, by vat, oldest first; the code is the machine's name. */
    public Map<Long, List<Span>> machines(List<Vat> vats) {
        return spans(
                "select f.component_id, m.name, f.fitted_at, f.removed_at, cast(null as timestamp with time zone), "
                        + "cast(null as varchar) from fitting f "
                        + "join machine m on m.id = f.machine_id where f.component_id in (:vats) order by f.fitted_at",
                vats);
    }

    private Map<Long, List<Span>> spans(String sql, List<Vat> vats) {
        Map<Long, List<Span>> spans = new HashMap<>();
        if (!vats.isEmpty()) {
            jdbc.sql(sql)
                    .param("vats", vats.stream().map(Vat::id).toList())
                    .query((row, i) -> spans.computeIfAbsent(row.getLong(1), id -> new ArrayList<>())
                            .add(new Span(
                                    row.getLong(1),
                                    row.getString(2),
                                    instant(row, 3),
                                    instant(row, 4),
                                    instant(row, 5),
                                    row.getString(6))))
                    .list();
        }
        return spans;
    }

    private static Vat vat(ResultSet row, Map<String, PartView> films, PartLives.Book book) throws SQLException {
        VatFrame frame = new VatFrame(
                row.getObject("window_length_mm", Double.class),
                row.getObject("window_width_mm", Double.class),
                row.getObject("clamp_ring", Integer.class),
                row.getObject("clamp_long", Integer.class),
                row.getObject("clamp_short", Integer.class),
                row.getObject("frame_long", Integer.class),
                row.getObject("frame_short", Integer.class));
        Model model = new Model(
                row.getLong("model_id"),
                row.getString("model"),
                row.getString("model_name"),
                MachineKind.valueOf(row.getString("kind")),
                row.getDouble("plate_width_mm"),
                row.getDouble("plate_depth_mm"),
                frame);
        String pack = row.getString("pack");
        PartView film = films.get(row.getString("film"));
        PartUse.UsedPart kind = model.kind() == MachineKind.LASER_TANK ? PartUse.UsedPart.TANK : PartUse.UsedPart.FILM;
        PartUse use = film == null
                ? null
                : new PartUse(
                        kind, model.kind().lining() + " " + film.code(), film.usage(), book.of(kind, model.name()));
        return new Vat(
                row.getLong("id"),
                row.getString("code"),
                instant(row, 3),
                instant(row, 4),
                model,
                row.getString("machine"),
                row.getString("machine_name"),
                film,
                use,
                pack == null ? null : new Pack(pack, row.getString("supplier"), row.getString("lot")),
                row.getString("family"));
    }
}
