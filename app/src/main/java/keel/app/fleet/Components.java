package keel.app.fleet;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Components extends JpaRepository<Component, Long> {

    @Query("select x from Component x where x.code = ?1 and not x.withdrawn")
    Optional<Component> findByCodeAndWithdrawnFalse(String code);

    List<Component> findByMadeBy(long serviceId);

    /** Number of a pack of film sheets. */
    @Query(nativeQuery = true, value = "select id from film_pack where code = ?1")
    Optional<Long> packCalled(String code);

    @Query("select coalesce(max(c.number), 0) from Component c where c.kind = ?1")
    int highestNumber(ComponentKind kind);
}
