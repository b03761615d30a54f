package keel.app.fleet;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface Machines extends JpaRepository<Machine, Long> {
    @Query("select x from Machine x where x.code = ?1")
    Optional<Machine> findByCode(String code);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select x from Machine x where x.id = ?1")
    Machine lock(long id);
}
