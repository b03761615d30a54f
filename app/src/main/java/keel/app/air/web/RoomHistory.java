package keel.app.air.web;

import static keel.app.base.Rows.time;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import keel.app.air.Heard;
import keel.app.air.RoomAir;
import keel.app.air.Sensors;
import keel.app.fleet.Fleet;
import keel.core.air.Decay;
import keel.core.air.SensorReading;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
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
    private final JdbcClient jdbc;
    private final Clock clock;

    RoomHistory(RoomAir rooms, Sensors sensors, Fleet fleet, JdbcClient jdbc, Clock clock) {
        this.rooms = rooms;
        this.sensors = sensors;
        this.fleet = fleet;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Runs of the room's machines in a span, each machine on a row of its own. */
    @Transactional(readOnly = true)
    List<SeriesDrawing.Ran> runs(String room, Instant from, Instant to) {
        Map<String, Integer> rows = new LinkedHashMap<>();
        return jdbc.sql(
                        """
                select m.name, r.job, r.started_at, coalesce(r.ended_at, :now) from run r join machine m
                on m.id = r.machine_id join room o on o.id = m.room_id
                where o.code = :room and not r.withdrawn and r.started_at < :to
                and coalesce(r.ended_at, :now) > :from order by m.name, r.started_at""")
                .param("room", room)
                .param("from", time(from))
                .param("to", time(to))
                .param("now", time(clock.instant()))
                .query((row, i) -> new SeriesDrawing.Ran(
                        rows.computeIfAbsent(row.getString(1), n -> rows.size()),
                        row.getObject(3, OffsetDateTime.class).toInstant(),
                        row.getObject(4, OffsetDateTime.class).toInstant(),
                        row.getString(1) + ": " + row.getString(2)))
                .list();
    }

    /** A real change rate; null with a reason where the fall after a wash told nothing. */
    public record Rate(Instant at, Double changes, Double low, Double high, String why) {}

    /** The rates of the last weeks, oldest first; falls that were not looked at yet are, so many at once. */
    public List<Rate> rates(String room) {
        follow(room);
        return jdbc.sql("select d.at, d.changes_per_hour, d.low, d.high, d.why from air_decay d join room r on r.id "
                        + "= d.room_id where r.code = ? and d.at >= ? order by d.at")
                .params(room, time(clock.instant().minus(RoomAir.LOOKED_BACK)))
                .query((row, i) -> new Rate(
                        row.getObject(1, OffsetDateTime.class).toInstant(),
                        row.getObject(2, Double.class),
                        row.getObject(3, Double.class),
                        row.getObject(4, Double.class),
                        row.getString(5)))
                .list();
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
            jdbc.sql("select r.code from sensor s join room r on r.id = s.room_id join room_air a on "
                            + "a.room_id = r.id where s.id = ? and a.washes")
                    .param(heard.sensor())
                    .query(String.class)
                    .optional()
                    .ifPresent(this::follow);
        }
    }

    /** A wash counts once its fall is over; one that came before is left out, since both fall together. */
    private void follow(String room) {
        Instant now = clock.instant();
        List<Instant> washes = rooms.washes(room, now.minus(RoomAir.LOOKED_BACK), now.minus(FALLS_WITHIN));
        List<Instant> known = jdbc.sql("select d.at from air_decay d join room r on r.id = d.room_id where r.code = ?")
                .param(room)
                .query((row, i) -> row.getObject(1, OffsetDateTime.class).toInstant())
                .list();
        List<Instant> all = rooms.washes(room, now.minus(RoomAir.LOOKED_BACK), now);
        List<Instant> fresh =
                new ArrayList<>(washes.stream().filter(w -> !known.contains(w)).toList());
        long id = fleet.roomId(room);
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
        jdbc.sql("merge into air_decay (room_id, at, changes_per_hour, low, high, why) key (room_id, at) "
                        + "values (?, ?, ?, ?, ?, ?)")
                .params(
                        room,
                        time(wash),
                        decay == null ? null : decay.airChangesPerHour(),
                        decay == null ? null : decay.low(),
                        decay == null ? null : decay.high(),
                        why)
                .update();
    }
}
