package keel.app.floor.round;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.guides.Guidebook;
import keel.app.standing.MachineNow;
import keel.app.stores.Bookings;
import keel.app.stores.Stock;
import keel.core.guide.Procedure;
import keel.core.standing.ServiceKind;
import keel.core.stock.Consumable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What a chore uses up, and whether the stores have it: read once for a whole round. */
@Component
@Transactional(readOnly = true)
public class Needs {

    private final Guidebook guidebook;
    private final Bookings bookings;
    private final Stock stock;
    private final Fleet fleet;

    Needs(Guidebook guidebook, Bookings bookings, Stock stock, Fleet fleet) {
        this.guidebook = guidebook;
        this.bookings = bookings;
        this.stock = stock;
        this.fleet = fleet;
    }

    /**
     * Something that is needed.
     *
     * @param onHand null where nobody counts it
     */
    public record Need(String item, double quantity, String unit, Double onHand) {

        /** It is counted, and there is not enough of it. */
        public boolean lacking() {
            return onHand != null && onHand < quantity;
        }
    }

    /** By the key of each chore; those that need nothing are not in it. */
    public Map<String, List<Need>> of(Rounds.Shown shown, List<MachineNow> fleetNow) {
        Map<String, String> models = fleetNow.stream().collect(Collectors.toMap(MachineNow::code, MachineNow::model));
        Map<String, MachineRef> machines = fleet.refs().stream().collect(Collectors.toMap(MachineRef::code, m -> m));
        Map<String, Stock.ItemView> items =
                stock.all(false).stream().collect(Collectors.toMap(Stock.ItemView::item, i -> i));
        Map<Consumable, Bookings.From> from = bookings.all();
        Map<String, List<Need>> needs = new HashMap<>();
        shown.round().items().forEach(l -> {
            ServiceKind service = shown.services().get(l.chore().key());
            MachineRef machine = machines.get(l.chore().machine());
            if (service != null && machine != null) {
                List<Need> all = needs(service, machine, models.getOrDefault(machine.code(), ""), from, items);
                if (!all.isEmpty()) {
                    needs.put(l.chore().key(), all);
                }
            }
        });
        return needs;
    }

    private List<Need> needs(
            ServiceKind service,
            MachineRef machine,
            String model,
            Map<Consumable, Bookings.From> from,
            Map<String, Stock.ItemView> items) {
        List<Need> all = new ArrayList<>();
        service.takesPart()
                .flatMap(part -> items.values().stream()
                        .filter(i -> part.equals(i.spareKind()) && model.equals(i.spareModel()))
                        .findFirst())
                .ifPresent(i -> all.add(new Need(i.name(), 1, i.unit(), i.quantity())));
        for (Procedure.Use use :
                guidebook.leadingTo(service, machine).map(Procedure::uses).orElse(List.of())) {
            Stock.ItemView item = items.get(from.get(use.kind()).item());
            all.add(new Need(
                    item == null ? use.what() : item.name(),
                    use.quantity(),
                    item == null ? "" : item.unit(),
                    item == null ? null : Double.valueOf(item.quantity())));
        }
        return all;
    }
}
