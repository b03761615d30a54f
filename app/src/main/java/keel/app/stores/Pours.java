package keel.app.stores;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Pours extends JpaRepository<Pour, Long> {

    @Query(nativeQuery = true, value = "select resin_id from pour where vat_id = ?1 and not withdrawn order by at desc, id desc fetch first row only")
    Optional<Long> lastResin(long vatId);
}
