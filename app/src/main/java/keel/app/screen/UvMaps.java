package keel.app.screen;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.MachineNow;
import keel.core.Findings;
import keel.core.light.LightAgeing;
import keel.core.light.UvMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what a UV meter read over the plates. */
@Service
@Transactional
public class UvMaps {

    private static final TypeReference<List<UvMap.Reading>> READINGS = new TypeReference<>() {};

    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final ObjectMapper json;
    private final Clock clock;

    UvMaps(Logbook logbook, JdbcClient jdbc, ObjectMapper json, Clock clock) {
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /**
     * A map on record; {@code light} and {@code screen} are numbers of the parts that were in, {@code lightHours} UV
     * hours of the light engine by then.
     */
    public record Kept(long id, Instant at, String person, Long light, double lightHours, Long screen, UvMap map) {}

    /** Of a machine, newest first. */
    @Transactional(readOnly = true)
    public List<Kept> of(MachineNow m) {
        return jdbc.sql(
                        """
                select u.id, u.at, p.name, u.light_id, u.light_hours, u.screen_id, u.content from uv_map u
                join person p on p.id = u.person_id
                where u.machine_id = ? and not u.withdrawn order by u.at desc, u.id desc""")
                .param(m.id())
                .query((row, i) -> new Kept(
                        row.getLong(1),
                        row.getObject(2, OffsetDateTime.class).toInstant(),
                        row.getString(3),
                        row.getObject(4, Long.class),
                        row.getDouble(5),
                        row.getObject(6, Long.class),
                        UvMap.of(read(row.getString(7)), m.plateWidthMm(), m.plateDepthMm())))
                .list();
    }

    /**
     * How the light engine that is in now fades; with the screen that is in now where three maps were made through it,
     * otherwise through any.
     */
    public static Optional<LightAgeing> ageing(List<Kept> maps) {
        if (maps.isEmpty()) {
            return Optional.empty();
        }
        Kept last = maps.get(0);
        List<Kept> light = maps.stream()
                .filter(k -> Objects.equals(k.light(), last.light()))
                .toList();
        List<Kept> both = light.stream()
                .filter(k -> Objects.equals(k.screen(), last.screen()))
                .toList();
        return LightAgeing.of((both.size() >= LightAgeing.LEAST_MAPS ? both : light)
                .stream()
                        .map(k -> new LightAgeing.Point(k.lightHours(), k.map().mean()))
                        .toList());
    }

    /** @throws Refused if the readings make no map */
    public long keep(MachineNow m, List<UvMap.Reading> readings) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        UvMap.check(readings, m.plateWidthMm(), m.plateDepthMm(), findings);
        Refused.unless(findings);
        UvMap map = UvMap.of(readings, m.plateWidthMm(), m.plateDepthMm());
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into uv_map (machine_id, light_id, light_hours, screen_id, content, at, person_id, "
                        + "withdrawn) values (?, ?, ?, ?, ?, ?, ?, false)")
                .params(
                        m.id(),
                        m.light() == null ? null : m.light().id(),
                        m.light() == null ? 0 : uvHours(m.light().id()),
                        m.screen() == null ? null : m.screen().id(),
                        write(readings),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        actor.personId())
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        logbook.write(LogDraft.of(
                LogKind.UV_MAPPED,
                m.id(),
                "UV_MAP",
                id,
                clock.instant(),
                String.format(
                        Locale.ROOT,
                        "%s: UV mapped at %d places, %.2f on average, the dimmest %.0f %% of the brightest.",
                        m.name(),
                        readings.size(),
                        map.mean(),
                        100 * map.uniformity()),
                Map.of("mean", map.mean(), "uniformity", map.uniformity()),
                actor));
        return id;
    }

    /** From the runs themselves: what is derived may be late while many entries are written at once. */
    private double uvHours(long light) {
        return jdbc.sql(
                        """
                select c.baseline_uv_hours + coalesce((select sum(coalesce(r.reached_layer, r.layers) *
                r.layer_exposure_s) / 3600 from run r join fitting f on f.machine_id = r.machine_id
                  and r.started_at >= f.fitted_at and (f.removed_at is null or r.started_at < f.removed_at)
                  where f.component_id = c.id and not r.withdrawn and r.ended_at is not null), 0)
                from component c where c.id = ?""")
                .param(light)
                .query(Double.class)
                .single();
    }

    /** The meter was dirty, or it was another machine. */
    public void withdraw(MachineNow m, long id) {
        Actor keeper = Actor.require(Role.KEEPER);
        if (jdbc.sql("update uv_map set withdrawn = true where id = ? and machine_id = ? and not withdrawn")
                        .params(id, m.id())
                        .update()
                == 0) {
            throw new NotThere("There is no UV map " + id + " of " + m.name() + ".");
        }
        logbook.write(LogDraft.of(
                LogKind.UV_MAPPED,
                m.id(),
                "UV_MAP",
                id,
                clock.instant(),
                m.name() + ": a UV map was taken back.",
                Map.of("map", id),
                keeper));
    }

    private String write(List<UvMap.Reading> readings) {
        try {
            return json.writeValueAsString(readings);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private List<UvMap.Reading> read(String content) {
        try {
            return json.readValue(content, READINGS);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
