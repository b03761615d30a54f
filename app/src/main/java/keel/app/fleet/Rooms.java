package keel.app.fleet;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface Rooms extends JpaRepository<Room, Long> {
    Optional<Room> findByCode(String code);
}
