package keel.app.screen;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
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
import keel.app.standing.ConditionChanged;
import keel.app.standing.MachineNow;
import keel.core.Findings;
import keel.core.light.LightAgeing;
import keel.core.light.UvMap;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what a UV meter read over the plates. */
@Service
@Transactional
public class UvMaps {

    private static final TypeReference<List<UvMap.Reading>> READINGS = new TypeReference<>() {};

    private final Logbook logbook;
    private final ScreenRecords records;
    private final EntityManager entities;
    private final ObjectMapper json;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    UvMaps(
            Logbook logbook,
            ScreenRecords records,
            EntityManager entities,
            ObjectMapper json,
            ApplicationEventPublisher events,
            Clock clock) {
        this.logbook = logbook;
        this.records = records;
        this.entities = entities;
        this.json = json;
        this.events = events;
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
        return records.maps(m.id()).stream().map(mapped -> kept(mapped, m)).toList();
    }

    /**
     * The light of a light engine as a map gave it.
     *
     * @param hours UV hours that the light engine had by then
     * @param mean of its readings
     */
    record LightMapped(long light, double hours, Long screen, Instant at, double mean) {}

    /** Of all light engines that are on machines, the newest first. */
    @Transactional(readOnly = true)
    List<LightMapped> ofLights() {
        return records.lightMaps().stream()
                .map(o -> new LightMapped(
                        o.map().lightId,
                        o.map().lightHours,
                        o.map().screenId,
                        o.map().at,
                        UvMap.of(read(o.map().content), o.widthMm(), o.depthMm())
                                .mean()))
                .toList();
    }

    private Kept kept(ScreenRecords.Mapped mapped, MachineNow m) {
        UvMapRecord u = mapped.map();
        return new Kept(
                u.id,
                u.at,
                mapped.person(),
                u.lightId,
                u.lightHours,
                u.screenId,
                UvMap.of(read(u.content), m.plateWidthMm(), m.plateDepthMm()));
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
        UvMapRecord kept = new UvMapRecord();
        kept.machineId = m.id();
        kept.lightId = m.light() == null ? null : m.light().id();
        kept.lightHours = m.light() == null ? 0 : uvHours(m.light().id());
        kept.screenId = m.screen() == null ? null : m.screen().id();
        kept.content = write(readings);
        kept.at = clock.instant();
        kept.personId = actor.personId();
        entities.persist(kept);
        events.publishEvent(new ConditionChanged());
        logbook.write(LogDraft.of(
                LogKind.UV_MAPPED,
                m.id(),
                "UV_MAP",
                kept.id,
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
        return kept.id;
    }

    /** From the runs themselves: what is derived may be late while many entries are written at once. */
    private double uvHours(long light) {
        return records.uvHoursBefore(light) + records.uvHours(light);
    }

    /** The meter was dirty, or it was another machine. */
    public void withdraw(MachineNow m, long id) {
        Actor keeper = Actor.require(Role.KEEPER);
        records.map(id, m.id())
                .orElseThrow(() -> new NotThere("There is no UV map " + id + " of " + m.name() + "."))
                .withdrawn = true;
        events.publishEvent(new ConditionChanged());
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
