package keel.app.starting;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import keel.app.prints.FailShares;
import keel.app.prints.Profiles;
import keel.app.prints.order.OrderView;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.order.PlatePacking;
import keel.core.order.PrintsNeeded;
import keel.core.placement.Placement;
import keel.core.profile.Setting;
import keel.core.standing.MachineState;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** On how few plates of each machine fits what an order has no plate for yet, clear of the machine's spots. */
@Service
@Transactional(readOnly = true)
public class OrderLayouts {

    /** So many pieces are laid out at a time: what comes after them is laid out when these have their plates. */
    private static final int MOST_PIECES = 400;

    private final Standings standings;
    private final PlateSpots spots;
    private final FailShares shares;
    private final Profiles profiles;
    private final Gates gates;
    private final Clock clock;

    OrderLayouts(
            Standings standings, PlateSpots spots, FailShares shares, Profiles profiles, Gates gates, Clock clock) {
        this.standings = standings;
        this.spots = spots;
        this.shares = shares;
        this.profiles = profiles;
        this.gates = gates;
        this.clock = clock;
    }

    /** Where a piece lies: left and front side and size, mm; {@code part} counts from 0 in the order. */
    public record Lies(int part, double xMm, double yMm, double widthMm, double depthMm) {}

    /**
     * A plate, and how many plates are like it.
     *
     * @param counts pieces by the parts' ids
     * @param hours it prints, null where heights or the profile's layers are not known
     * @param ml of resin, null where one of its parts does not say
     */
    public record PlateOf(Map<Long, Integer> counts, List<Lies> lies, int times, Double hours, Double ml) {}

    /**
     * An order on the plates of a machine.
     *
     * @param pieces that were laid out
     * @param tooLarge names of parts that this machine does not take
     * @param needed prints until all of them came out, with its chance to fail
     */
    public record Layout(
            MachineNow m,
            List<PlateOf> plates,
            int pieces,
            int count,
            int atLeast,
            List<String> tooLarge,
            PrintsNeeded needed) {

        /** Hours of all its plates once; null where one does not say. */
        public Double hours() {
            return sum(plates.stream()
                    .map(p -> p.hours() == null ? null : p.times() * p.hours())
                    .toList());
        }

        public Double ml() {
            return sum(plates.stream()
                    .map(p -> p.ml() == null ? null : p.times() * p.ml())
                    .toList());
        }

        private static Double sum(List<Double> each) {
            return each.contains(null)
                    ? null
                    : Double.valueOf(each.stream().mapToDouble(d -> d).sum());
        }

        /** How many prints it takes as this machine fails, with hours and resin where they are known. */
        public String words() {
            String first = pieces < MOST_PIECES ? "" : "Of the first " + MOST_PIECES + " pieces: ";
            String plates = first + (count == 1 ? "One plate" : count + " plates")
                    + (atLeast == count && count > 1 ? ", fewer would not hold it" : "") + ". ";
            boolean sure = needed.high() == count;
            String prints = sure
                    ? "As " + m.name() + " fails, "
                            + (count == 1 ? "one print is enough in nine of ten cases" : count + " prints are enough")
                    : "As " + m.name() + " fails, it takes " + between(needed.low(), needed.high()) + " prints";
            return plates + prints + spread(hours(), "h") + spread(ml(), "ml of resin") + ".";
        }

        private String spread(Double all, String unit) {
            return all == null
                    ? ""
                    : ", " + about(all / count * needed.low(), all / count * needed.high()) + " " + unit;
        }

        private static String about(double low, double high) {
            String text = low < 10 ? "%.1f" : "%.0f";
            String least = String.format(Locale.ROOT, text, low);
            String most = String.format(Locale.ROOT, text, high);
            return least.equals(most) ? least : least + " to " + most;
        }

        private static String between(long low, long high) {
            return low == high ? Long.toString(low) : low + " to " + high;
        }
    }

    /** Pieces that have a size and no plate, in the order of their parts. */
    private record Asked(List<PlatePacking.Piece> pieces, List<Integer> part, List<Integer> leftOut) {

        static Asked of(OrderView order, double plateHeightMm) {
            Asked asked = new Asked(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
            for (int i = 0; i < order.parts().size(); i++) {
                OrderView.PartLine p = order.parts().get(i);
                Double height = p.entry().heightMm();
                if (!p.entry().sized() || p.unplanned() == 0) {
                    continue;
                }
                if (height != null && height > plateHeightMm) {
                    asked.leftOut.add(i);
                    continue;
                }
                for (int k = 0; k < p.unplanned() && asked.pieces.size() < MOST_PIECES; k++) {
                    asked.pieces.add(new PlatePacking.Piece(
                            p.entry().widthMm(), p.entry().depthMm()));
                    asked.part.add(i);
                }
            }
            return asked;
        }
    }

    private record Key(PlatePacking.Bed bed, List<PlatePacking.Piece> pieces) {}

    /** One for each machine in service that takes something of it: all of it before a part, few plates before many. */
    public List<Layout> of(OrderView order) {
        List<MachineNow> machines = standings.all().stream()
                .filter(m -> m.standing().state() != MachineState.OFF)
                .toList();
        Map<String, List<Plate.Spot>> off = spots.of(machines);
        Map<String, Double> fails = shares.lately();
        Map<Key, PlatePacking> done = new HashMap<>();
        List<Layout> layouts = new ArrayList<>();
        for (MachineNow m : machines) {
            Asked asked = Asked.of(order, m.plateHeightMm());
            List<Placement.Spot> keepOff = off.getOrDefault(m.code(), List.of()).stream()
                    .flatMap(s -> s.spots().stream())
                    .toList();
            PlatePacking.Bed bed = new PlatePacking.Bed(m.plateWidthMm(), m.plateDepthMm(), Plate.MARGIN_MM, keepOff);
            PlatePacking packing =
                    done.computeIfAbsent(new Key(bed, asked.pieces()), k -> PlatePacking.of(k.bed(), k.pieces()));
            if (!packing.plates().isEmpty()) {
                layouts.add(layout(order, m, asked, packing, fails.getOrDefault(m.code(), FailShares.UNKNOWN)));
            }
        }
        layouts.sort(Comparator.comparing((Layout l) -> l.tooLarge().size())
                .thenComparing(Layout::count)
                .thenComparing(l -> l.needed().mean())
                .thenComparing(l -> l.m().name()));
        return layouts;
    }

    private Layout layout(OrderView order, MachineNow m, Asked asked, PlatePacking packing, double fails) {
        Map<Map<Long, Integer>, Integer> times = new LinkedHashMap<>();
        Map<Map<Long, Integer>, List<Lies>> lies = new HashMap<>();
        for (List<PlatePacking.Put> plate : packing.plates()) {
            Map<Long, Integer> counts = new TreeMap<>();
            plate.forEach(put -> counts.merge(
                    order.parts().get(asked.part().get(put.piece())).id(), 1, Integer::sum));
            times.merge(counts, 1, Integer::sum);
            lies.putIfAbsent(
                    counts,
                    plate.stream()
                            .map(p -> new Lies(asked.part().get(p.piece()), p.xMm(), p.yMm(), p.widthMm(), p.depthMm()))
                            .toList());
        }
        List<PlateOf> plates = times.entrySet().stream()
                .map(e -> new PlateOf(
                        e.getKey(),
                        lies.get(e.getKey()),
                        e.getValue(),
                        hours(order, m, e.getKey()),
                        ml(order, e.getKey())))
                .toList();
        List<Integer> left = new ArrayList<>(asked.leftOut());
        packing.tooLarge().forEach(i -> left.add(asked.part().get(i)));
        return new Layout(
                m,
                plates,
                asked.pieces().size(),
                packing.plates().size(),
                packing.atLeast(),
                left.stream().distinct().map(i -> order.parts().get(i).name()).toList(),
                PrintsNeeded.of(packing.plates().size(), fails));
    }

    /** By the tallest of its parts, with the machine's own profile. */
    private Double hours(OrderView order, MachineNow m, Map<Long, Integer> counts) {
        double tallest = 0;
        for (OrderView.PartLine p : order.parts()) {
            if (counts.containsKey(p.id())) {
                if (p.entry().heightMm() == null) {
                    return null;
                }
                tallest = Math.max(tallest, p.entry().heightMm());
            }
        }
        Double layerMm = profiles.inForce(m.id(), clock.instant())
                .map(p -> p.settings().value(Setting.LAYER_MM))
                .orElse(null);
        if (layerMm == null) {
            return null;
        }
        Estimate estimate = gates.estimate(m, (int) Math.ceil(tallest / layerMm), null);
        return estimate == null ? null : Double.valueOf(estimate.seconds() / 3600);
    }

    private static Double ml(OrderView order, Map<Long, Integer> counts) {
        double sum = 0;
        for (OrderView.PartLine p : order.parts()) {
            int count = counts.getOrDefault(p.id(), 0);
            if (count > 0 && p.entry().ml() == null) {
                return null;
            }
            sum += count == 0 ? 0 : count * p.entry().ml();
        }
        return sum;
    }
}
