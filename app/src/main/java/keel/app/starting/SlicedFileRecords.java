package keel.app.starting;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SlicedFileRecords extends JpaRepository<SlicedFile, String> {

    /** The latest first; {@code like} in lower case, or empty for all. */
    @Query(
            """
            select f.hash, f.name, f.checkedAt, f.keptBytes, p.name from SlicedFile f
            join PersonName p on p.id = f.personId where lower(f.name) like concat('%', ?1, '%') escape '\\'
            order by f.checkedAt desc, f.hash""")
    List<FileBrief> latest(String like, Limit most);

    /** Those that are kept, the one that was not used for longest first. */
    @Query("select f from SlicedFile f where f.keptBytes is not null order by coalesce(f.usedAt, f.checkedAt)")
    List<SlicedFile> kept();

    @Query("select coalesce(sum(f.keptBytes), 0) from SlicedFile f")
    long keptBytes();

    @Query("select p.name from PersonName p where p.id = ?1")
    Optional<String> person(long id);

    /** The latest first. */
    @Query(
            """
            select r.id, m.name, r.job, r.startedAt, r.cameOut, case when r.endedAt is null then true else false end
            from RunFile x join RunFact r on r.id = x.runId join MachineCard m on m.id = r.machineId
            where x.hash = ?1 order by r.startedAt desc""")
    List<FilePrint> prints(String hash);
}
