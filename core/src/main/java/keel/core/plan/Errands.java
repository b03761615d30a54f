package keel.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.hipparchus.util.FastMath;

/**
 * What is to be done, by how many, and what it takes to walk. Errands go by their number here, codes of what they
 * unlock too.
 */
final class Errands {

    private static final double MINUTES_AN_HOUR = 60;

    final List<Errand> list;
    final int workers;
    final double change;
    final int[][] after;
    final int[] unlocks;
    final double[] unlockCosts;
    final double until;
    final double next;
    private final boolean waits;

    /** Without an end of the visit.
     *
     * @throws IllegalArgumentException as the other
     */
    Errands(List<Errand> list, int workers, double change, Map<String, Double> costs) {
        this(list, workers, change, costs, Double.POSITIVE_INFINITY, 0);
    }

    /**
     * @param until minute at which the visit ends
     * @param next minute at which what was put off is done
     * @throws IllegalArgumentException where errands wait for each other in a circle, or for one that is not there
     */
    Errands(List<Errand> list, int workers, double change, Map<String, Double> costs, double until, double next) {
        this.until = until;
        this.next = next;
        this.list = List.copyOf(list);
        this.workers = workers;
        this.change = change;
        this.after = new int[list.size()][];
        this.unlocks = new int[list.size()];
        Map<String, Integer> numbers = new HashMap<>();
        Map<String, Integer> codes = new HashMap<>();
        List<Double> prices = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            numbers.put(list.get(i).id(), i);
            String code = list.get(i).unlocks();
            if (code == null) {
                unlocks[i] = -1;
                continue;
            }
            unlocks[i] = codes.computeIfAbsent(code, c -> {
                prices.add(costs.getOrDefault(c, 0.0));
                return prices.size() - 1;
            });
        }
        this.unlockCosts = prices.stream().mapToDouble(Double::doubleValue).toArray();
        for (int i = 0; i < list.size(); i++) {
            after[i] = numbers(list.get(i), numbers);
        }
        this.waits = list.stream().anyMatch(e -> !e.after().isEmpty());
        requireNoCircle();
    }

    private static int[] numbers(Errand errand, Map<String, Integer> numbers) {
        return errand.after().stream()
                .mapToInt(id -> {
                    Integer number = numbers.get(id);
                    if (number == null) {
                        throw new IllegalArgumentException(
                                errand.id() + " comes after " + id + ", which is not among them.");
                    }
                    return number;
                })
                .toArray();
    }

    private void requireNoCircle() {
        boolean[] done = new boolean[size()];
        for (int round = 0; round < size(); round++) {
            boolean more = false;
            for (int i = 0; i < size(); i++) {
                if (!done[i] && ready(i, done)) {
                    done[i] = true;
                    more = true;
                }
            }
            if (!more) {
                break;
            }
        }
        for (int i = 0; i < size(); i++) {
            if (!done[i]) {
                throw new IllegalArgumentException(
                        list.get(i).id() + " waits, by way of what it comes after, for itself.");
            }
        }
    }

    int size() {
        return list.size();
    }

    Errand get(int i) {
        return list.get(i);
    }

    /** Whether all that it comes after is done. */
    boolean ready(int i, boolean[] done) {
        for (int before : after[i]) {
            if (!done[before]) {
                return false;
            }
        }
        return true;
    }

    /** Minutes to walk from one to another; {@code from} −1 before the first. */
    double walk(int from, int to) {
        if (from < 0 || list.get(from).place() == null || list.get(to).place() == null) {
            return 0;
        }
        return Objects.equals(list.get(from).place(), list.get(to).place()) ? 0 : change;
    }

    double costPerMinute(int i) {
        return list.get(i).costPerHour() / MINUTES_AN_HOUR;
    }

    double unlockCostPerMinute(int code) {
        return unlockCosts[code] / MINUTES_AN_HOUR;
    }

    boolean anyAfter() {
        return waits;
    }

    boolean anyDeadline() {
        return list.stream().anyMatch(e -> e.deadline() != null);
    }

    /** The earliest that it can be done at all. */
    double[] earliestEnds() {
        double[] ends = new double[size()];
        boolean[] done = new boolean[size()];
        for (int n = 0; n < size(); n++) {
            for (int i = 0; i < size(); i++) {
                if (!done[i] && ready(i, done)) {
                    double start = list.get(i).release();
                    for (int before : after[i]) {
                        start = FastMath.max(start, ends[before]);
                    }
                    ends[i] = start + list.get(i).minutes();
                    done[i] = true;
                }
            }
        }
        return ends;
    }
}
