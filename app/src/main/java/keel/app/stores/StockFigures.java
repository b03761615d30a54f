package keel.app.stores;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.shell.Kept;
import keel.app.shell.KeptFigures;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What is on hand, as it is kept with each item. */
@Component
class StockFigures implements KeptFigures {

    private final StockItems items;

    StockFigures(StockItems items) {
        this.items = items;
    }

    @Override
    public String name() {
        return "Stock on hand";
    }

    @Override
    @Transactional
    public List<String> again() {
        Map<String, List<?>> before = now();
        items.addUp();
        return Kept.differences(before, now());
    }

    private Map<String, List<?>> now() {
        Map<String, List<?>> figures = new HashMap<>();
        items.kept().forEach(k -> figures.put(k.code(), k.figures()));
        return figures;
    }
}
