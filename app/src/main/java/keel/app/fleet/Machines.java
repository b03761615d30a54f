package keel.app.fleet;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface Machines extends JpaRepository<Machine, Long> {
    Optional<Machine> findByCode(String code);
}
