package keel.app.floor.patterns;

import java.time.Instant;
import java.util.List;
import keel.app.fleet.ComponentKind;
import keel.core.run.Detail;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PatternRecords extends JpaRepository<PatternSaid, Long> {

    /** A print that ended. */
    record Ended(
            long id,
            long machine,
            String job,
            Instant startedAt,
            boolean cameOut,
            Long profileVersion,
            Long againOf,
            Detail detail,
            Instant endedAt,
            Double hours) {}

    @Query(
            """
            select r.id, r.machineId, r.job, r.startedAt, r.cameOut, r.profileVersionId, r.againOf, r.detail,
            r.endedAt, r.hours
            from RunFact r where r.endedAt is not null and r.startedAt >= ?1 and r.startedAt < ?2
            order by r.startedAt, r.id""")
    List<Ended> ended(Instant from, Instant to);

    /** A machine, those that left the shop too. */
    record Machine(long id, String code, String name, String model, long roomId, String room, String roomName) {}

    @Query("select m.id, m.code, m.name, m.modelName, m.roomId, m.roomCode, m.roomName from MachineCard m")
    List<Machine> machines();

    /** A version of settings, and the resin that it is for. */
    record Version(long id, int number, String resin, String resinName) {}

    @Query("select v.id, v.number, r.code, r.name from ProfileMade v join ResinCard r on r.id = v.resinId")
    List<Version> versions();

    /** A film or screen on a machine; pack is null where it came from none. */
    record Fitted(long machine, ComponentKind kind, String code, String pack, Instant since, Instant until) {}

    @Query(
            """
            select p.machineId, p.kind, c.code, k.code, p.since, p.until
            from PartOnMachine p join PartCard c on c.id = p.partId left join FilmPackCard k on k.id = c.packId
            where p.kind in (keel.app.fleet.ComponentKind.FILM, keel.app.fleet.ComponentKind.SCREEN)
            and p.until > ?1 and p.since < ?2 order by p.since""")
    List<Fitted> fitted(Instant from, Instant to);

    /** A bottle that was poured into the vat of a machine. */
    record Poured(long machine, Instant at, String bottle) {}

    @Query(
            """
            select x.machineId, p.at, b.code from PourMade p join PartOnMachine x on x.partId = p.vatId
            and x.since <= p.at and x.until > p.at join BottleCard b on b.id = p.bottleId
            where p.at >= ?1 and p.at < ?2 and p.ml > 0 order by p.at""")
    List<Poured> poured(Instant from, Instant to);

    /** How warm a room was in an hour. */
    record Hour(long room, long atS, double celsius) {}

    @Query("select x.roomId, x.atS, x.temperatureC from RoomHour x where x.atS >= ?1 and x.atS < ?2")
    List<Hour> hours(long fromS, long toS);

    /** The cause of a run's failure. */
    record Cause(long run, String cause) {}

    @Query(
            """
            select f.runId, max(f.cause) from FailureSeen f
            where f.runId is not null and f.cause is not null and f.seenAt >= ?1 group by f.runId""")
    List<Cause> causes(Instant since);

    /** How many prints were lost of which nobody logged what was seen. */
    @Query(
            """
            select count(r.id) from RunFact r where r.cameOut = false and r.endedAt is not null and r.startedAt >= ?1
            and not exists (select f.id from FailureSeen f where f.runId = r.id)""")
    long lostNotLogged(Instant from);

    @Query("select count(f.id) from FailureSeen f where f.cause is null and f.seenAt >= ?1")
    long withoutCause(Instant from);

    /** Runs whose file was read before. */
    @Query("select x.runId from FileOfRun x join RunFact r on r.id = x.runId where r.startedAt >= ?1")
    List<Long> withFile(Instant since);

    /** What was said last of each pattern. */
    record Last(String pattern, Verdict said, String reason, Instant at, String person) {}

    @Query(
            """
            select s.pattern, s.said, s.reason, s.at, p.name from PatternSaid s join PersonName p on p.id = s.personId
            where s.id in (select max(x.id) from PatternSaid x group by x.pattern)""")
    List<Last> last();
}
