package keel.app.stores;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface WasteRecords extends JpaRepository<WasteRecord, Long> {

    String LOT =
            """
            select w.id, w.kind, w.amount, w.unit, w.place, w.layerMm, w.note, w.at, w.curedAt, w.handedAt, w.handedTo,
            p.name from WasteRecord w join PersonName p on p.id = w.personId
            """;

    @Query(LOT + "where w.handedAt is null order by case when w.curedAt is null then 0 else 1 end, w.at, w.id")
    List<Waste.Lot> here();

    @Query(LOT + "where w.handedAt is not null order by w.handedAt desc, w.id desc")
    List<Waste.Lot> gone(Limit most);

    @Query(LOT + "where w.id = ?1")
    Waste.Lot lot(long id);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select w from WasteRecord w where w.id = ?1")
    Optional<WasteRecord> lock(long id);
}
