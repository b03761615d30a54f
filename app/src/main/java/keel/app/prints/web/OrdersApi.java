package keel.app.prints.web;

import java.time.Instant;
import java.util.List;
import keel.app.base.Refused;
import keel.app.fleet.ShopTime;
import keel.app.prints.order.OrderEntry;
import keel.app.prints.order.OrderView;
import keel.app.prints.order.Orders;
import keel.app.prints.order.PartEntry;
import keel.core.Findings;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Orders of several parts, for programs. */
@RestController
@RequestMapping("/api/v1/orders")
class OrdersApi {

    private final Orders orders;
    private final ShopTime times;

    OrdersApi(Orders orders, ShopTime times) {
        this.orders = orders;
        this.times = times;
    }

    /** A part that is wanted; sides of a piece, its height and what it takes of resin where somebody knows. */
    record Wanted(String name, Integer wanted, Double widthMm, Double depthMm, Double heightMm, Double ml) {}

    /** @param dueAt an instant, or a day of the shop's with all its hours */
    record Entry(String name, String dueAt, List<Wanted> parts) {}

    /**
     * How far a part is.
     *
     * @param onPlates pieces on plates of prints that go on, or that nobody counted yet
     * @param notCounted those of them whose print ended
     * @param waiting pieces on plates that wait to be printed
     */
    record PartLine(String name, int wanted, int done, int onPlates, int notCounted, int waiting, int still) {}

    /** @param stillToPrint pieces that have to be begun yet */
    record OrderLine(long id, String name, Instant dueAt, Instant closedAt, List<PartLine> parts, int stillToPrint) {

        static OrderLine of(OrderView o) {
            return new OrderLine(
                    o.id(),
                    o.name(),
                    o.dueAt(),
                    o.closedAt(),
                    o.parts().stream()
                            .map(p -> new PartLine(
                                    p.name(),
                                    p.tally().wanted(),
                                    p.tally().done(),
                                    p.tally().onPlates(),
                                    p.tally().unsure(),
                                    p.waiting(),
                                    p.tally().still()))
                            .toList(),
                    o.stillToPrint());
        }
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    OrderLine make(@RequestBody Entry e) {
        Findings findings = new Findings();
        Instant due = times.to(e.dueAt(), "dueAt", findings);
        findings.when(e.parts() != null && e.parts().stream().anyMatch(p -> p == null), "parts", "A part is missing.");
        Refused.unless(findings);
        List<PartEntry> parts = e.parts() == null
                ? List.of()
                : e.parts().stream()
                        .map(p -> new PartEntry(
                                null, p.name(), p.wanted(), p.widthMm(), p.depthMm(), p.heightMm(), p.ml()))
                        .toList();
        return one(orders.make(new OrderEntry(e.name(), due, parts)));
    }

    /** Those that are open, the oldest first. */
    @GetMapping
    List<OrderLine> open() {
        return orders.open().stream().map(OrderLine::of).toList();
    }

    @GetMapping("/{id}")
    OrderLine one(@PathVariable long id) {
        return OrderLine.of(orders.one(id));
    }
}
