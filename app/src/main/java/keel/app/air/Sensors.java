package keel.app.air;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.air.SensorReading;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Readings of sensors, as they come: late, twice, out of order. Each is kept once; sums by quarter, hour and day follow
 * in the same transaction.
 */
@Service
@Transactional
public class Sensors {

    static final int MOST_AT_ONCE = 20_000;

    private static final int QUARTER = 900;
    private static final int HOUR = 3600;
    private static final int DAY = 86_400;
    private static final int MOST_POINTS = 900;
    private static final int MANY_BUCKETS = 400;
    private static final String CODE = "[A-Za-z0-9][A-Za-z0-9._-]{0,39}";

    private final Fleet fleet;
    private final JdbcClient jdbc;
    private final JdbcTemplate batches;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Sensors(Fleet fleet, JdbcClient jdbc, JdbcTemplate batches, ApplicationEventPublisher events, Clock clock) {
        this.events = events;
        this.fleet = fleet;
        this.jdbc = jdbc;
        this.batches = batches;
        this.clock = clock;
    }

    /** A reading that was not kept: its place in what was sent, from 0. */
    public record Left(int index, String why) {}

    /** @param kept new or changed, {@code known} those that were there already, just the same */
    public record Taken(String sensor, int kept, int known, List<Left> refused) {}

    /** A sensor; {@code room} null until somebody has placed it. */
    public record Sensor(long id, String code, String room, String roomName, Instant lastAt) {}

    /**
     * A sensor that was not seen before is taken in; somebody places it later.
     *
     * @throws Refused if none of the readings can be kept, or there are too many
     */
    public Taken take(String code, List<SensorReading> readings) {
        Findings findings = new Findings();
        findings.when(
                code == null || !code.matches(CODE),
                "id",
                "A sensor is called by up to 40 letters, digits, points and dashes.");
        findings.when(readings == null || readings.isEmpty(), "readings", "There are no readings.");
        findings.when(
                readings != null && readings.size() > MOST_AT_ONCE,
                "readings",
                "More than " + MOST_AT_ONCE + " readings at once.");
        Refused.unless(findings);
        Map<Long, SensorReading> good = new LinkedHashMap<>();
        List<Left> refused = new ArrayList<>();
        Instant now = clock.instant();
        for (int i = 0; i < readings.size(); i++) {
            SensorReading r = readings.get(i);
            Optional<String> wrong = r == null ? Optional.of("It is missing.") : r.wrong(now);
            if (wrong.isPresent()) {
                refused.add(new Left(i, wrong.get()));
            } else {
                good.put(r.at().getEpochSecond(), r);
            }
        }
        if (good.isEmpty()) {
            refused.forEach(l -> findings.add("[" + l.index() + "]", l.why()));
            Refused.unless(findings);
        }
        long sensor = idOf(code);
        jdbc.sql("select id from sensor where id = ? for update")
                .param(sensor)
                .query(Long.class)
                .single();
        List<Long> changed = changed(sensor, good);
        write(sensor, good, changed);
        follow(sensor, changed);
        events.publishEvent(new Heard(
                sensor,
                Instant.ofEpochSecond(
                        good.keySet().stream().mapToLong(Long::longValue).max().orElseThrow())));
        return new Taken(code, changed.size(), good.size() - changed.size(), refused);
    }

    private long idOf(String code) {
        return jdbc.sql("select id from sensor where code = ?")
                .param(code)
                .query(Long.class)
                .optional()
                .orElseGet(() -> {
                    jdbc.sql("merge into sensor (code, first_at) key (code) values (?, ?)")
                            .params(code, clock.instant().atOffset(ZoneOffset.UTC))
                            .update();
                    return jdbc.sql("select id from sensor where code = ?")
                            .param(code)
                            .query(Long.class)
                            .single();
                });
    }

    /** Those that are not there already just as they are. */
    private List<Long> changed(long sensor, Map<Long, SensorReading> good) {
        long from = good.keySet().stream().mapToLong(Long::longValue).min().orElseThrow();
        long to = good.keySet().stream().mapToLong(Long::longValue).max().orElseThrow();
        Map<Long, SensorReading> there = new LinkedHashMap<>();
        if (to - from <= 60L * MOST_AT_ONCE) {
            raw(sensor, from, to + 1).forEach(r -> there.put(r.at().getEpochSecond(), r));
        }
        return good.entrySet().stream()
                .filter(e -> !same(e.getValue(), there.get(e.getKey())))
                .map(Map.Entry::getKey)
                .toList();
    }

    private static boolean same(SensorReading a, SensorReading b) {
        return b != null
                && Objects.equals(a.tvoc(), b.tvoc())
                && Objects.equals(a.temperatureC(), b.temperatureC())
                && Objects.equals(a.humidityPercent(), b.humidityPercent());
    }

    private void write(long sensor, Map<Long, SensorReading> good, List<Long> changed) {
        batches.batchUpdate(
                "merge into sensor_reading (sensor_id, at_s, tvoc, temperature_c, humidity_percent) key (sensor_id, "
                        + "at_s) values (?, ?, ?, ?, ?)",
                changed.stream()
                        .map(at -> new Object[] {
                            sensor,
                            at,
                            good.get(at).tvoc(),
                            good.get(at).temperatureC(),
                            good.get(at).humidityPercent()
                        })
                        .toList());
    }

    /** Sums anew the quarters, hours and days that were touched. */
    private void follow(long sensor, List<Long> changed) {
        sum(
                sensor,
                changed,
                QUARTER,
                "sensor_reading",
                "count(*)",
                "max(tvoc)",
                "min(temperature_c)",
                "max(temperature_c)",
                "");
        sum(
                sensor,
                changed,
                HOUR,
                "sensor_rollup",
                "sum(n)",
                "max(tvoc_max)",
                "min(temperature_min)",
                "max(temperature_max)",
                " and span_s = " + QUARTER);
        sum(
                sensor,
                changed,
                DAY,
                "sensor_rollup",
                "sum(n)",
                "max(tvoc_max)",
                "min(temperature_min)",
                "max(temperature_max)",
                " and span_s = " + HOUR);
    }

    private void sum(
            long sensor,
            List<Long> changed,
            int span,
            String from,
            String n,
            String tvocMax,
            String low,
            String high,
            String which) {
        TreeSet<Long> buckets = new TreeSet<>();
        changed.forEach(at -> buckets.add(Math.floorDiv(at, span) * span));
        String each = "merge into sensor_rollup (sensor_id, span_s, at_s, n, tvoc, tvoc_max, temperature_c, "
                + "temperature_min, temperature_max, humidity_percent) key (sensor_id, span_s, at_s) "
                + "select sensor_id, " + span + ", at_s / " + span + " * " + span + ", " + n + ", avg(tvoc), "
                + tvocMax + ", avg(temperature_c), " + low + ", " + high + ", avg(humidity_percent) from "
                + from
                + " where sensor_id = ? and at_s >= ? and at_s < ?" + which + " group by sensor_id, at_s / "
                + span + " * " + span;
        if (buckets.size() > MANY_BUCKETS) {
            batches.update(each, sensor, buckets.first(), buckets.last() + span);
        } else {
            batches.batchUpdate(
                    each,
                    buckets.stream()
                            .map(b -> new Object[] {sensor, b, b + span})
                            .toList());
        }
    }

    List<SensorReading> raw(long sensor, long fromS, long toS) {
        return jdbc.sql("select at_s, tvoc, temperature_c, humidity_percent from sensor_reading where sensor_id = ? "
                        + "and at_s >= ? and at_s < ? order by at_s")
                .params(sensor, fromS, toS)
                .query((row, i) -> new SensorReading(
                        Instant.ofEpochSecond(row.getLong(1)),
                        row.getObject(2, Double.class),
                        row.getObject(3, Double.class),
                        row.getObject(4, Double.class)))
                .list();
    }

    /** A point of a series: means over its span, with the extremes; a raw one has itself as its extremes. */
    public record Point(
            Instant at,
            Double tvoc,
            Double tvocMax,
            Double temperatureC,
            Double temperatureMin,
            Double temperatureMax,
            Double humidityPercent) {}

    /** @param spanS seconds that a point stands for */
    public record Series(int spanS, List<Point> points) {}

    /**
     * Of the sensors of a room the one that is asked for, or else the first that said something in that time: one that
     * died does not hide the one that came after it.
     */
    private Optional<Long> heard(String room, String asked, Instant from, Instant to) {
        return jdbc.sql(
                        """
                select s.id from sensor s join room r on r.id = s.room_id where r.code = :room order by case
                when s.code = :asked then 0 else 1 end,
                  case when exists (select 1 from sensor_reading x where x.sensor_id = s.id and x.at_s >= :from
                  and x.at_s < :to) then 0 else 1 end, s.id fetch first row only""")
                .param("room", room)
                .param("asked", asked == null ? "" : asked)
                .param("from", from.getEpochSecond())
                .param("to", to.getEpochSecond())
                .query(Long.class)
                .optional();
    }

    /**
     * A span of time in at most some hundred points, from the raw readings or their sums; {@code asked} is the code of
     * a sensor of the room, null for the first that said something.
     */
    @Transactional(readOnly = true)
    public Series series(String room, String asked, Instant from, Instant to) {
        Long sensor = heard(room, asked, from, to).orElse(null);
        long seconds = to.getEpochSecond() - from.getEpochSecond();
        int span = seconds <= 60L * MOST_POINTS
                ? 60
                : seconds <= (long) QUARTER * MOST_POINTS ? QUARTER : seconds <= (long) HOUR * MOST_POINTS ? HOUR : DAY;
        if (sensor == null) {
            return new Series(span, List.of());
        }
        if (span == 60) {
            return new Series(
                    span,
                    raw(sensor, from.getEpochSecond(), to.getEpochSecond()).stream()
                            .map(r -> new Point(
                                    r.at(),
                                    r.tvoc(),
                                    r.tvoc(),
                                    r.temperatureC(),
                                    r.temperatureC(),
                                    r.temperatureC(),
                                    r.humidityPercent()))
                            .toList());
        }
        return new Series(
                span,
                jdbc.sql(
                                """
                select at_s, tvoc, tvoc_max, temperature_c, temperature_min, temperature_max, humidity_percent
                from sensor_rollup
                where sensor_id = ? and span_s = ? and at_s >= ? and at_s < ? order by at_s""")
                        .params(sensor, span, from.getEpochSecond() / span * span, to.getEpochSecond())
                        .query((row, i) -> new Point(
                                Instant.ofEpochSecond(row.getLong(1)),
                                row.getObject(2, Double.class),
                                row.getObject(3, Double.class),
                                row.getObject(4, Double.class),
                                row.getObject(5, Double.class),
                                row.getObject(6, Double.class),
                                row.getObject(7, Double.class)))
                        .list());
    }

    /** Readings of the first sensor of a room that said something, minute by minute, within hours. */
    @Transactional(readOnly = true)
    public List<SensorReading> minutes(String room, Instant from, Instant to) {
        return heard(room, null, from, to)
                .map(s -> raw(s, from.getEpochSecond(), to.getEpochSecond()))
                .orElse(List.of());
    }

    /** Readings since a moment of the first sensor of each room that said something, by the room's code. */
    @Transactional(readOnly = true)
    public Map<String, List<SensorReading>> lately(Instant since) {
        Map<String, List<SensorReading>> all = new LinkedHashMap<>();
        Map<String, Long> first = new HashMap<>();
        jdbc.sql(
                        """
                select r.code, x.at_s, x.tvoc, x.temperature_c, x.humidity_percent, s.id from sensor s join room r
                on r.id = s.room_id
                join sensor_reading x on x.sensor_id = s.id and x.at_s >= ? order by s.id, x.at_s""")
                .param(since.getEpochSecond())
                .query(row -> {
                    long sensor = row.getLong(6);
                    if (first.computeIfAbsent(row.getString(1), c -> sensor) == sensor) {
                        all.computeIfAbsent(row.getString(1), c -> new ArrayList<>())
                                .add(new SensorReading(
                                        Instant.ofEpochSecond(row.getLong(2)),
                                        row.getObject(3, Double.class),
                                        row.getObject(4, Double.class),
                                        row.getObject(5, Double.class)));
                    }
                });
        return all;
    }

    @Transactional(readOnly = true)
    public List<Sensor> all() {
        return jdbc.sql("select s.id, s.code, r.code, r.name, (select max(x.at_s) from sensor_reading x where "
                        + "x.sensor_id = s.id) from sensor s left join room r on r.id = s.room_id order by s.code")
                .query((row, i) -> new Sensor(
                        row.getLong(1),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getObject(5) == null ? null : Instant.ofEpochSecond(row.getLong(5))))
                .list();
    }

    /** Says in which room it hangs; blank for none. */
    public void place(String code, String room) {
        Actor.require(Role.KEEPER);
        Long id = room == null || room.isBlank() ? null : Long.valueOf(fleet.roomId(room));
        if (jdbc.sql("update sensor set room_id = ? where code = ?")
                        .params(id, code)
                        .update()
                == 0) {
            throw new NotThere("There is no sensor " + code + ".");
        }
    }
}
