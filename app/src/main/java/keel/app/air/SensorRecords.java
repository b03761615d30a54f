package keel.app.air;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface SensorRecords extends JpaRepository<SensorRecord, Long> {

    Optional<SensorRecord> findByCode(String code);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select s from SensorRecord s where s.id = ?1")
    SensorRecord locked(long id);

    /** A sensor with its room, null where nobody has placed it. */
    record Placed(SensorRecord sensor, String room, String roomName) {}

    @Query("select s, r.code, r.name from SensorRecord s left join RoomCard r on r.id = s.roomId order by s.code")
    List<Placed> placed();

    /** Code of the room, where parts are washed in it. */
    @Query(
            """
            select r.code from SensorRecord s join RoomCard r on r.id = s.roomId join RoomAirRecord a on a.roomId = r.id
            where s.id = ?1 and a.washes""")
    Optional<String> washRoom(long sensor);

    @Query(
            """
            select s.id from SensorRecord s join RoomCard r on r.id = s.roomId where r.code = ?1
            order by case when s.code = ?2 then 0 else 1 end,
            case when exists (select 1 from SensorReadingRecord x where x.sensorId = s.id and x.atS >= ?3
            and x.atS < ?4) then 0 else 1 end, s.id""")
    List<Long> heard(String room, String asked, long fromS, long toS, Limit most);

    @Query(
            """
            select x from SensorReadingRecord x where x.sensorId = ?1 and x.atS >= ?2 and x.atS < ?3 order by x.atS""")
    List<SensorReadingRecord> raw(long sensor, long fromS, long toS);

    @Query(
            """
            select x from SensorRollup x where x.sensorId = ?1 and x.spanS = ?2 and x.atS >= ?3 and x.atS < ?4
            order by x.atS""")
    List<SensorRollup> sums(long sensor, int spanS, long fromS, long toS);

    @Query("select x from SensorReadingRecord x where x.sensorId = ?1 order by x.atS desc")
    List<SensorReadingRecord> newest(long sensor, Limit most);

    /** What a sensor said last, as it is kept. */
    record Last(String code, Long lastS, Double temperatureC, Double humidityPercent) {}

    @Query("select s.code, s.lastS, s.lastTemperatureC, s.lastHumidityPercent from SensorRecord s")
    List<Last> last();

    /** A sum of readings, as it is kept. */
    record Sum(
            long sensor,
            int spanS,
            long atS,
            int n,
            Double tvoc,
            Double tvocMax,
            Double temperatureC,
            Double temperatureMin,
            Double temperatureMax,
            Double humidityPercent) {}

    @Query(
            """
            select x.sensorId, x.spanS, x.atS, x.n, x.tvoc, x.tvocMax, x.temperatureC, x.temperatureMin,
            x.temperatureMax, x.humidityPercent from SensorRollup x""")
    List<Sum> allSums();

    /** A reading and the room that it is of. */
    record InRoom(long sensor, String room, SensorReadingRecord reading) {}

    @Query(
            """
            select s.id, r.code, x from SensorRecord s join RoomCard r on r.id = s.roomId
            join SensorReadingRecord x on x.sensorId = s.id and x.atS >= ?1 where s.lastS >= ?1 order by s.id, x.atS""")
    List<InRoom> since(long fromS);
}
