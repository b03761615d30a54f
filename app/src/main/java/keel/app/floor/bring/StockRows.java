package keel.app.floor.bring;

import static keel.core.bring.BringField.LOW_AT;
import static keel.core.bring.BringField.NAME;
import static keel.core.bring.BringField.QUANTITY;
import static keel.core.bring.BringField.UNIT;

import java.util.Optional;
import keel.app.stores.Stock;
import keel.core.bring.BringKind;
import org.springframework.stereotype.Component;

/** Items of the stores from a table, with what is on hand of them. */
@Component
class StockRows implements RowWriter {

    private final Stock stock;

    StockRows(Stock stock) {
        this.stock = stock;
    }

    @Override
    public BringKind kind() {
        return BringKind.STOCK;
    }

    @Override
    public Optional<String> write(BringRow row) {
        Double quantity = row.number(QUANTITY);
        Double low = row.number(LOW_AT);
        if (!row.has(NAME)) {
            row.wrong(NAME, "What it is called is missing.");
            return Optional.empty();
        }
        Optional<Stock.ItemView> there = stock.all(true).stream()
                .filter(i -> i.name().equalsIgnoreCase(row.text(NAME)))
                .findFirst();
        if (there.isPresent()) {
            return back(there.get());
        }
        return Optional.of(stock.addItem(row.text(NAME), row.has(UNIT) ? row.text(UNIT) : "pieces", low, quantity));
    }

    private Optional<String> back(Stock.ItemView there) {
        if (!there.retired()) {
            return Optional.empty();
        }
        stock.changeItem(there.item(), null, null, there.lowAt(), false);
        return Optional.of(there.item());
    }

    @Override
    public void takeBack(String subject) {
        Stock.ItemView item = stock.one(subject);
        stock.changeItem(subject, null, null, item.lowAt(), true);
    }
}
