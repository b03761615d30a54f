package keel.app.air;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface AirPartRecords extends JpaRepository<AirPartRecord, Long> {

    /** A part that is kept up, and the room that it is in, null for cartridges of respirators. */
    record Placed(AirPartRecord part, String room, String roomName) {}

    @Query(
            """
            select p, r.code, r.name from AirPartRecord p left join RoomCard r on r.id = p.roomId
            where p.retiredAt is null order by r.name, p.name""")
    List<Placed> inUse();

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from AirPartRecord p where p.id = ?1")
    Optional<AirPartRecord> locked(long id);
}
