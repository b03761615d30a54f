package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keel.sim.chance.Chance;
import keel.sim.shop.Happening;

/**
 * What was used and bought: bottles opened as resin is poured, a week's gloves and filters, deliveries once a stock
 * runs low.
 */
final class StoresStory {

    private static final double BOTTLE_ML = 1000;
    private static final Duration WEEK = Duration.ofDays(7);
    private static final Duration LABELLED = Duration.ofHours(3);
    private static final Map<String, Integer> PACKS = Map.ofEntries(
            Map.entry("film-sheet-144", 5),
            Map.entry("film-sheet-208", 3),
            Map.entry("film-sheet-176", 2),
            Map.entry("laser-tank-115", 2),
            Map.entry("reed-grey-resin", 10),
            Map.entry("mussel-blue-resin", 6),
            Map.entry("cast-amber-resin", 6),
            Map.entry("nitrile-gloves", 200),
            Map.entry("isopropyl-alcohol", 25),
            Map.entry("paper-filters", 100),
            Map.entry("z-grease", 2),
            Map.entry("storage-sticks", 5),
            Map.entry("paper-towels", 12),
            Map.entry("respirator-cartridges", 2),
            Map.entry("cutting-blades", 50),
            Map.entry("clamp-screws", 100),
            Map.entry("fan-filters", 2));

    private final Chance chance;
    private final Map<String, Double> stock = new HashMap<>();
    private final Map<String, Double> lowAt = new HashMap<>();
    private final Map<String, Instant> ordered = new HashMap<>();
    private final Map<String, Double> inBottle = new HashMap<>();
    private final List<Happening> all = new ArrayList<>();
    private int weeks;

    StoresStory(Chance chance) {
        this.chance = chance;
        Saltmarsh.ITEMS.forEach(i -> {
            stock.put(Saltmarsh.code(i.name()), i.first());
            lowAt.put(Saltmarsh.code(i.name()), i.lowAt());
        });
    }

    /** @param shop what happened at the machines, in order of time */
    List<Happening> happenings(List<Happening> shop, Instant start, Instant end) {
        Instant week = start.plus(Duration.ofDays(4));
        for (Happening h : shop) {
            while (week.isBefore(h.at())) {
                week(week);
                week = week.plus(WEEK);
            }
            if (h instanceof Happening.ServiceDone s
                    && s.values().get("fromStores") instanceof String item
                    && stock.containsKey(item)) {
                take(item, 1, s.at());
            } else if (h instanceof Happening.ServiceDone s
                    && s.kind().equals("LUBRICATION")
                    && "SCREW".equals(s.values().get("part"))
                    && chance.happens(0.07)) {
                use("z-grease", 1, s.at().plusSeconds(60), "tube empty");
            } else if (h instanceof Happening.StockMoved m) {
                take(m.item(), -m.quantity(), m.at());
            } else if (h instanceof Happening.ResinPoured p) {
                poured(p);
            }
        }
        new TreeMap<>(ordered).forEach((item, due) -> {
            if (due.isBefore(end)) {
                deliver(item, due);
            }
        });
        List<Happening> told =
                new ArrayList<>(all.stream().filter(h -> h.at().isBefore(end)).toList());
        bottles(end.minus(LABELLED), told);
        return told;
    }

    /** This morning the shop began to label its bottles: those on the shelf, and the open one of each resin. */
    private void bottles(Instant at, List<Happening> told) {
        for (Saltmarsh.ResinSpec r : Saltmarsh.RESINS) {
            String item = Saltmarsh.code(r.name()) + "-resin";
            Saltmarsh.TERMS.stream()
                    .filter(t -> t.item().equals(item))
                    .findFirst()
                    .ifPresent(t -> {
                        double onShelf = told.stream()
                                .filter(h -> h instanceof Happening.StockMoved m
                                        && m.item().equals(item)
                                        && m.at().isBefore(at))
                                .mapToDouble(h -> ((Happening.StockMoved) h).quantity())
                                .sum();
                        double first = Saltmarsh.ITEMS.stream()
                                .filter(i -> Saltmarsh.code(i.name()).equals(item))
                                .findFirst()
                                .orElseThrow()
                                .first();
                        LocalDate day = at.atZone(ZoneOffset.UTC).toLocalDate();
                        told.add(new Happening.BottlesCame(
                                at,
                                "keeper",
                                Saltmarsh.code(r.name()),
                                1 + (int) Math.max(0, first + onShelf),
                                Math.max(60, inBottle.getOrDefault(item, 0.0)),
                                "%02d-%s"
                                        .formatted(
                                                day.getYear() % 100, r.family().charAt(0)),
                                t.price(),
                                day.plusMonths(9)));
                    });
        }
    }

    private void week(Instant at) {
        use("nitrile-gloves", 30 + chance.below(20), at, "week's use");
        use("paper-filters", 8 + chance.below(8), at.plusSeconds(60), "week's use");
        use("isopropyl-alcohol", 2 + chance.below(3), at.plusSeconds(120), "week's use");
        slower(at, chance.stream("slower", weeks++));
    }

    /**
     * What goes in other steps than weeks: towels each week, blades each second, screws each third, what vapour and
     * dust use up each sixth and ninth.
     */
    private void slower(Instant at, Chance week) {
        use("paper-towels", 1 + week.below(2), at.plusSeconds(180), "week's use");
        if (weeks % 2 == 0) {
            use("cutting-blades", 2 + week.below(4), at.plusSeconds(240), "films and rafts");
        }
        if (weeks % 3 == 0) {
            use("clamp-screws", 1 + week.below(3), at.plusSeconds(300), "stripped heads");
        }
        if (weeks % 6 == 0) {
            use("respirator-cartridges", 1, at.plusSeconds(360), "changed");
        }
        if (weeks % 9 == 0) {
            use("fan-filters", 1, at.plusSeconds(420), "changed");
        }
    }

    private void poured(Happening.ResinPoured p) {
        String item = p.resin() + "-resin";
        if (!stock.containsKey(item)) {
            return;
        }
        double left = inBottle.getOrDefault(item, 0.0) - p.ml();
        if (left < 0) {
            use(item, 1, p.at().minusSeconds(60), "opened");
            left += BOTTLE_ML;
        }
        inBottle.put(item, left);
    }

    private void use(String item, double quantity, Instant at, String why) {
        take(item, quantity, at);
        all.add(new Happening.StockMoved(at, "operator", item, -quantity, why));
    }

    /** Keeps count, orders once it runs low, and never lets anybody take what is not there. */
    private void take(String item, double quantity, Instant at) {
        Instant due = ordered.get(item);
        if (due != null && due.isBefore(at)) {
            deliver(item, due);
        }
        if (stock.get(item) < quantity) {
            deliver(item, at.minus(Duration.ofHours(3)));
        }
        stock.merge(item, -quantity, Double::sum);
        if (stock.get(item) <= lowAt.get(item) && !ordered.containsKey(item)) {
            ordered.put(item, at.plus(Duration.ofHours(60 + chance.below(160))));
        }
    }

    private void deliver(String item, Instant at) {
        double pack = PACKS.get(item);
        stock.merge(item, pack, Double::sum);
        ordered.remove(item);
        all.add(new Happening.StockMoved(at, "owner", item, pack, "delivery"));
    }
}
