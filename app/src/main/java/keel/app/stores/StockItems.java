package keel.app.stores;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface StockItems extends JpaRepository<StockItem, Long> {

    Optional<StockItem> findByCode(String code);
}
