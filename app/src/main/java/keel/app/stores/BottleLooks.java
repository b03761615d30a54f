package keel.app.stores;

import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BottleLooks extends JpaRepository<BottleLook, Long> {

    @Query("select coalesce(max(p.id), 0) from Pour p where p.bottleId = ?1")
    long lastPour(long bottle);

    /** Number of the last pour that a look already took along; 0 where nobody looked. */
    @Query("select coalesce(max(l.afterPour), 0) from BottleLook l where l.bottleId = ?1")
    long looked(long bottle);
}
