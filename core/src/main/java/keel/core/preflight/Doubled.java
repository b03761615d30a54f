package keel.core.preflight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;

/**
 * Whether one model stands on its like: the same pictures come again so many layers further on. What repeats over and
 * over, such as a lattice, is meant so; two models in one and the same place cannot be seen.
 */
final class Doubled {

    private static final double LEAST_MM = 2;
    private static final double CHANGE = 1.1;
    private static final int MOST_ALIKE = 20;
    private static final int SHIFTS = 20;
    private static final long PRIME = 0x9E3779B97F4A7C15L;

    private final List<Long> pictures = new ArrayList<>();

    void layer(Bits lit) {
        long hash = 1;
        for (long w : lit.words) {
            hash = (hash ^ w) * PRIME;
            hash ^= hash >>> 29;
        }
        pictures.add(hash);
    }

    /** @param areas that are lit, layer by layer */
    Optional<FileFinding> finding(List<Double> areas, SheetSize size) {
        int least = (int) Math.ceil(LEAST_MM / size.layerMm());
        List<Integer> again =
                shifts(least).stream().filter(d -> run(d, areas, least) >= 0).toList();
        boolean overAndOver = again.stream().anyMatch(d -> run(2 * d, areas, least) >= 0);
        return again.stream().filter(d -> !overAndOver).findFirst().map(d -> {
            int from = run(d, areas, least);
            return new FileFinding(
                    Code.DOUBLED,
                    Severity.LOOK,
                    from + d + 1,
                    pictures.size(),
                    size.widthMm() / 2,
                    size.depthMm() / 2,
                    d * size.layerMm(),
                    null,
                    null,
                    String.format(
                            Locale.ROOT,
                            "From here the same pictures come as %.1f mm before: a model stands on its like.",
                            d * size.layerMm()));
        });
    }

    /** Shifts by which many pictures come again, the most first. */
    private List<Integer> shifts(int least) {
        Map<Long, List<Integer>> places = new HashMap<>();
        for (int k = 0; k < pictures.size(); k++) {
            if (k == 0 || !pictures.get(k).equals(pictures.get(k - 1))) {
                places.computeIfAbsent(pictures.get(k), h -> new ArrayList<>()).add(k);
            }
        }
        Map<Integer, Integer> votes = new HashMap<>();
        places.values().stream().filter(at -> at.size() <= MOST_ALIKE).forEach(at -> {
            for (int i = 0; i < at.size(); i++) {
                for (int k = i + 1; k < at.size(); k++) {
                    votes.merge(at.get(k) - at.get(i), 1, Integer::sum);
                }
            }
        });
        return votes.entrySet().stream()
                .filter(v -> v.getKey() >= least)
                .sorted(Comparator.comparing((Map.Entry<Integer, Integer> v) -> -v.getValue())
                        .thenComparing(Map.Entry::getKey))
                .limit(SHIFTS)
                .map(Map.Entry::getKey)
                .toList();
    }

    /** Where so many layers begin that come again by that shift and do not all cover as much; −1 for nowhere. */
    private int run(int shift, List<Double> areas, int least) {
        int from = 0;
        double low = Double.POSITIVE_INFINITY;
        double high = 0;
        for (int k = 0; k + shift < pictures.size(); k++) {
            boolean alike = pictures.get(k).equals(pictures.get(k + shift)) && areas.get(k) > 0;
            if (!alike) {
                from = k + 1;
                low = Double.POSITIVE_INFINITY;
                high = 0;
                continue;
            }
            low = Math.min(low, areas.get(k));
            high = Math.max(high, areas.get(k));
            if (k - from + 1 >= least && high >= CHANGE * low) {
                return from;
            }
        }
        return -1;
    }
}
