package keel.core.air;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * The real air change rate of a room from readings after something was released: C = B + A·e^(−N·t), from the peak
 * on, by least squares; a few wild readings and a sensor that follows late are seen through.
 *
 * <p>Source: ASTM E741, concentration decay method (from memory); {@link FallFit} says how curve and interval are
 * found.
 *
 * @param airChangesPerHour with its 95 % interval {@code low} to {@code high}
 * @param r2 share of the readings' scatter that the curve explains
 */
public record Decay(double airChangesPerHour, double low, double high, double r2) {

    public static final int LEAST = 5;
    public static final int MOST = 200_000;

    private static final int FITTED = 400;
    private static final int NEIGHBOURS = 2;
    private static final double RISES_AGAIN = 0.25;

    /** A reading, in any unit. */
    public record Sample(double minutes, double value) {}

    /**
     * @param samples in any order, with gaps
     * @param background what is read without a release, null where it is not known
     * @throws IllegalArgumentException with a sentence, if the series tells nothing: fewer than five readings, no fall,
     *     a fall in a straight line, or one that ends before its curve shows
     */
    public static Decay of(List<Sample> samples, Double background) {
        List<Sample> sorted = samples.stream()
                .filter(s -> Double.isFinite(s.minutes()) && Double.isFinite(s.value()))
                .sorted(Comparator.comparing(Sample::minutes))
                .toList();
        require(
                sorted.size() >= LEAST && sorted.size() <= MOST,
                "A decay takes " + LEAST + " readings at least, and " + MOST + " at most.");
        List<Sample> all = thinned(sorted);
        List<Sample> fall = fall(all);
        require(fall.size() >= LEAST, "It does not fall: the highest reading stands at the end.");
        require(fall.get(fall.size() - 1).minutes() > fall.get(0).minutes(), "All readings are of the same moment.");
        return new FallFit(
                        fall.stream().mapToDouble(Sample::minutes).toArray(),
                        fall.stream().mapToDouble(Sample::value).toArray(),
                        background,
                        roseSlowly(all, fall))
                .rate()
                .map(r -> new Decay(60 * r.perMinute(), 60 * r.low(), 60 * r.high(), r.r2()))
                .orElseThrow(() -> new IllegalArgumentException(
                        "The readings do not tell how fast the air changes: they fall in a straight line, hardly at "
                                + "all, or not for long enough. Read on until it is nearly gone"
                                + (background == null ? ", or give what is read without a release." : ".")));
    }

    /** Medians of neighbours where there are more readings than a fit needs. */
    private static List<Sample> thinned(List<Sample> sorted) {
        int each = (sorted.size() + FITTED - 1) / FITTED;
        List<Sample> thinned = new ArrayList<>();
        for (int i = 0; i < sorted.size(); i += each) {
            List<Sample> some = sorted.subList(i, Math.min(sorted.size(), i + each));
            thinned.add(new Sample(
                    some.stream().mapToDouble(Sample::minutes).average().orElseThrow(), median(some)));
        }
        return thinned;
    }

    /** From the peak until it rises again by much of what it fell. */
    private static List<Sample> fall(List<Sample> all) {
        int peak = 0;
        for (int i = 1; i < all.size(); i++) {
            peak = around(all, i) > around(all, peak) ? i : peak;
        }
        double top = around(all, peak);
        double least = top;
        for (int i = peak; i < all.size(); i++) {
            double now = around(all, i);
            least = Math.min(least, now);
            if (now - least > RISES_AGAIN * (top - least) && top - least > (top - lowest(all)) / 2) {
                return all.subList(peak, i);
            }
        }
        return all.subList(peak, all.size());
    }

    /** Whether the readings before the peak climbed towards it: the sensor follows late, or the room took its time. */
    private static boolean roseSlowly(List<Sample> all, List<Sample> fall) {
        int peak = all.indexOf(fall.get(0));
        double top = around(all, peak);
        double half = (top + lowest(all)) / 2;
        return peak >= 2
                && around(all, Math.max(0, peak - 2)) > half
                && all.get(0).value() < half;
    }

    private static double lowest(List<Sample> all) {
        return all.stream().mapToDouble(Sample::value).min().orElseThrow();
    }

    /** Median of a reading and its neighbours, so that a wild one is no peak. */
    private static double around(List<Sample> all, int i) {
        return median(all.subList(Math.max(0, i - NEIGHBOURS), Math.min(all.size(), i + NEIGHBOURS + 1)));
    }

    private static double median(List<Sample> some) {
        double[] values = some.stream().mapToDouble(Sample::value).sorted().toArray();
        int middle = values.length / 2;
        return values.length % 2 == 1
                ? values[middle]
                : Arrays.stream(values, middle - 1, middle + 1).average().orElseThrow();
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
