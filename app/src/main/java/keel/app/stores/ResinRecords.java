package keel.app.stores;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ResinRecords extends JpaRepository<Resin, Long> {

    @Query("select x from Resin x where x.code = ?1")
    Optional<Resin> findByCode(String code);
}
