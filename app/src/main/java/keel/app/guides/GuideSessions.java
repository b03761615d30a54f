package keel.app.guides;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface GuideSessions extends JpaRepository<GuideSession, Long> {

    Optional<GuideSession> findFirstByMachineIdAndProcedureCodeAndFinishedAtIsNullAndGivenUpAtIsNull(
            Long machineId, String procedureCode);

    Optional<GuideSession> findFirstByAirPartIdAndFinishedAtIsNullAndGivenUpAtIsNull(Long airPartId);

    @Query("select p.name from PersonName p where p.id = ?1")
    String nameOf(long person);

    /** Something begun; machine or part of the air null where it is for neither. */
    record Begun(GuideSession session, String machine, String machineName, String airPart, String touchedBy) {}

    @Query(
            """
            select s, m.code, m.name, a.name, p.name from GuideSession s left join MachineCard m on m.id = s.machineId
            left join AirPartName a on a.id = s.airPartId join PersonName p on p.id = s.touchedBy
            where s.finishedAt is null and s.givenUpAt is null order by s.touchedAt desc""")
    List<Begun> begun();

    /** Seconds of work that something took; {@code vats} how many were in the sitting. */
    record Took(double seconds, long vats) {

        double minutes() {
            return seconds / 60;
        }
    }

    /** The same with what it was. */
    record Worked(String procedure, double seconds) {}

    @Query(
            """
            select s.procedureCode, s.workedSeconds from GuideSession s where s.finishedAt is not null
            and s.workedSeconds is not null and (s.machineId is not null or s.airPartId is not null)
            order by s.finishedAt desc""")
    List<Worked> worked(Limit most);

    @Query(
            """
            select s.workedSeconds, 1L from GuideSession s where s.procedureCode = ?1
            and s.finishedAt is not null and s.workedSeconds is not null
            and (s.machineId is not null or s.airPartId is not null)
            order by s.finishedAt desc""")
    List<Took> took(String procedure, Limit most);

    @Query(
            """
            select s.workedSeconds, count(g.vatId) from GuideSession s join GuideVat g on g.sessionId = s.id
            where s.procedureCode = ?1 and s.finishedAt is not null and s.workedSeconds is not null
            group by s.id, s.workedSeconds, s.finishedAt
            having count(g.vatId) > 1 order by s.finishedAt desc""")
    List<Took> sittings(String procedure, Limit most);
}
