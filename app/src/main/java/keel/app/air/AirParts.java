package keel.app.air;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.Refused;
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
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is kept up in the path of the air: fans, meshes, filters, carbon, and the cartridges of respirators. */
@Service
@Transactional
public class AirParts {

    private final RoomAir rooms;
    private final Fleet fleet;
    private final Logbook logbook;
    private final AirPartRecords records;
    private final Clock clock;

    AirParts(RoomAir rooms, Fleet fleet, Logbook logbook, AirPartRecords records, Clock clock) {
        this.rooms = rooms;
        this.fleet = fleet;
        this.logbook = logbook;
        this.records = records;
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

    @Transactional(readOnly = true)
    public List<AirPart> all() {
        List<AirPartRecords.Placed> rows = records.inUse();
        if (rows.isEmpty()) {
            return List.of();
        }
        Instant now = clock.instant();
        Map<String, FanLog> fans = rooms.fanLogs();
        Map<String, List<RateTrend.Rate>> rates = rooms.rates();
        return rows.stream().map(r -> part(r, fans, rates, now)).toList();
    }

    private static AirPart part(
            AirPartRecords.Placed placed,
            Map<String, FanLog> fans,
            Map<String, List<RateTrend.Rate>> rates,
            Instant now) {
        AirPartRecord p = placed.part();
        double hours = p.kind == AirPartKind.CARTRIDGE
                ? p.wornHours
                : fans.getOrDefault(placed.room(), new FanLog(List.of())).hours(p.since, now);
        double days = Duration.between(p.since, now).toHours() / 24.0;
        double share =
                Math.max(p.lifeHours == null ? 0 : hours / p.lifeHours, p.lifeDays == null ? 0 : days / p.lifeDays);
        boolean slower = p.kind == AirPartKind.MESH
                && RateTrend.of(rates.getOrDefault(placed.room(), List.of()), p.since)
                        .slower();
        return new AirPart(
                p.id,
                placed.room(),
                placed.roomName(),
                p.kind,
                p.name,
                p.since,
                hours,
                days,
                p.lifeHours,
                p.lifeDays,
                p.lifeHours == null && p.lifeDays == null ? null : Double.valueOf(share),
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
        AirPartRecord part = new AirPartRecord();
        part.roomId = room == null || room.isBlank() ? null : Long.valueOf(fleet.roomId(room));
        part.kind = of;
        part.name = name.strip();
        part.since = clock.instant();
        part.lifeHours = hours;
        part.lifeDays = days;
        records.save(part);
        note(part.id, part.name + ": kept up from now on.", actor);
    }

    /** Cleaned or changed: it begins anew. {@code noted} is what else there is to say, null for nothing. */
    public void seenTo(long id, String noted) {
        Actor actor = Actor.current();
        AirPart part = one(id);
        AirPartRecord kept = record(id);
        kept.since = clock.instant();
        kept.wornHours = 0;
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
        AirPartRecord kept = record(id);
        kept.lifeHours = lifeHours;
        kept.lifeDays = lifeDays;
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
        record(id).wornHours += hours;
    }

    public void retire(long id) {
        Actor actor = Actor.require(Role.KEEPER);
        AirPart part = one(id);
        record(id).retiredAt = clock.instant();
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
        records.locked(id);
        return one(id);
    }

    /** Also of one that is not used any more. */
    @Transactional(readOnly = true)
    public String name(long id) {
        return record(id).name;
    }

    private AirPartRecord record(long id) {
        return records.findById(id).orElseThrow();
    }

    private void note(long id, String headline, Actor by) {
        write(id, headline, null, by);
    }

    private void write(long id, String headline, String noted, Actor by) {
        logbook.write(LogDraft.of(LogKind.FAN, null, "AIR", id, clock.instant(), headline, Map.of("part", id), by)
                .noting(noted));
    }
}
