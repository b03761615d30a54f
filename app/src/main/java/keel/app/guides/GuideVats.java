package keel.app.guides;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface GuideVats extends JpaRepository<GuideVat, GuideVat.Key> {

    /** A vat of a sitting. */
    record InSitting(GuideVat place, String vat) {}

    @Query(
            """
            select g, v.code from GuideVat g join PartCard v on v.id = g.vatId where g.sessionId = ?1
            order by g.place""")
    List<InSitting> of(long session);

    @Query("select g, v.code from GuideVat g join PartCard v on v.id = g.vatId where g.sessionId in ?1 "
            + "order by g.sessionId, g.place")
    List<InSitting> of(Collection<Long> sessions);

    @Query(
            """
            select count(g.vatId) from GuideVat g join GuideSession s on s.id = g.sessionId
            where g.vatId = ?1 and s.procedureCode = ?2 and s.finishedAt is null and s.givenUpAt is null""")
    long open(long vat, String procedure);
}
