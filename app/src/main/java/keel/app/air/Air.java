package keel.app.air;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.OncePerRead;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.Findings;
import keel.core.run.RunRules;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps readings of the rooms, and knows the latest of each. */
@Service
@Transactional
public class Air {

    private static final Duration STALE = Duration.ofHours(12);

    private final RoomReadings readings;
    private final Fleet fleet;
    private final Logbook logbook;
    private final AirRecords records;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Air(
            RoomReadings readings,
            Fleet fleet,
            Logbook logbook,
            AirRecords records,
            ApplicationEventPublisher events,
            Clock clock) {
        this.readings = readings;
        this.fleet = fleet;
        this.logbook = logbook;
        this.records = records;
        this.events = events;
        this.clock = clock;
    }

    /**
     * A room with its latest reading.
     *
     * @param temperatureC °C, null if never read
     * @param humidityPercent relative humidity, null if not read
     * @param stale whether the reading is older than half a day
     */
    public record RoomNow(
            String code, String name, Double temperatureC, Double humidityPercent, Instant at, boolean stale) {}

    /** One room with its latest reading; never read where it is not in use any more. */
    @Transactional(readOnly = true)
    public RoomNow room(String code) {
        return rooms().stream()
                .filter(r -> r.code().equals(code))
                .findFirst()
                .orElse(new RoomNow(code, code, null, null, null, false));
    }

    /** Rooms in use, by name. */
    @Transactional(readOnly = true)
    public List<RoomNow> rooms() {
        return OncePerRead.get(RoomNow.class, this::read);
    }

    private List<RoomNow> read() {
        Instant staleBefore = clock.instant().minus(STALE);
        return records.latest().stream().map(r -> now(r, staleBefore)).toList();
    }

    /** What a thermometer in the room says counts where it is newer than what somebody typed. */
    private static RoomNow now(AirRecords.Latest room, Instant staleBefore) {
        Instant sensed =
                room.sensedC() == null || room.sensedAtS() == null ? null : Instant.ofEpochSecond(room.sensedAtS());
        boolean newer = sensed != null && (room.typedAt() == null || sensed.isAfter(room.typedAt()));
        Instant at = newer ? sensed : room.typedAt();
        return new RoomNow(
                room.code(),
                room.name(),
                newer ? room.sensedC() : room.typedC(),
                newer ? room.sensedPercent() : room.typedPercent(),
                at,
                at != null && at.isBefore(staleBefore));
    }

    /** Writes a reading down; answers its number. */
    public long read(String room, Double temperatureC, Double humidityPercent) {
        return read(room, temperatureC, humidityPercent, null);
    }

    /** The same of a moment, null for now. */
    public long read(String room, Double temperatureC, Double humidityPercent, Instant when) {
        Actor actor = Actor.current();
        Instant at = when == null ? clock.instant() : when;
        Findings findings = new Findings();
        findings.when(at.isAfter(clock.instant().plus(RunRules.CLOCK_TOLERANCE)), "at", "That lies in the future.");
        findings.range(temperatureC, -20, 60, "temperatureC", "The temperature", "°C");
        findings.rangeIfGiven(humidityPercent, 0, 100, "humidityPercent", "The humidity", "%");
        Refused.unless(findings);
        RoomReading reading = new RoomReading();
        reading.roomId = fleet.roomId(room);
        reading.at = at;
        reading.temperatureC = temperatureC;
        reading.humidityPercent = humidityPercent;
        reading.personId = actor.personId();
        readings.save(reading);
        String name = rooms().stream()
                .filter(r -> r.code().equals(room))
                .findFirst()
                .orElseThrow()
                .name();
        logbook.write(LogDraft.of(
                LogKind.ROOM_READ,
                null,
                "ROOM",
                reading.id,
                reading.at,
                headline(name, reading),
                Map.of("room", room, "temperatureC", temperatureC),
                actor));
        return reading.id;
    }

    public void withdraw(long id, String reason) {
        Actor actor = Actor.current();
        RoomReading reading = readings.findById(id).orElseThrow(() -> new NotThere("There is no reading " + id + "."));
        reading.withdrawn = true;
        readings.save(reading);
        events.publishEvent(new ReadingWithdrawn(reading.roomId, reading.at));
        logbook.write(LogDraft.of(
                        LogKind.ROOM_READING_WITHDRAWN,
                        null,
                        "ROOM",
                        id,
                        reading.at,
                        "Withdrawn: a room's reading.",
                        Map.of("reading", id),
                        actor)
                .superseding(logbook.latest("ROOM", id, LogKind.ROOM_READ), reason));
    }

    private static String headline(String room, RoomReading reading) {
        return String.format(Locale.ROOT, "%s: %.1f °C", room, reading.temperatureC)
                + (reading.humidityPercent == null
                        ? "."
                        : String.format(Locale.ROOT, ", %.0f %% humidity.", reading.humidityPercent));
    }
}
