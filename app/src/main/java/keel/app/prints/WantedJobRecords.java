package keel.app.prints;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface WantedJobRecords extends JpaRepository<WantedJob, Long> {

    @Query("select j from WantedJob j left join fetch j.models where j.closedAt is null order by j.askedAt, j.id")
    List<WantedJob> open();

    @Query("select j from WantedJob j where j.closedAt is not null order by j.closedAt desc, j.id desc")
    List<WantedJob> closed(Limit most);

    /** A run of a job, as far as a job that waits asks for it. */
    record Ran(String key, long id, Instant startedAt, boolean open, Boolean cameOut) {}

    /** In the order in which they began. */
    @Query(
            """
            select r.jobKey, r.id, r.startedAt, case when r.endedAt is null then true else false end, r.cameOut
            from RunFact r where r.jobKey in ?1 and r.startedAt >= ?2 order by r.startedAt, r.id""")
    List<Ran> runs(Collection<String> keys, Instant since);

    /** What the last print of a name was to take. */
    record Took(String key, double ml) {}

    @Query(
            """
            select r.jobKey, r.resinMl from RunFact r where r.jobKey in ?1
            and r.id = (select max(x.id) from RunFact x where x.jobKey = r.jobKey and x.resinMl > 0
            and not exists (select 1 from Run g where g.id = x.id and g.resinGuessed))""")
    List<Took> took(Collection<String> keys);

    @Query("select min(j.askedAt) from WantedJob j")
    Optional<Instant> first();

    /** Who is called how. */
    record Named(long id, String name) {}

    @Query("select p.id, p.name from PersonName p")
    List<Named> people();
}
