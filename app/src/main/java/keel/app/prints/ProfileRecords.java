package keel.app.prints;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ProfileRecords extends JpaRepository<Profile, Long> {

    Optional<Profile> findByMachineIdAndResinId(Long machineId, Long resinId);

    /** The version in force of a resin on a machine. */
    record Latest(String resin, String name, ProfileVersion version) {}

    @Query(
            """
            select r.code, r.name, v from Profile p join ResinCard r on r.id = p.resinId
            join ProfileVersion v on v.profileId = p.id
            and v.number = (select max(x.number) from ProfileVersion x where x.profileId = p.id)
            where p.machineId = ?1 order by r.name""")
    List<Latest> latest(long machine);

    /** Versions of profiles on machines of the same model, those of the same resin first, then of the same machine. */
    @Query(
            """
            select v from Profile p join ProfileVersion v on v.profileId = p.id join ResinCard r on r.id = p.resinId
            join MachineCard m on m.id = p.machineId
            where m.modelId = (select x.modelId from MachineCard x where x.code = ?1)
            order by case when r.code = ?2 then 0 when m.code = ?1 then 1 else 2 end, v.madeAt desc""")
    List<ProfileVersion> toStartFrom(String machine, String resin, Limit most);

    @Query(
            """
            select q.resinId from PourMade q join PartPlace f on f.partId = q.vatId and f.machineId = ?1
            and f.since <= ?2 and f.until > ?2 where q.at <= ?2 order by q.at desc, q.id desc""")
    List<Long> resinsAt(long machine, Instant at, Limit most);

    /** Which version, of which resin. */
    record VersionRef(long id, int number, String resin) {}

    @Query(
            """
            select v.id, v.number, r.code from Profile p join ResinCard r on r.id = p.resinId
            join ProfileVersion v on v.profileId = p.id
            where p.machineId = ?1 and p.resinId = ?2 and v.madeAt <= ?3 order by v.number desc""")
    List<VersionRef> versions(long machine, long resin, Instant at, Limit most);

    @Query(
            """
            select v.number, sum(case when r.cameOut then 1 else 0 end), count(r.id)
            from ProfileVersion v join Run r on r.profileVersionId = v.id and r.endedAt is not null and not r.withdrawn
            where v.profileId = ?1 group by v.number""")
    List<Fared> fared(long profile);

    /** How prints with a version fared. */
    record Fared(int number, long cameOut, long prints) {}

    /** A resin by its code. */
    record ResinRef(long id, String code, String name) {}

    @Query("select r.id, r.code, r.name from ResinCard r where r.code = ?1")
    Optional<ResinRef> resin(String code);

    @Query("select p.id, p.name from PersonName p")
    List<Who> people();

    /** Who somebody is. */
    record Who(long id, String name) {}
}
