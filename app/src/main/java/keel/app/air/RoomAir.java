package keel.app.air;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Remembered;
import keel.app.base.Seen;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.air.FanLog;
import keel.core.air.RateTrend;
import keel.core.air.SensorReading;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is known of each room's air: its size, what it should be like, what was planned, whether its fan runs, and
 * whether something has been wrong for a while.
 */
@Service
@Transactional
public class RoomAir {

    /** So far back change rates are looked at and compared. */
    public static final Duration LOOKED_BACK = Duration.ofDays(60);

    public static final double TVOC_LIMIT_PPB = 500;
    private static final String VAPOUR = "vapour";

    private static final Duration WATCHED = Duration.ofMinutes(60);
    private static final int MINUTES_ABOVE = 15;

    private final Air air;
    private final Sensors sensors;
    private final Fleet fleet;
    private final Logbook logbook;
    private final Remembered<Map<String, FanLog>> fans = new Remembered<>();
    private final Remembered<Map<String, List<RateTrend.Rate>>> decays = new Remembered<>();
    private final AirRecords records;
    private final EntityManager entities;
    private final Clock clock;

    RoomAir(
            Air air,
            Sensors sensors,
            Fleet fleet,
            Logbook logbook,
            AirRecords records,
            EntityManager entities,
            Clock clock) {
        this.air = air;
        this.sensors = sensors;
        this.fleet = fleet;
        this.logbook = logbook;
        this.records = records;
        this.entities = entities;
        this.clock = clock;
    }

    /**
     * A room as somebody described it; what is not known is null.
     *
     * @param washes whether parts are washed in it
     * @param lowC coldest it should be, {@code highC} the warmest
     * @param openings windows, doors, vents, in words
     */
    public record Described(
            Double volumeM3,
            Double mixingFactor,
            Double lowC,
            Double highC,
            String openings,
            boolean washes,
            Double tvocLimitPpb) {

        Findings findings() {
            Findings findings = new Findings();
            findings.rangeIfGiven(volumeM3, 1, 100_000, "volumeM3", "The volume", "m³");
            findings.rangeIfGiven(mixingFactor, 1, 10, "mixingFactor", "The mixing factor", "");
            findings.rangeIfGiven(lowC, -20, 50, "lowC", "The coldest", "°C");
            findings.rangeIfGiven(highC, -20, 60, "highC", "The warmest", "°C");
            findings.rangeIfGiven(tvocLimitPpb, 1, 1_000_000, "tvocLimitPpb", "The limit", "ppb");
            findings.when(
                    lowC != null && highC != null && lowC > highC, "highC", "The warmest lies below the coldest.");
            findings.when(
                    openings != null && openings.length() > 200,
                    "openings",
                    "The openings may have 200 characters at most.");
            return findings;
        }
    }

    /**
     * A room as it is now.
     *
     * @param plannedChanges air changes an hour by its plan, {@code measured} the latest by readings; null if not known
     * @param fanRunning null if nobody ever said; {@code fanSince} likewise
     * @param alarms what has been wrong for a while, in sentences
     */
    public record RoomView(
            String code,
            String name,
            Double temperatureC,
            Double humidityPercent,
            Instant readAt,
            Double tvocPpb,
            Described room,
            Double plannedChanges,
            Double measured,
            Boolean fanRunning,
            Instant fanSince,
            List<String> sensors,
            List<String> machines,
            List<String> alarms) {}

    private record RoomRow(
            String name, Described room, Double planned, Double measured, Boolean fan, Instant fanSince) {}

    /** Of every room in use, by name. */
    @Transactional(readOnly = true)
    public List<RoomView> all() {
        Map<String, RoomRow> rows = rows();
        List<Sensors.Sensor> hung = sensors.all();
        Map<String, List<SensorReading>> hour = sensors.lately(clock.instant().minus(WATCHED));
        List<Fleet.MachineView> machines = fleet.machines();
        return air.rooms().stream()
                .map(r -> {
                    RoomRow row = rows.get(r.code());
                    List<SensorReading> lately = hour.getOrDefault(r.code(), List.of());
                    return new RoomView(
                            r.code(),
                            r.name(),
                            r.temperatureC(),
                            r.humidityPercent(),
                            r.at(),
                            lately.isEmpty()
                                    ? null
                                    : lately.get(lately.size() - 1).tvoc(),
                            row.room(),
                            row.planned(),
                            row.measured(),
                            row.fan(),
                            row.fanSince(),
                            hung.stream()
                                    .filter(s -> r.code().equals(s.room()))
                                    .map(Sensors.Sensor::code)
                                    .toList(),
                            machines.stream()
                                    .filter(m -> !m.retired() && r.code().equals(m.room()))
                                    .map(m -> m.code())
                                    .toList(),
                            alarms(row.room(), lately));
                })
                .toList();
    }

    private Map<String, RoomRow> rows() {
        Map<Long, AirRecords.Switched> fans = records.switches().stream()
                .collect(Collectors.toMap(AirRecords.Switched::roomId, Function.identity(), (a, b) -> b));
        Map<String, RoomRow> rows = new LinkedHashMap<>();
        for (AirRecords.Room room : records.rooms()) {
            RoomAirRecord air = room.air() == null ? new RoomAirRecord() : room.air();
            AirRecords.Switched fan = fans.get(room.id());
            rows.put(
                    room.code(),
                    new RoomRow(
                            room.name(),
                            air.described(),
                            air.plannedChanges,
                            room.measured(),
                            fan == null ? null : fan.running(),
                            fan == null ? null : fan.at()));
        }
        return rows;
    }

    /**
     * What has been wrong for a while in a room.
     *
     * @param breathed whether it is vapour, which people breathe
     */
    public record Alarm(String room, String name, String what, boolean breathed) {}

    /** Of all rooms, in two statements. */
    @Transactional(readOnly = true)
    public List<Alarm> alarms() {
        Map<String, List<SensorReading>> hour = sensors.lately(clock.instant().minus(WATCHED));
        List<Alarm> all = new ArrayList<>();
        for (AirRecords.Limits room : records.limits()) {
            Described described = (room.air() == null ? new RoomAirRecord() : room.air()).described();
            alarms(described, hour.getOrDefault(room.code(), List.of()))
                    .forEach(a -> all.add(new Alarm(room.code(), room.name(), a, a.contains(VAPOUR))));
        }
        return all;
    }

    /** By time above a limit within the last hour, not by single readings. */
    private static List<String> alarms(Described room, List<SensorReading> lately) {
        List<String> alarms = new ArrayList<>();
        double limit = room.tvocLimitPpb() == null ? TVOC_LIMIT_PPB : room.tvocLimitPpb();
        above(
                lately.stream()
                        .filter(r -> r.tvoc() != null && r.tvoc() > limit)
                        .count(),
                String.format(Locale.ROOT, VAPOUR + " above %.0f ppb", limit),
                alarms);
        if (room.lowC() != null) {
            above(
                    lately.stream()
                            .filter(r -> r.temperatureC() != null && r.temperatureC() < room.lowC())
                            .count(),
                    String.format(Locale.ROOT, "colder than %.0f °C", room.lowC()),
                    alarms);
        }
        if (room.highC() != null) {
            above(
                    lately.stream()
                            .filter(r -> r.temperatureC() != null && r.temperatureC() > room.highC())
                            .count(),
                    String.format(Locale.ROOT, "warmer than %.0f °C", room.highC()),
                    alarms);
        }
        return alarms;
    }

    private static void above(long minutes, String what, List<String> alarms) {
        if (minutes >= MINUTES_ABOVE) {
            alarms.add(minutes + " of the last 60 minutes " + what);
        }
    }

    /** @throws NotThere if there is no such room in use */
    @Transactional(readOnly = true)
    public RoomView one(String code) {
        return all().stream()
                .filter(r -> r.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no room called " + code + "."));
    }

    public void describe(String code, Described d) {
        describe(code, d, Seen.NOTHING);
    }

    /** @throws keel.app.base.EditedMeanwhile if somebody else changed it since it was seen */
    public void describe(String code, Described d, Seen seen) {
        Actor.require(Role.KEEPER);
        Refused.unless(d.findings());
        one(code);
        RoomAirRecord room = record(fleet.roomId(code));
        seen.check("room", stands(room.described()));
        room.take(d);
    }

    /** How a room is described, in the words of its form. */
    public static Map<String, Object> stands(Described room) {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Volume, m³", room.volumeM3());
        stands.put("Mixing factor", room.mixingFactor());
        stands.put("Coldest, °C", room.lowC());
        stands.put("Warmest, °C", room.highC());
        stands.put("Openings", room.openings());
        stands.put("Parts are washed in it", room.washes() ? "yes" : "no");
        stands.put("Vapour limit, ppb", room.tvocLimitPpb());
        return stands;
    }

    private RoomAirRecord record(long room) {
        return records.findById(room).orElseGet(() -> {
            RoomAirRecord air = new RoomAirRecord();
            air.roomId = room;
            entities.persist(air);
            return air;
        });
    }

    /** Keeps a plan: what is in the path, as it was typed, and the changes an hour that follow. */
    public void plan(String code, String path, double changesPerHour) {
        Actor actor = Actor.require(Role.KEEPER);
        RoomView view = one(code);
        long room = fleet.roomId(code);
        RoomAirRecord air = record(room);
        air.path = path;
        air.plannedChanges = changesPerHour;
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "SHOP",
                room,
                clock.instant(),
                String.format(
                        Locale.ROOT,
                        "%s: an air path is planned for %.1f changes an hour.",
                        view.name(),
                        changesPerHour),
                Map.of("room", code),
                actor));
    }

    @Transactional(readOnly = true)
    public Optional<String> path(String code) {
        return records.path(code);
    }

    /** A fan was switched on or off. */
    public void fan(String code, boolean running) {
        Actor actor = Actor.current();
        RoomView view = one(code);
        FanSwitch fan = new FanSwitch();
        fan.roomId = fleet.roomId(code);
        fan.at = clock.instant();
        fan.running = running;
        fan.personId = actor.personId();
        entities.persist(fan);
        fans.forgetAfterwards();
        logbook.write(LogDraft.of(
                LogKind.FAN,
                null,
                "SHOP",
                fleet.roomId(code),
                clock.instant(),
                view.name() + ": the fan is " + (running ? "on." : "off."),
                Map.of("room", code, "running", running),
                actor));
    }

    /** When the fans were switched, by room. */
    @Transactional(readOnly = true)
    public Map<String, FanLog> fanLogs() {
        return fans.get(this::fansSwitched);
    }

    private Map<String, FanLog> fansSwitched() {
        return records.switches().stream()
                .collect(Collectors.groupingBy(
                        AirRecords.Switched::room,
                        Collectors.collectingAndThen(
                                Collectors.mapping(f -> new FanLog.Switch(f.at(), f.running()), Collectors.toList()),
                                FanLog::new)));
    }

    /** Real change rates of the last weeks, by room, oldest first. */
    @Transactional(readOnly = true)
    public Map<String, List<RateTrend.Rate>> rates() {
        return decays.get(() -> rates(clock.instant().minus(LOOKED_BACK)));
    }

    /** To be called where a fall after a wash was looked at. */
    public void rateFound() {
        decays.forgetAfterwards();
    }

    private Map<String, List<RateTrend.Rate>> rates(Instant since) {
        return records.rates(since).stream()
                .filter(r -> r.changesPerHour() != null)
                .collect(Collectors.groupingBy(
                        AirRecords.Rate::room,
                        Collectors.mapping(r -> new RateTrend.Rate(r.at(), r.changesPerHour()), Collectors.toList())));
    }

    /** When prints were first put into a bath, where this room is the wash place; otherwise none. */
    @Transactional(readOnly = true)
    public List<Instant> washes(String room, Instant from, Instant to) {
        return records.washes(room, from, to);
    }
}
