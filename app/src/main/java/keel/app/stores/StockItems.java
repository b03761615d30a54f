package keel.app.stores;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StockItems extends JpaRepository<StockItem, Long> {

    @Query("select x from StockItem x where x.code = ?1")
    Optional<StockItem> findByCode(String code);
}
