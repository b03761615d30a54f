package keel.app.floor.begin;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.stores.ResinView;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.Findings;
import keel.core.begin.Beginning;
import keel.core.begin.Names;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What a shop has when it comes on record, said at once: rooms, resins, a store. Each is written through the service
 * that owns it, all of a page or nothing; what is there already is left alone.
 */
@Service
@Transactional
public class ShopBegins {

    private static final int MOST = MachinesBegin.MOST;

    private final Fleet fleet;
    private final ShopSettings settings;
    private final Resins resins;
    private final Stock stock;
    private final Beginning beginning = Beginning.shipped();

    ShopBegins(Fleet fleet, ShopSettings settings, Resins resins, Stock stock) {
        this.fleet = fleet;
        this.settings = settings;
        this.resins = resins;
        this.stock = stock;
    }

    public Beginning beginning() {
        return beginning;
    }

    /**
     * Name and zone of the shop, its rooms and the resins it prints with.
     *
     * @param rooms names between commas
     * @param printed names of resins between commas
     */
    public void shop(String name, String zone, String rooms, String printed) {
        Actor.require(Role.OWNER);
        List<String> places = Names.of(rooms);
        Findings findings = new Findings();
        findings.when(
                places.isEmpty() && openRooms().isEmpty(), "rooms", "Name at least one room: machines stand in it.");
        findings.when(places.size() > MOST, "rooms", "That is more than " + MOST + " rooms.");
        findings.when(Names.of(printed).size() > MOST, "resins", "That is more than " + MOST + " resins.");
        Refused.unless(findings);
        settings.rename(name, zone);
        Set<String> there = lower(openRooms().stream().map(Fleet.RoomView::name).toList());
        addNew(places, there, fleet::addRoom);
        Set<String> known = lower(resins.all(true).stream().map(ResinView::name).toList());
        addNew(Names.of(printed), known, r -> resins.add(r, null));
    }

    static Set<String> lower(List<String> names) {
        return names.stream().map(n -> n.toLowerCase(Locale.ROOT)).collect(Collectors.toCollection(HashSet::new));
    }

    private static void addNew(List<String> names, Set<String> there, Consumer<String> add) {
        names.stream().filter(n -> there.add(n.toLowerCase(Locale.ROOT))).forEach(add);
    }

    private List<Fleet.RoomView> openRooms() {
        return fleet.rooms().stream().filter(r -> !r.retired()).toList();
    }

    /**
     * Something to count in the stores.
     *
     * @param item place in the list of what a store begins with
     * @param onHand null where nobody counted
     */
    public record Counted(int item, Double onHand) {}

    public void stores(List<Counted> counted) {
        Actor.require(Role.KEEPER);
        Set<String> there =
                lower(stock.all(true).stream().map(Stock.ItemView::name).toList());
        List<Counted> fresh = new ArrayList<>();
        for (Counted c : counted) {
            if (c.item() >= 0
                    && c.item() < beginning.stock().size()
                    && there.add(beginning.stock().get(c.item()).name().toLowerCase(Locale.ROOT))) {
                fresh.add(c);
            }
        }
        for (Counted c : fresh) {
            Beginning.Item item = beginning.stock().get(c.item());
            try {
                stock.addItem(item.name(), item.unit(), item.lowAt(), c.onHand());
            } catch (Refused e) {
                Findings findings = new Findings();
                e.findings().forEach(f -> findings.add("onHand" + c.item(), item.name() + ": " + f.message()));
                Refused.unless(findings);
            }
        }
    }
}
