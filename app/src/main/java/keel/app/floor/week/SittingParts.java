package keel.app.floor.week;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.fleet.ShopTime;
import keel.app.standing.MachineNow;
import keel.app.stores.Buying;
import keel.app.stores.Stock;
import keel.core.week.WeekPlan;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whether the parts are there that the sittings of a week take, one after the other, and by when to order them. */
@Component
@Transactional(readOnly = true)
public class SittingParts {

    private static final double DAY_MINUTES = 1440;

    private final Stock stock;
    private final Buying buying;
    private final ShopTime times;

    SittingParts(Stock stock, Buying buying, ShopTime times) {
        this.stock = stock;
        this.buying = buying;
        this.times = times;
    }

    /** By the slot's id, a sentence; nothing for what is there or needs no part. */
    public Map<String, String> lacking(WeekPlanned week) {
        Map<String, String> models =
                week.machines().stream().collect(Collectors.toMap(MachineNow::code, MachineNow::model));
        List<WeekPlan.Slot> taking = week.plan().slots().stream()
                .filter(s -> week.upkeep().containsKey(s.id())
                        && week.upkeep().get(s.id()).task().takesPart().isPresent())
                .toList();
        Map<String, String> words = new HashMap<>();
        if (taking.isEmpty()) {
            return words;
        }
        List<Stock.ItemView> spares =
                stock.all(false).stream().filter(i -> i.spareKind() != null).toList();
        Map<String, Buying.BuyingLine> lines = lines(spares);
        Map<String, Double> left = new HashMap<>();
        for (WeekPlan.Slot s : taking) {
            String kind = week.upkeep().get(s.id()).task().takesPart().orElseThrow();
            Stock.ItemView item = spares.stream()
                    .filter(i -> kind.equals(i.spareKind())
                            && models.get(s.machine()).equals(i.spareModel()))
                    .findFirst()
                    .orElse(null);
            if (item == null) {
                words.put(s.id(), "Nobody counts what it takes: look whether one is there.");
            } else if (left.merge(item.item(), item.quantity() - 1, (now, first) -> now - 1) < 0) {
                words.put(
                        s.id(),
                        lacks(
                                item,
                                lines.get(item.item()),
                                s.startAt(),
                                week.plan().at()));
            }
        }
        return words;
    }

    private Map<String, Buying.BuyingLine> lines(List<Stock.ItemView> spares) {
        Set<String> codes = spares.stream().map(Stock.ItemView::item).collect(Collectors.toSet());
        return buying.lines(codes).stream()
                .collect(Collectors.toMap(l -> l.item().item(), l -> l));
    }

    private String lacks(Stock.ItemView item, Buying.BuyingLine line, Instant start, Instant now) {
        String none = "No " + item.name() + " is left for it";
        if (line != null && line.onOrder() > 0) {
            return none + "; some is on order.";
        }
        Double days = line == null ? null : line.terms().leadDays();
        if (days == null) {
            return none + ": order it; nobody said how long it takes to come.";
        }
        Instant by = start.minus(Duration.ofMinutes(Math.round(days * DAY_MINUTES)));
        return by.isAfter(now)
                ? none + ": order it by " + times.ahead(by) + "."
                : none + ": order it now; it comes " + times.ahead(now.plus(Duration.between(by, start)))
                        + " at the earliest, after the sitting.";
    }
}
