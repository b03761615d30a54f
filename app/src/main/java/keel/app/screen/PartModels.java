package keel.app.screen;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Models of screens and light engines, with the machines that each fits. */
@Service
@Transactional
public class PartModels {

    private static final Set<String> SOURCES = Set.of("LED", "LAMP", "LASER");

    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    PartModels(Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A model as it is entered.
     *
     * @param revision as its maker prints it, null where there is none
     * @param source of a light engine: LED, LAMP or LASER
     * @param pixelsX of a screen; sizes in mm
     * @param price of one, null if not known
     * @param fits codes of machine models, one at least
     */
    public record Entry(
            ComponentKind kind,
            String name,
            String revision,
            String source,
            Integer pixelsX,
            Integer pixelsY,
            Double widthMm,
            Double depthMm,
            Double price,
            List<String> fits) {

        Findings findings() {
            Findings findings = new Findings();
            findings.text(name, 80, "name", "The name of the model");
            findings.when(
                    revision != null && revision.length() > 20,
                    "revision",
                    "A revision may have 20 characters at most.");
            findings.when(
                    kind != ComponentKind.SCREEN && kind != ComponentKind.LIGHT,
                    "kind",
                    "Only screens and light engines have models of their own.");
            findings.when(
                    fits == null || fits.isEmpty(),
                    "fits",
                    "Say which machines it fits: that is what is checked before one is fitted.");
            if (kind == ComponentKind.SCREEN) {
                findings.range(
                        pixelsX == null ? null : pixelsX.doubleValue(),
                        320,
                        20_000,
                        "pixelsX",
                        "Pixels from left to right",
                        "");
                findings.range(
                        pixelsY == null ? null : pixelsY.doubleValue(),
                        320,
                        20_000,
                        "pixelsY",
                        "Pixels from front to back",
                        "");
                findings.range(widthMm, 10, 2000, "widthMm", "Its width", "mm");
                findings.range(depthMm, 10, 2000, "depthMm", "Its depth", "mm");
            } else {
                findings.when(
                        source != null && !source.isBlank() && !SOURCES.contains(source),
                        "source",
                        "A light is LED, LAMP or LASER.");
            }
            findings.rangeIfGiven(price, 0, 100_000, "price", "The price", "");
            return findings;
        }
    }

    /** A model on record; {@code fits} are names of machine models. */
    public record Model(
            long id,
            String code,
            ComponentKind kind,
            String name,
            String revision,
            String source,
            Integer pixelsX,
            Integer pixelsY,
            Double widthMm,
            Double depthMm,
            Double price,
            List<String> fits,
            boolean retired) {

        /** Name with revision. */
        public String words() {
            return name + (revision == null ? "" : " " + revision);
        }
    }

    @Transactional(readOnly = true)
    public List<Model> all() {
        return jdbc.sql(
                        """
                select p.id, p.code, p.kind, p.name, p.revision, p.source, p.pixels_x, p.pixels_y, p.width_mm,
                p.depth_mm, p.price, p.retired_at,
                  (select listagg(o.name, '|') within group (order by o.name) from part_model_fits f
                  join machine_model o on o.id = f.machine_model_id where f.part_model_id = p.id) as fits
                from part_model p order by p.kind desc, p.name, p.revision""")
                .query((row, i) -> model(row))
                .list();
    }

    private static Model model(ResultSet row) throws SQLException {
        String fits = row.getString("fits");
        return new Model(
                row.getLong("id"),
                row.getString("code"),
                ComponentKind.valueOf(row.getString("kind")),
                row.getString("name"),
                row.getString("revision"),
                row.getString("source"),
                row.getObject("pixels_x", Integer.class),
                row.getObject("pixels_y", Integer.class),
                row.getObject("width_mm", Double.class),
                row.getObject("depth_mm", Double.class),
                row.getObject("price", Double.class),
                fits == null ? List.of() : List.of(fits.split("\\|")),
                row.getObject("retired_at") != null);
    }

    /** @throws NotThere if there is no such model */
    @Transactional(readOnly = true)
    public Model called(String code) {
        return all().stream()
                .filter(m -> m.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no model of screen or light engine called " + code + "."));
    }

    /** Answers its code. */
    public String add(Entry entry) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = entry.findings();
        Map<String, Long> machines = machines();
        if (entry.fits() != null) {
            entry.fits().stream()
                    .filter(f -> !machines.containsKey(f))
                    .forEach(f -> findings.add("fits", "There is no machine model called " + f + "."));
        }
        Refused.unless(findings);
        String revision = entry.revision() == null || entry.revision().isBlank()
                ? null
                : entry.revision().strip();
        String code =
                Fleet.freeCode(entry.name().strip() + (revision == null ? "" : " " + revision), c -> all().stream()
                        .anyMatch(m -> m.code().equals(c)));
        boolean screen = entry.kind() == ComponentKind.SCREEN;
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql(
                        """
                insert into part_model (code, kind, name, revision, source, pixels_x, pixels_y, width_mm, depth_mm,
                price, at, person_id) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""")
                .params(
                        code,
                        entry.kind().name(),
                        entry.name().strip(),
                        revision,
                        screen || entry.source() == null || entry.source().isBlank() ? null : entry.source(),
                        screen ? entry.pixelsX() : null,
                        screen ? entry.pixelsY() : null,
                        screen ? entry.widthMm() : null,
                        screen ? entry.depthMm() : null,
                        entry.price(),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        keeper.personId())
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        entry.fits().stream().distinct().forEach(f -> jdbc.sql(
                        "insert into part_model_fits (part_model_id, machine_model_id) values (?, ?)")
                .params(id, machines.get(f))
                .update());
        note(
                id,
                entry.kind().words() + " model " + entry.name().strip() + (revision == null ? "" : " " + revision)
                        + " added.",
                keeper);
        return code;
    }

    /** No longer bought, or bought again; those on the shelf stay. */
    public void retire(String code, boolean retired) {
        Actor keeper = Actor.require(Role.KEEPER);
        Model model = called(code);
        jdbc.sql("update part_model set retired_at = ? where id = ?")
                .params(retired ? clock.instant().atOffset(ZoneOffset.UTC) : null, model.id())
                .update();
        note(model.id(), model.words() + (retired ? " is no longer bought." : " is bought again."), keeper);
    }

    private Map<String, Long> machines() {
        return jdbc
                .sql("select code, id from machine_model")
                .query((row, i) -> Map.entry(row.getString(1), row.getLong(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(LogDraft.of(LogKind.SET_UP, null, "SHOP", id, clock.instant(), headline, Map.of(), by));
    }
}
