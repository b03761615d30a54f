package keel.app.ventilation;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import keel.app.air.RoomAir;
import keel.app.fleet.Fleet;
import keel.app.logbook.LogDraft;
import keel.app.logbook.LogKind;
import keel.app.logbook.Logbook;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.problems.NotThere;
import keel.app.problems.Refused;
import keel.core.Findings;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is kept up in the path of the air: fans, meshes, filters, carbon, and the cartridges of respirators. */
@Service
@Transactional
class AirParts {

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

    /** What it is, what is done to it, and how long it usually lasts; usual figures are common practice, no source. */
    enum Kind {
        FAN("fan", "cleaned and looked over", 2000.0, null, "Unplug it. Blades and grille wiped dry, no play in the bearing, no rub when turned by hand. Plug in again, strip of paper at the inlet: it must be sucked on. Wiring is a licensed person's."),
        MESH("insect mesh", "cleaned", null, 60.0, "Fan off. Mesh out, brushed, washed with soap, dried. Back in, fan on. Look whether the next falls after a wash are steeper."),
        FILTER("dust filter", "changed", 500.0, null, "Fan off. Gloves on: it holds resin dust. The new one with its arrow along the air, edges tight; the old one into a bag, as local rules say."),
        CARBON("carbon filter", "changed", 400.0, 180.0, "Fan off, gloves on. It is spent by what it took up, not by time alone: a smell behind it means change now. The old one sealed in a bag."),
        CARTRIDGE("respirator cartridges", "changed", 40.0, 180.0, "Of the kind that is made for organic vapour, both at once, date on them. Keep them sealed between uses: they take up vapour on the hook. Taste or smell inside the mask: out at once.");

        private final String words;
        private final String done;
        private final Double hours;
        private final Double days;

        private final String how;

        Kind(String words, String done, Double hours, Double days, String how) {
            this.how = how;
            this.words = words;
            this.done = done;
            this.hours = hours;
            this.days = days;
        }

        public String words() {
            return words;
        }

        /** How it is done, in a few sentences. */
        public String how() {
            return how;
        }

        public String done() {
            return done;
        }
    }

    /**
     * A part with what it has done since it was last seen to.
     *
     * @param hours of the room's fan, or worn, for cartridges
     * @param share of its life, by hours or by days, whichever is more; null if neither is known
     */
    record Part(long id, String room, String roomName, Kind kind, String name, Instant since, double hours, double days, Double lifeHours, Double lifeDays, Double share) {

        public boolean due() {
            return share != null && share >= 1;
        }
    }

    @Transactional(readOnly = true)
    List<Part> all() {
        Instant now = clock.instant();
        return jdbc.sql("""
                select p.id, r.code, r.name, p.kind, p.name, p.since, p.life_hours, p.life_days, p.worn_hours from air_part p left join room r on r.id = p.room_id where p.retired_at is null order by r.name, p.name""")
                .query((row, i) -> {
                    Kind kind = Kind.valueOf(row.getString(4));
                    Instant since = row.getObject(6, OffsetDateTime.class).toInstant();
                    double hours = kind == Kind.CARTRIDGE ? row.getDouble(9) : row.getString(2) == null ? 0 : rooms.fanHours(row.getString(2), since);
                    double days = Duration.between(since, now).toHours() / 24.0;
                    Double lifeHours = row.getObject(7, Double.class);
                    Double lifeDays = row.getObject(8, Double.class);
                    double share = Math.max(lifeHours == null ? 0 : hours / lifeHours, lifeDays == null ? 0 : days / lifeDays);
                    return new Part(row.getLong(1), row.getString(2), row.getString(3), kind, row.getString(5), since, hours, days, lifeHours, lifeDays, lifeHours == null && lifeDays == null ? null : Double.valueOf(share));
                }).list();
    }

    void add(String kind, String name, String room, Double lifeHours, Double lifeDays) {
        Actor actor = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        Kind of = List.of(Kind.values()).stream().filter(k -> k.name().equals(kind)).findFirst().orElse(null);
        findings.when(of == null, "kind", "Say what it is.");
        findings.text(name, 80, "name", "The name");
        findings.when(of != null && of != Kind.CARTRIDGE && (room == null || room.isBlank()), "room", "Say in which room it is.");
        if (lifeHours != null) {
            findings.range(lifeHours, 0.5, 100_000, "lifeHours", "How long it lasts", "h");
        }
        if (lifeDays != null) {
            findings.range(lifeDays, 1, 10_000, "lifeDays", "How long it lasts", "days");
        }
        Refused.unless(findings);
        Double hours = lifeHours == null && lifeDays == null ? of.hours : lifeHours;
        Double days = lifeHours == null && lifeDays == null ? of.days : lifeDays;
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into air_part (room_id, kind, name, since, life_hours, life_days, worn_hours) values (?, ?, ?, ?, ?, ?, 0)").params(room == null || room.isBlank() ? null : Long.valueOf(fleet.roomId(room)), of.name(),
                name.strip(), now(), hours, days).update(key, "id");
        note(key.getKeyAs(Long.class), name.strip() + ": kept up from now on.", actor);
    }

    /** Cleaned or changed: it begins anew. */
    void seenTo(long id) {
        Actor actor = Actor.current();
        Part part = one(id);
        jdbc.sql("update air_part set since = ?, worn_hours = 0 where id = ?").params(now(), id).update();
        note(id, part.name() + " " + part.kind().done() + " after " + Math.round(part.hours()) + " h and " + Math.round(part.days()) + " days.", actor);
    }

    /** Worn for so long; cartridges only. */
    void worn(long id, Double hours) {
        Actor.current();
        Part part = one(id);
        Findings findings = new Findings();
        findings.range(hours, 0.05, 24, "hours", "The time it was worn", "h");
        findings.when(part.kind() != Kind.CARTRIDGE, "hours", "Only cartridges are worn.");
        Refused.unless(findings);
        jdbc.sql("update air_part set worn_hours = worn_hours + ? where id = ?").params(hours, id).update();
    }

    void retire(long id) {
        Actor actor = Actor.require(Role.KEEPER);
        Part part = one(id);
        jdbc.sql("update air_part set retired_at = ? where id = ?").params(now(), id).update();
        note(id, part.name() + " is not used any more.", actor);
    }

    private Part one(long id) {
        return all().stream().filter(p -> p.id() == id).findFirst().orElseThrow(() -> new NotThere("There is no part " + id + " in the air's path."));
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(LogDraft.of(LogKind.FAN, null, "AIR", id, clock.instant(), headline, Map.of("part", id), by));
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}
