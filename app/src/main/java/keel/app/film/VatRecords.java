package keel.app.film;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** Vats and the films that are and were in them. */
interface VatRecords extends Repository<FilmLook, Long> {

    /** A vat or tank with its film, its machine and its film's pack, each null where there is none. */
    record Placed(
            long id,
            String code,
            Instant since,
            Instant endedAt,
            long model,
            String machine,
            String machineName,
            String film,
            String pack,
            String supplier,
            String lot) {}

    String VAT =
            """
            select v.id, v.code, v.since, v.endedAt, v.modelId, m.code, m.name, fc.code, p.code, p.supplier, p.lot
            from PartCard v join ModelCard o on o.id = v.modelId
            left join PartPlace vf on vf.partId = v.id and vf.removedAt is null
            left join MachineCard m on m.id = vf.machineId
            left join PartPlace ff on ff.vatId = v.id and ff.removedAt is null
            left join PartCard fc on fc.id = ff.partId left join FilmPackCard p on p.id = fc.packId
            where v.kind = keel.app.fleet.ComponentKind.VAT
            """;

    @Query(
            VAT
                    + """
            and (?1 = true or v.endedAt is null)
            order by o.name, case when m.code is null then 1 else 0 end, m.name, v.number""")
    List<Placed> all(boolean ended);

    @Query(VAT + "and v.code = ?1")
    Optional<Placed> one(String code);

    /** The family of pigments that was in a vat last. */
    record Family(long vat, String family) {}

    @Query(
            """
            select x.vatId, r.pigmentFamily from VatPoured x join ResinCard r on r.id = x.resinId
            where x.vatId in ?1""")
    List<Family> families(Collection<Long> vats);

    @Query(
            """
            select now.partId, c.code, ff.since, coalesce(ff.removedAt, vf.removedAt), c.endedAt, c.endReason
            from PartPlace now join PartPlace vf on vf.machineId = now.machineId and vf.partId <> now.partId
            and vf.kind = keel.app.fleet.ComponentKind.VAT join PartPlace ff on ff.vatId = vf.partId
            join PartCard c on c.id = ff.partId
            where now.removedAt is null and now.partId in ?1 order by ff.since""")
    List<Vats.Span> tanksBefore(Collection<Long> vats);

    @Query(
            """
            select f.vatId, c.code, f.since, f.removedAt, c.endedAt, c.endReason from PartPlace f
            join PartCard c on c.id = f.partId where f.vatId in ?1 order by f.since""")
    List<Vats.Span> films(Collection<Long> vats);

    @Query(
            """
            select f.partId, m.name, f.since, f.removedAt, cast(null as Instant), cast(null as String) from PartPlace f
            join MachineCard m on m.id = f.machineId where f.partId in ?1 order by f.since""")
    List<Vats.Span> machines(Collection<Long> vats);

    @Query(
            """
            select p.partId from PartOnMachine p where p.machineId = ?1
            and p.kind = keel.app.fleet.ComponentKind.FILM and p.since <= ?2 and p.until > ?2""")
    List<Long> filmsAt(long machine, Instant at);
}
