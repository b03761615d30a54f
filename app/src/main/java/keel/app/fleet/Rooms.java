package keel.app.fleet;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface Rooms extends JpaRepository<Room, Long> {
    @Query("select x from Room x where x.code = ?1")
    Optional<Room> findByCode(String code);

    @Modifying
    @Query("delete from Room x where x.id = ?1")
    void remove(long id);
}
