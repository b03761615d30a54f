package keel.app.fleet;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Machines extends JpaRepository<Machine, Long> {
    @Query("select x from Machine x where x.code = ?1")
    Optional<Machine> findByCode(String code);
}
