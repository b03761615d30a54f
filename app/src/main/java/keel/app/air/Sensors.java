package keel.app.air;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.air.SensorReading;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
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

    private static final int MOST_POINTS = 900;
    private static final String CODE = "[A-Za-z0-9][A-Za-z0-9._-]{0,39}";

    private final Fleet fleet;
    private final SensorRecords records;
    private final SensorSums sums;
    private final FirstHeard firstHeard;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Sensors(
            Fleet fleet,
            SensorRecords records,
            SensorSums sums,
            FirstHeard firstHeard,
            ApplicationEventPublisher events,
            Clock clock) {
        this.events = events;
        this.fleet = fleet;
        this.records = records;
        this.sums = sums;
        this.firstHeard = firstHeard;
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
        SensorRecord sensor = records.locked(idOf(code));
        Map<Long, SensorReading> changed = changed(sensor.id, good);
        sums.write(sensor.id, changed);
        SensorReading newest = Collections.max(good.values(), Comparator.comparing(SensorReading::at));
        if (sensor.lastS == null || newest.at().getEpochSecond() >= sensor.lastS) {
            sensor.hears(newest);
        }
        events.publishEvent(new Heard(sensor.id, newest.at().truncatedTo(ChronoUnit.SECONDS)));
        return new Taken(code, changed.size(), good.size() - changed.size(), refused);
    }

    /** A sensor that is new is taken in at once, so that two readings of it at the same time find the same. */
    private long idOf(String code) {
        return records.findByCode(code).orElseGet(() -> firstHeard.of(code)).id;
    }

    /** Those that are not there already just as they are. */
    private Map<Long, SensorReading> changed(long sensor, Map<Long, SensorReading> good) {
        long from = good.keySet().stream().mapToLong(Long::longValue).min().orElseThrow();
        long to = good.keySet().stream().mapToLong(Long::longValue).max().orElseThrow();
        Map<Long, SensorReading> there = new LinkedHashMap<>();
        if (to - from <= 60L * MOST_AT_ONCE) {
            raw(sensor, from, to + 1).forEach(r -> there.put(r.at().getEpochSecond(), r));
        }
        Map<Long, SensorReading> changed = new LinkedHashMap<>(good);
        changed.entrySet().removeIf(e -> same(e.getValue(), there.get(e.getKey())));
        return changed;
    }

    private static boolean same(SensorReading a, SensorReading b) {
        return b != null
                && Objects.equals(a.tvoc(), b.tvoc())
                && Objects.equals(a.temperatureC(), b.temperatureC())
                && Objects.equals(a.humidityPercent(), b.humidityPercent());
    }

    List<SensorReading> raw(long sensor, long fromS, long toS) {
        return records.raw(sensor, fromS, toS).stream()
                .map(SensorReadingRecord::reading)
                .toList();
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
        return records
                .heard(room, asked == null ? "" : asked, from.getEpochSecond(), to.getEpochSecond(), Limit.of(1))
                .stream()
                .findFirst();
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
                : seconds <= (long) SensorSums.QUARTER * MOST_POINTS
                        ? SensorSums.QUARTER
                        : seconds <= (long) SensorSums.HOUR * MOST_POINTS ? SensorSums.HOUR : SensorSums.DAY;
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
                records.sums(sensor, span, from.getEpochSecond() / span * span, to.getEpochSecond()).stream()
                        .map(SensorRollup::point)
                        .toList());
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
        Map<String, Long> first = new HashMap<>();
        Map<String, List<SensorReading>> all = new LinkedHashMap<>();
        for (SensorRecords.InRoom in : records.since(since.getEpochSecond())) {
            if (first.computeIfAbsent(in.room(), room -> in.sensor()) == in.sensor()) {
                all.computeIfAbsent(in.room(), room -> new ArrayList<>())
                        .add(in.reading().reading());
            }
        }
        return all;
    }

    @Transactional(readOnly = true)
    public List<Sensor> all() {
        return records.placed().stream()
                .map(p -> new Sensor(
                        p.sensor().id,
                        p.sensor().code,
                        p.room(),
                        p.roomName(),
                        p.sensor().lastS == null ? null : Instant.ofEpochSecond(p.sensor().lastS)))
                .toList();
    }

    /** Says in which room it hangs; blank for none. */
    public void place(String code, String room) {
        Actor.require(Role.KEEPER);
        Long id = room == null || room.isBlank() ? null : Long.valueOf(fleet.roomId(room));
        records.findByCode(code).orElseThrow(() -> new NotThere("There is no sensor " + code + ".")).roomId = id;
    }
}
