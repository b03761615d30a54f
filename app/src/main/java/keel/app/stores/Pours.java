package keel.app.stores;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Pours extends JpaRepository<Pour, Long> {

    @Query(
            nativeQuery = true,
            value = "select resin_id from pour where vat_id = ?1 and not withdrawn and coalesce(kind, '') not in "
                    + "('RETURN', 'SIEVE') order by at desc, id desc fetch first row only")
    Optional<Long> lastResin(long vatId);
}
