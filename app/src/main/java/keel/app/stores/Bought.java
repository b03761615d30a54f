package keel.app.stores;

import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;
import keel.app.fleet.ShopSettings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was spent on what the lines of a cost name: bottles, packs of film, screens, and what was ordered and came. */
@Service
@Transactional(readOnly = true)
class Bought {

    private final BoughtRecords records;
    private final ShopSettings settings;

    Bought(BoughtRecords records, ShopSettings settings) {
        this.records = records;
        this.settings = settings;
    }

    /** Something that was paid: by the line of the cost that it belongs to. */
    record Payment(String line, Instant at, double money) {}

    /** By line, of the payments that are meant; a line for which nothing was ever paid is left out. */
    static Map<String, Double> byLine(List<Payment> payments, Predicate<Instant> meant) {
        Map<String, Double> spent = new HashMap<>();
        payments.forEach(p -> spent.merge(p.line(), meant.test(p.at()) ? p.money() : 0, Double::sum));
        return spent;
    }

    /** All that were ever made. */
    List<Payment> payments() {
        return Stream.of(bottles(), films(), screens(), orders())
                .flatMap(List::stream)
                .toList();
    }

    /** A resin whose sealed bottles are an item of the stores is paid where that item is ordered. */
    private List<Payment> bottles() {
        return records.bottles().stream()
                .map(b -> new Payment(CostLines.RESIN, b.at(), b.price()))
                .toList();
    }

    private List<Payment> films() {
        return records.packs().stream()
                .map(p -> new Payment(CostLines.FILM, p.at(), p.price() * p.sheets()))
                .toList();
    }

    private List<Payment> screens() {
        return records.screens().stream()
                .map(s -> new Payment(CostLines.SCREEN, start(s.boughtOn()), s.price()))
                .toList();
    }

    private Instant start(LocalDate day) {
        return day.atStartOfDay(settings.zone()).toInstant();
    }

    private List<Payment> orders() {
        return records.orders().stream()
                .map(o -> new Payment(line(o), o.at(), o.price() * o.quantity()))
                .filter(p -> p.line() != null)
                .toList();
    }

    private static String line(BoughtRecords.Came order) {
        if (order.resin() > 0) {
            return CostLines.RESIN;
        }
        if (order.spareKind() == null) {
            return order.shared() ? CostLines.SHARED : null;
        }
        return order.spareKind().equals("SCREEN") ? CostLines.SCREEN : CostLines.FILM;
    }
}
