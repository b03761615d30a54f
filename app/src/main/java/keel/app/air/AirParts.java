package keel.app.air;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Rows;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.air.AirPartKind;
import keel.core.air.FanLog;
import keel.core.air.RateTrend;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is kept up in the path of the air: fans, meshes, filters, carbon, and the cartridges of respirators. */
@Service
@Transactional
public class AirParts {

    private final RoomAir rooms;
    private final Fleet fleet;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    AirParts(RoomAir rooms, Fleet fleet, Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.rooms = rooms;
        this.fleet = fleet;
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A part with what it has done since it was last seen to.
     *
     * @param hours of the room's fan, or worn, for cartridges
     * @param share of its life, by hours or by days, whichever is more; null if neither is known
     * @param slower a mesh whose room clears a quarter slower than it did
     */
    public record AirPart(
            long id,
            String room,
            String roomName,
            AirPartKind kind,
            String name,
            Instant since,
            double hours,
            double days,
            Double lifeHours,
            Double lifeDays,
            Double share,
            boolean slower) {

        public boolean due() {
            return slower || share != null && share >= 1;
        }

        /** Why it is due, in a sentence. */
        public String why() {
            return slower
                    ? "The room clears a quarter slower than it did."
                    : String.format(Locale.ROOT, "It has done %.0f h and %.0f days.", hours, days);
        }
    }

    private record AirPartRow(
            long id,
            String room,
            String roomName,
            AirPartKind kind,
            String name,
            Instant since,
            Double lifeHours,
            Double lifeDays,
            double worn) {}

    @Transactional(readOnly = true)
    public List<AirPart> all() {
        List<AirPartRow> rows = jdbc.sql(
                        """
                select p.id, r.code, r.name, p.kind, p.name, p.since, p.life_hours, p.life_days, p.worn_hours
                from air_part p left join room r on r.id = p.room_id where p.retired_at is null
                order by r.name, p.name""")
                .query((row, i) -> new AirPartRow(
                        row.getLong(1),
                        row.getString(2),
                        row.getString(3),
                        AirPartKind.valueOf(row.getString(4)),
                        row.getString(5),
                        Rows.instant(row, 6),
                        row.getObject(7, Double.class),
                        row.getObject(8, Double.class),
                        row.getDouble(9)))
                .list();
        if (rows.isEmpty()) {
            return List.of();
        }
        Instant now = clock.instant();
        Map<String, FanLog> fans = rooms.fanLogs();
        Map<String, List<RateTrend.Rate>> rates = rooms.rates(now.minus(RoomAir.LOOKED_BACK));
        return rows.stream().map(r -> part(r, fans, rates, now)).toList();
    }

    private static AirPart part(
            AirPartRow r, Map<String, FanLog> fans, Map<String, List<RateTrend.Rate>> rates, Instant now) {
        double hours = r.kind() == AirPartKind.CARTRIDGE
                ? r.worn()
                : fans.getOrDefault(r.room(), new FanLog(List.of())).hours(r.since(), now);
        double days = Duration.between(r.since(), now).toHours() / 24.0;
        double share = Math.max(
                r.lifeHours() == null ? 0 : hours / r.lifeHours(), r.lifeDays() == null ? 0 : days / r.lifeDays());
        boolean slower = r.kind() == AirPartKind.MESH
                && RateTrend.of(rates.getOrDefault(r.room(), List.of()), r.since())
                        .slower();
        return new AirPart(
                r.id(),
                r.room(),
                r.roomName(),
                r.kind(),
                r.name(),
                r.since(),
                hours,
                days,
                r.lifeHours(),
                r.lifeDays(),
                r.lifeHours() == null && r.lifeDays() == null ? null : Double.valueOf(share),
                slower);
    }

    public void add(String kind, String name, String room, Double lifeHours, Double lifeDays) {
        Actor actor = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        AirPartKind of = List.of(AirPartKind.values()).stream()
                .filter(k -> k.name().equals(kind))
                .findFirst()
                .orElse(null);
        findings.when(of == null, "kind", "Say what it is.");
        findings.text(name, 80, "name", "The name");
        findings.when(
                of != null && of != AirPartKind.CARTRIDGE && (room == null || room.isBlank()),
                "room",
                "Say in which room it is.");
        Refused.unless(life(lifeHours, lifeDays, findings));
        Double hours = lifeHours == null && lifeDays == null ? of.hours() : lifeHours;
        Double days = lifeHours == null && lifeDays == null ? of.days() : lifeDays;
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into air_part (room_id, kind, name, since, life_hours, life_days, worn_hours) "
                        + "values (?, ?, ?, ?, ?, ?, 0)")
                .params(
                        room == null || room.isBlank() ? null : Long.valueOf(fleet.roomId(room)),
                        of.name(),
                        name.strip(),
                        now(),
                        hours,
                        days)
                .update(key, "id");
        note(key.getKeyAs(Long.class), name.strip() + ": kept up from now on.", actor);
    }

    /** Cleaned or changed: it begins anew. {@code noted} is what else there is to say, null for nothing. */
    public void seenTo(long id, String noted) {
        Actor actor = Actor.current();
        AirPart part = one(id);
        jdbc.sql("update air_part set since = ?, worn_hours = 0 where id = ?")
                .params(now(), id)
                .update();
        write(
                id,
                part.name() + " " + part.kind().done() + " after " + Math.round(part.hours()) + " h and "
                        + Math.round(part.days()) + " days.",
                noted,
                actor);
    }

    /** How long it lasts from now on; both null: it is never due by itself. */
    public void lasts(long id, Double lifeHours, Double lifeDays) {
        Actor actor = Actor.require(Role.KEEPER);
        AirPart part = one(id);
        Refused.unless(life(lifeHours, lifeDays, new Findings()));
        jdbc.sql("update air_part set life_hours = ?, life_days = ? where id = ?")
                .params(lifeHours, lifeDays, id)
                .update();
        note(
                id,
                part.name() + " lasts "
                        + (lifeHours == null && lifeDays == null
                                ? "as long as it does"
                                : (lifeHours == null ? "" : Plain.number(lifeHours) + " h")
                                        + (lifeHours != null && lifeDays != null ? " or " : "")
                                        + (lifeDays == null ? "" : Plain.number(lifeDays) + " days"))
                        + ".",
                actor);
    }

    private static Findings life(Double lifeHours, Double lifeDays, Findings findings) {
        findings.rangeIfGiven(lifeHours, 0.5, 100_000, "lifeHours", "How long it lasts", "h");
        findings.rangeIfGiven(lifeDays, 1, 10_000, "lifeDays", "How long it lasts", "days");
        return findings;
    }

    /** Worn for so long; cartridges only. */
    public void worn(long id, Double hours) {
        Actor.current();
        AirPart part = one(id);
        Findings findings = new Findings();
        findings.range(hours, 0.05, 24, "hours", "The time it was worn", "h");
        findings.when(part.kind() != AirPartKind.CARTRIDGE, "hours", "Only cartridges are worn.");
        Refused.unless(findings);
        jdbc.sql("update air_part set worn_hours = worn_hours + ? where id = ?")
                .params(hours, id)
                .update();
    }

    public void retire(long id) {
        Actor actor = Actor.require(Role.KEEPER);
        AirPart part = one(id);
        jdbc.sql("update air_part set retired_at = ? where id = ?")
                .params(now(), id)
                .update();
        note(id, part.name() + " is not used any more.", actor);
    }

    /** @throws NotThere if there is no such part, or it is not used any more */
    @Transactional(readOnly = true)
    public AirPart one(long id) {
        return all().stream()
                .filter(p -> p.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no part " + id + " in the air's path."));
    }

    /** The same, for whoever must not meet another at it. */
    public AirPart locked(long id) {
        jdbc.sql("select id from air_part where id = ? for update")
                .param(id)
                .query(Long.class)
                .optional();
        return one(id);
    }

    /** Also of one that is not used any more. */
    @Transactional(readOnly = true)
    public String name(long id) {
        return jdbc.sql("select name from air_part where id = ?")
                .param(id)
                .query(String.class)
                .single();
    }

    private void note(long id, String headline, Actor by) {
        write(id, headline, null, by);
    }

    private void write(long id, String headline, String noted, Actor by) {
        logbook.write(LogDraft.of(LogKind.FAN, null, "AIR", id, clock.instant(), headline, Map.of("part", id), by)
                .noting(noted));
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}
