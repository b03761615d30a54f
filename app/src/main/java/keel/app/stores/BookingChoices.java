package keel.app.stores;

import java.util.List;
import keel.core.stock.Consumable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BookingChoices extends JpaRepository<BookingChoice, Consumable> {

    /** What was chosen: the code of an item that is still kept, null for not counted. */
    record Chosen(Consumable kind, String item) {}

    @Query(
            """
            select c.kind, i.code from BookingChoice c left join StockItem i on i.id = c.itemId
            where c.itemId is null or i.retiredAt is null""")
    List<Chosen> chosen();
}
