package keel.app.stores;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.people.Actor;
import keel.core.stock.Consumable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** From which item each thing that procedures use up is booked: chosen once, and changed when somebody chooses anew. */
@Service
@Transactional
public class Bookings {

    /** Stands for an item where something is not counted. */
    public static final String NOT_COUNTED = "-";

    private final BookingChoices choices;
    private final StockItems items;
    private final Clock clock;

    Bookings(BookingChoices choices, StockItems items, Clock clock) {
        this.choices = choices;
        this.items = items;
        this.clock = clock;
    }

    /**
     * What is booked from where.
     *
     * @param item code of an item, {@link #NOT_COUNTED}, or empty where nobody can tell yet
     * @param chosen whether somebody chose it; else it is proposed by its name, or empty
     */
    public record From(String item, boolean chosen) {}

    @Transactional(readOnly = true)
    public Map<Consumable, From> all() {
        List<Stock.ItemView> kept = items.all(false);
        List<String> names = kept.stream().map(Stock.ItemView::name).toList();
        Map<Consumable, From> from = new HashMap<>();
        for (Consumable kind : Consumable.values()) {
            from.put(
                    kind,
                    new From(kind.proposed(names).map(i -> kept.get(i).item()).orElse(""), false));
        }
        choices.chosen().forEach(c -> from.put(c.kind(), new From(c.item() == null ? NOT_COUNTED : c.item(), true)));
        return from;
    }

    /** From now on; the item's code, or {@link #NOT_COUNTED}. */
    public void choose(Consumable kind, String item) {
        BookingChoice choice = choices.findById(kind).orElseGet(() -> {
            BookingChoice made = new BookingChoice();
            made.kind = kind;
            return made;
        });
        choice.itemId = NOT_COUNTED.equals(item)
                ? null
                : items.findByCode(item).orElseThrow(() -> new NotThere("There is no item called " + item + ".")).id;
        choice.chosenAt = clock.instant();
        choice.personId = Actor.current().personId();
        choices.save(choice);
    }
}
