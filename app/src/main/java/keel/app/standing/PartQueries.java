package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import keel.app.fleet.ComponentKind;
import keel.core.wear.Usage;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PartQueries extends Repository<PartAnywhere, Long> {

    @Query("select p from PartFitted p where p.machineId is not null and (:only is null or p.machineId = :only)")
    List<PartFitted> fitted(Long only);

    /** A part on a machine of which nobody said what it had done before. */
    record Unsaid(long machine, ComponentKind kind, String code) {}

    @Query(
            """
            select f.machineId, f.kind, f.code from PartUnsaid u join PartFitted f on f.id = u.partId
            where f.machineId is not null and f.endedAt is null and (:only is null or f.machineId = :only)""")
    List<Unsaid> unsaid(Long only);

    @Query(
            """
            select p from PartAnywhere p where p.kind = ?1 and (?2 = true or p.endedAt is null or p.carrier is not null)
            order by p.number desc""")
    List<PartAnywhere> all(ComponentKind kind, boolean ended);

    @Query("select p from PartEver p order by p.id desc")
    List<PartEver> ever();

    @Query(
            """
            select p from PartEver p where p.kind in (keel.app.fleet.ComponentKind.FILM,
            keel.app.fleet.ComponentKind.SCREEN) and p.endedAt >= ?1 and p.endedAt < ?2 order by p.endedAt""")
    List<PartEver> ended(Instant from, Instant to);

    /** A part with what it had done before it came on record. */
    record Before(long id, double hours, double uvHours, long layers, long prints, boolean known) {

        Usage before() {
            return new Usage(hours, uvHours, layers, prints, 0);
        }
    }

    @Query(
            """
            select c.id, c.baselineHours, c.baselineUvHours, c.baselineLayers, c.baselinePrints,
            not exists (select u.partId from PartUnsaid u where u.partId = c.id)
            from PartOnMachine p join PartCard c on c.id = p.partId
            where p.machineId = ?1 and p.kind = ?2 and p.since <= ?3 and p.until > ?3""")
    List<Before> onAt(long machine, ComponentKind kind, Instant at);

    /** A time that a part was on a machine. */
    record Span(
            long machine,
            ComponentKind kind,
            String code,
            Instant since,
            Instant until,
            Instant endedAt,
            String endReason) {

        PartSpan view() {
            return new PartSpan(kind, code, since, until.isBefore(RunSums.FOREVER) ? until : null, endedAt, endReason);
        }
    }

    @Query(
            """
            select p.machineId, p.kind, c.code, p.since, p.until, c.endedAt, c.endReason
            from PartOnMachine p join PartCard c on c.id = p.partId
            where p.machineId = ?1 and p.kind <> keel.app.fleet.ComponentKind.VAT order by p.since""")
    List<Span> spansOn(long machine);

    @Query(
            """
            select p.machineId, p.kind, c.code, p.since, p.until, c.endedAt, c.endReason
            from PartOnMachine p join PartCard c on c.id = p.partId
            where p.kind = ?1 order by p.since""")
    List<Span> spansOf(ComponentKind kind);

    @Query("select p from PartAged p where p.kind = ?1 and p.model is not null order by p.number")
    List<PartAged> aged(ComponentKind kind);

    @Query("select f from FailureBefore f where f.cause in ?1")
    List<FailureBefore> failuresOf(Collection<String> causes);

    /** What lives are reckoned from, in brief. */
    record Marks(long endsByThemselves, long ends, double used) {}

    @Query(
            """
            select count(case when p.endReason not in ('PLANNED', 'OTHER') then p.endedAt end), count(p.endedAt),
            coalesce(sum(case when p.endedAt is null then 0.0 else p.hours + p.uvHours + p.layers end), 0.0)
            from PartAged p""")
    Marks marks();

    @Query("select count(f.id) from FailureSeen f where f.cause in ?1")
    long failuresBy(Collection<String> causes);

    @Query("select coalesce(max(c.id), 0) from SchoolChoice c")
    long lastChoice();
}
