package keel.app.floor.week;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.standing.MachineNow;
import keel.app.stores.Buying;
import keel.app.stores.Spares;
import keel.app.stores.Stock;
import keel.core.standing.PartUse;
import keel.core.standing.ServiceKind;
import keel.core.week.WeekPlan;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whether the parts are there that the sittings of a week take, one after the other, and by when to order them. */
@Component
@Transactional(readOnly = true)
public class SittingParts {

    private final Stock stock;
    private final Buying buying;
    private final Spares spares;
    private final OrderBy orderBy;

    SittingParts(Stock stock, Buying buying, Spares spares, OrderBy orderBy) {
        this.stock = stock;
        this.buying = buying;
        this.spares = spares;
        this.orderBy = orderBy;
    }

    /** By the slots' ids, a sentence: what lacks, and what is put in meanwhile. */
    public record Said(Map<String, String> lacking, Map<String, String> meanwhile) {

        /** Where nobody asked. */
        public static final Said NOTHING = new Said(Map.of(), Map.of());
    }

    public Said of(WeekPlanned week) {
        return new Said(lacking(week), meanwhile(week));
    }

    /** Nothing for what is there or needs no part. */
    private Map<String, String> lacking(WeekPlanned week) {
        Map<String, String> models =
                week.machines().stream().collect(Collectors.toMap(MachineNow::code, MachineNow::model));
        List<WeekPlan.Slot> taking = week.plan().slots().stream()
                .filter(s -> week.upkeep().containsKey(s.id())
                        && week.upkeep().get(s.id()).takesPart().isPresent())
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
            String kind = week.upkeep().get(s.id()).takesPart().orElseThrow();
            Stock.ItemView item = spares.stream()
                    .filter(i -> kind.equals(i.spareKind())
                            && models.get(s.machine()).equals(i.spareModel()))
                    .findFirst()
                    .orElse(null);
            if (item == null) {
                words.put(s.id(), "Nobody counts what it takes: look whether one is there.");
            } else if (left.merge(item.item(), item.quantity() - 1, (now, first) -> now - 1) < 0) {
                String order = orderBy.words(
                        lines.get(item.item()), s.startAt(), week.plan().at());
                words.put(s.id(), "No " + item.name() + " is left for it: " + order);
            }
        }
        return words;
    }

    private Map<String, Buying.BuyingLine> lines(List<Stock.ItemView> spares) {
        Set<String> codes = spares.stream().map(Stock.ItemView::item).collect(Collectors.toSet());
        return buying.lines(codes).stream()
                .collect(Collectors.toMap(l -> l.item().item(), l -> l));
    }

    /**
     * What is put in while a film is changed: with a spare vat on the shelf the machine does not stand
     * for it. A spare goes round: the vat that comes off is the next one.
     */
    private Map<String, String> meanwhile(WeekPlanned week) {
        Map<String, String> models =
                week.machines().stream().collect(Collectors.toMap(MachineNow::code, MachineNow::model));
        Map<String, Boolean> spare = new HashMap<>();
        Map<String, String> words = new HashMap<>();
        for (WeekPlan.Slot s : week.plan().slots()) {
            WeekPlanned.Upkeep upkeep = week.upkeep().get(s.id());
            boolean film = upkeep != null && upkeep.task() == ServiceKind.FILM_CHANGE;
            if (film && spare.computeIfAbsent(models.get(s.machine()), this::spareVat)) {
                words.put(s.id(), "The spare vat goes in meanwhile: the machine need not stand.");
            }
        }
        return words;
    }

    private boolean spareVat(String model) {
        return spares.atHand(PartUse.UsedPart.FILM, model).spareVats() > 0;
    }
}
