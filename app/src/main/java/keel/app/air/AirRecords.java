package keel.app.air;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AirRecords extends JpaRepository<RoomAirRecord, Long> {

    /** A room in use with its latest reading by hand and its first sensor, null where there is none. */
    record Latest(
            String code,
            String name,
            Double typedC,
            Double typedPercent,
            Instant typedAt,
            Double sensedC,
            Double sensedPercent,
            Long sensedAtS) {}

    @Query(
            """
            select r.code, r.name, x.temperatureC, x.humidityPercent, x.at, s.lastTemperatureC, s.lastHumidityPercent,
            s.lastS from RoomCard r
            left join RoomLastRead l on l.roomId = r.id left join RoomReading x on x.id = l.readingId
            left join SensorRecord s on s.id = (select min(w.id) from SensorRecord w where w.roomId = r.id)
            where r.retiredAt is null order by r.name""")
    List<Latest> latest();

    /** A room in use with what was described of it and its latest real change rate, null where nothing was. */
    record Room(long id, String code, String name, RoomAirRecord air, Double measured) {}

    @Query(
            """
            select r.id, r.code, r.name, a, (select max(d.changesPerHour) from AirDecay d where d.roomId = r.id
            and d.at = (select max(x.at) from AirDecay x where x.roomId = r.id and x.changesPerHour is not null))
            from RoomCard r left join RoomAirRecord a on a.roomId = r.id
            where r.retiredAt is null order by r.name""")
    List<Room> rooms();

    /** What was described of each room in use. */
    record Limits(String code, String name, RoomAirRecord air) {}

    @Query(
            """
            select r.code, r.name, a from RoomCard r left join RoomAirRecord a on a.roomId = r.id
            where r.retiredAt is null order by r.name""")
    List<Limits> limits();

    @Query("select a.path from RoomAirRecord a join RoomCard r on r.id = a.roomId where r.code = ?1 "
            + "and a.path is not null")
    Optional<String> path(String room);

    /** A change rate of a room; null with a reason where the fall told nothing. */
    record Rate(String room, Instant at, Double changesPerHour, Double low, Double high, String why) {}

    @Query(
            """
            select r.code, d.at, d.changesPerHour, d.low, d.high, d.why from AirDecay d join RoomCard r
            on r.id = d.roomId where d.at >= ?1 order by d.at""")
    List<Rate> rates(Instant since);

    @Query("select d.at from AirDecay d where d.roomId = ?1")
    List<Instant> known(long room);

    /** A fan was switched. */
    record Switched(long roomId, String room, Instant at, boolean running) {}

    @Query("select f.roomId, r.code, f.at, f.running from FanSwitch f join RoomCard r on r.id = f.roomId "
            + "order by f.at, f.id")
    List<Switched> switches();

    @Query(
            """
            select w.at from WashBegun w where w.at >= ?2 and w.at < ?3 and exists (select 1 from RoomAirRecord a
            join RoomCard r on r.id = a.roomId where r.code = ?1 and a.washes) order by w.at""")
    List<Instant> washes(String room, Instant from, Instant to);

    /** A run that went on in a room. */
    record Ran(String machine, String job, Instant startedAt, Instant endedAt) {}

    @Query(
            """
            select m.name, r.job, r.startedAt, r.endedAt from RunFact r join MachineCard m on m.id = r.machineId
            where m.roomCode = ?1 and r.startedAt < ?3 and r.startedAt >= ?4
            and (r.endedAt is null or r.endedAt > ?2) order by m.name, r.startedAt""")
    List<Ran> runs(String room, Instant from, Instant to, Instant startedSince);
}
