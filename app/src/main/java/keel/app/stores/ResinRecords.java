package keel.app.stores;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ResinRecords extends JpaRepository<Resin, Long> {

    Optional<Resin> findByCode(String code);
}
