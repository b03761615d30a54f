package keel.app.stores;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StockMovements extends JpaRepository<StockMovement, Long> {

    List<StockMovement> findByServiceId(long serviceId);

    @Query("select coalesce(sum(m.quantity), 0) from StockMovement m where m.itemId = ?1")
    double onHand(long itemId);
}
