package keel.app.stores;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Pours extends JpaRepository<Pour, Long> {

    @Query(
            """
            select p.resinId from Pour p where p.vatId = ?1 and not p.withdrawn and (p.kind is null
            or p.kind not in (keel.app.stores.PourKind.RETURN, keel.app.stores.PourKind.SIEVE))
            order by p.at desc, p.id desc""")
    List<Long> resins(long vat, Limit most);

    List<Pour> findByServiceIdAndWithdrawnFalse(long service);

    default Optional<Long> lastResin(long vat) {
        return resins(vat, Limit.of(1)).stream().findFirst();
    }

    @Query("select max(p.at) from Pour p where p.vatId = ?1 and not p.withdrawn")
    Optional<Instant> lastAt(long vat);
}
