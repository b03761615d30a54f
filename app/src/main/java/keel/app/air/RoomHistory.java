package keel.app.air;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import keel.app.fleet.Fleet;
import keel.core.air.Decay;
import keel.core.air.SensorReading;
import keel.core.run.RunRules;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What went on in a room beside its readings: runs, washes, and how fast its air really cleared after each wash. */
@Service
@Transactional
public class RoomHistory {

    private static final Duration FALLS_WITHIN = Duration.ofMinutes(100);
    private static final int AT_ONCE = 60;
    private static final double FELL_BY = Math.log(2);

    private static final Duration EACH = Duration.ofMinutes(10);

    private final Map<Long, Instant> looked = new ConcurrentHashMap<>();
    private final RoomAir rooms;
    private final Sensors sensors;
    private final Fleet fleet;
    private final AirRecords records;
    private final SensorRecords heard;
    private final EntityManager entities;
    private final Clock clock;

    RoomHistory(
            RoomAir rooms,
            Sensors sensors,
            Fleet fleet,
            AirRecords records,
            SensorRecords heard,
            EntityManager entities,
            Clock clock) {
        this.rooms = rooms;
        this.sensors = sensors;
        this.fleet = fleet;
        this.records = records;
        this.heard = heard;
        this.entities = entities;
        this.clock = clock;
    }

    /** A run in a room; {@code row} tells its machine. */
    public record Ran(int row, Instant from, Instant to, String title) {}

    /** Runs of the room's machines in a span, each machine on a row of its own. */
    @Transactional(readOnly = true)
    public List<Ran> runs(String room, Instant from, Instant to) {
        Map<String, Integer> rows = new LinkedHashMap<>();
        Instant now = clock.instant();
        return records.runs(room, from, to, from.minus(RunRules.LONGEST)).stream()
                .map(r -> new Ran(
                        rows.computeIfAbsent(r.machine(), n -> rows.size()),
                        r.startedAt(),
                        r.endedAt() == null ? now : r.endedAt(),
                        r.machine() + ": " + r.job()))
                .toList();
    }

    /** A real change rate; null with a reason where the fall after a wash told nothing. */
    public record Rate(Instant at, Double changes, Double low, Double high, String why) {}

    /** The rates of the last weeks, oldest first; falls that were not looked at yet are, so many at once. */
    public List<Rate> rates(String room) {
        follow(room);
        return records.rates(clock.instant().minus(RoomAir.LOOKED_BACK)).stream()
                .filter(r -> r.room().equals(room))
                .map(r -> new Rate(r.at(), r.changesPerHour(), r.low(), r.high(), r.why()))
                .toList();
    }

    /**
     * New readings may end a fall after a wash: looked at now and then, so that what the air tells is known before
     * anybody asks.
     */
    @EventListener
    void heard(Heard heard) {
        Instant last = looked.get(heard.sensor());
        if (last == null || Duration.between(last, clock.instant()).compareTo(EACH) > 0) {
            looked.put(heard.sensor(), clock.instant());
            this.heard.washRoom(heard.sensor()).ifPresent(this::follow);
        }
    }

    /** A wash counts once its fall is over; one that came before is left out, since both fall together. */
    private void follow(String room) {
        Instant now = clock.instant();
        List<Instant> washes = rooms.washes(room, now.minus(RoomAir.LOOKED_BACK), now.minus(FALLS_WITHIN));
        long id = fleet.roomId(room);
        List<Instant> known = records.known(id);
        List<Instant> all = rooms.washes(room, now.minus(RoomAir.LOOKED_BACK), now);
        List<Instant> fresh =
                new ArrayList<>(washes.stream().filter(w -> !known.contains(w)).toList());
        for (Instant wash : fresh.subList(Math.max(0, fresh.size() - AT_ONCE), fresh.size())) {
            Instant until = all.stream()
                    .filter(w -> w.isAfter(wash.plusSeconds(60)))
                    .findFirst()
                    .filter(w -> w.isBefore(wash.plus(FALLS_WITHIN)))
                    .orElse(wash.plus(FALLS_WITHIN));
            keep(id, wash, sensors.minutes(room, wash, until));
        }
    }

    private void keep(long room, Instant wash, List<SensorReading> minutes) {
        List<Decay.Sample> samples = minutes.stream()
                .filter(r -> r.tvoc() != null)
                .map(r -> new Decay.Sample(Duration.between(wash, r.at()).toSeconds() / 60.0, r.tvoc()))
                .toList();
        Decay decay = null;
        String why = null;
        try {
            decay = Decay.of(samples, null);
            double hours = samples.get(samples.size() - 1).minutes() / 60;
            if (decay.airChangesPerHour() * hours < FELL_BY) {
                why = "The fall was cut short: less than half was gone before the next wash.";
                decay = null;
            }
        } catch (IllegalArgumentException e) {
            why = e.getMessage();
        }
        AirDecay kept = new AirDecay();
        kept.roomId = room;
        kept.at = wash;
        kept.changesPerHour = decay == null ? null : decay.airChangesPerHour();
        kept.low = decay == null ? null : decay.low();
        kept.high = decay == null ? null : decay.high();
        kept.why = why;
        entities.persist(kept);
        rooms.rateFound();
    }
}
