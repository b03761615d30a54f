package keel.app.starting.web;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Refused;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.prints.order.OnPlate;
import keel.app.prints.order.OrderPlates;
import keel.app.prints.order.OrderView;
import keel.app.prints.order.Orders;
import org.springframework.stereotype.Component;

/** What of an order lies on the plate that is about to be printed: as typed, else as the job of that name waits. */
@Component
class OrderedParts {

    private static final int OFFERED = 4;

    private final Orders orders;
    private final OrderPlates plates;
    private final WantedJobs jobs;

    OrderedParts(Orders orders, OrderPlates plates, WantedJobs jobs) {
        this.orders = orders;
        this.plates = plates;
        this.jobs = jobs;
    }

    /** Orders of which something is still to be begun, those with the nearest date first. */
    List<OrderView> open() {
        return orders.open().stream()
                .filter(o -> o.stillToPrint() > 0)
                .sorted(OrderForm.byDate())
                .limit(OFFERED)
                .toList();
    }

    Optional<OnPlate> of(PiecesForm typed, String job) {
        if (typed.order() != null) {
            return Optional.of(plates.said(typed.order(), readable(typed)));
        }
        if (job == null || job.isBlank()) {
            return Optional.empty();
        }
        return jobs.waiting().stream()
                .filter(j -> j.state() == WantedView.State.WAITING && j.name().equalsIgnoreCase(job.strip()))
                .min(Comparator.comparing(WantedView::askedAt))
                .flatMap(j -> plates.ofJob(j.id()))
                .map(p -> plates.said(p.order(), counts(p)));
    }

    private static Map<Long, Integer> counts(OnPlate plate) {
        Map<Long, Integer> counts = new HashMap<>();
        plate.pieces().forEach(p -> counts.put(p.part(), p.planned()));
        return counts;
    }

    private static Map<Long, Integer> readable(PiecesForm typed) {
        try {
            return typed.read(0);
        } catch (Refused e) {
            return Map.of();
        }
    }
}
