package keel.sim.print;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * What holds against what pulls, as a natural logarithm: a design margin, less what each fault takes from it. The true
 * cause of what gives way is the fault that took the most; a second that took nearly as much stands beside it.
 */
final class Balance {

    private static final double SECOND = 0.75;
    private static final double WORTH_NAMING = 0.05;
    private static final double A_FAULT = 0.15;

    private final Map<String, Double> taken = new LinkedHashMap<>();
    private double margin;

    Balance(double designMargin) {
        this.margin = designMargin;
    }

    /** Nothing is taken for amounts below 0: strength beyond the design is not a fault, and helps a little. */
    Balance less(String cause, double amount) {
        margin -= amount > 0 ? amount : 0.3 * amount;
        if (amount > 0) {
            taken.merge(cause, amount, Double::sum);
        }
        return this;
    }

    Balance luck(double amount) {
        margin += amount;
        return this;
    }

    double margin() {
        return margin;
    }

    /** All that took a good part of a margin, the one that took most first. */
    List<String> faults() {
        return byWeight()
                .filter(e -> e.getValue() > A_FAULT)
                .map(Map.Entry::getKey)
                .toList();
    }

    private Stream<Map.Entry<String, Double>> byWeight() {
        return taken.entrySet().stream()
                .filter(e -> e.getValue() > WORTH_NAMING)
                .sorted(Map.Entry.<String, Double>comparingByValue().reversed());
    }

    /** What was behind it; {@code otherwise} where no fault took anything worth naming. */
    List<String> causes(String otherwise) {
        List<Map.Entry<String, Double>> most = byWeight().limit(2).toList();
        if (most.isEmpty()) {
            return List.of(otherwise);
        }
        boolean two = most.size() == 2
                && most.get(1).getValue() > SECOND * most.get(0).getValue();
        return most.subList(0, two ? 2 : 1).stream().map(Map.Entry::getKey).toList();
    }
}
