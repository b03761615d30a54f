package keel.core.film;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.hipparchus.util.FastMath;

/**
 * The tone of a film from a recording of taps on it: hum taken away, taps found by their onset, the tones of each
 * fitted as sinusoids that die away ({@link DyingTones}). What does not die away is a whistle and no tap; where the
 * tones make up little of what sounds, as in noise, there is no clear tone. Meant for tones of 60 to 1200 Hz.
 *
 * @param fundamentalHz mean of the lowest tone over the taps; {@code NaN} if there is no clear tone
 * @param spreadHz standard deviation over the taps
 * @param taps taps that were heard
 * @param peaks tones of all taps together, the lowest first
 */
public record TapTone(double fundamentalHz, double spreadHz, int taps, List<Peak> peaks) {

    private static final double LOWEST_HZ = 52;
    private static final double HIGHEST_HZ = 1300;
    private static final double SKIPPED_S = 0.003;
    private static final double LONGEST_S = 0.4;
    private static final double SHORTEST_S = 0.05;
    private static final double BEFORE_THE_NEXT_S = 0.012;
    private static final double LEAST_SHARE = 0.5;
    private static final double DIES_AT_LEAST_PER_S = 1.2;
    private static final double DIES_AT_MOST_PER_S = 140;
    private static final double OF_THE_STRONGEST = 0.2;
    private static final double STILL_HEARD = 0.1;
    private static final double STANDS_ALONE = 0.3;
    private static final double SAME_TONE = 0.03;
    private static final int MOST_TAPS = 12;

    /** A tone: its frequency, and its strength against the strongest of its tap. */
    public record Peak(double hz, double strength) {}

    public boolean clear() {
        return !Double.isNaN(fundamentalHz);
    }

    public static TapTone of(Recording recording) {
        LowRate low = LowRate.of(recording);
        double[] sound = Hum.without(
                low.samples(),
                low.rateHz(),
                Frames.of(low.samples(), low.rateHz()).quiet(low.samples().length));
        List<Integer> onsets = Frames.of(sound, low.rateHz()).onsets(sound);
        List<List<Peak>> heard = new ArrayList<>();
        for (int i = 0; i < FastMath.min(MOST_TAPS, onsets.size()); i++) {
            int next =
                    i + 1 < onsets.size() ? onsets.get(i + 1) - (int) (BEFORE_THE_NEXT_S * low.rateHz()) : sound.length;
            List<Peak> peaks = tap(sound, onsets.get(i), next, low.rateHz());
            if (!peaks.isEmpty()) {
                heard.add(peaks);
            }
        }
        return agreed(heard);
    }

    /** The tones of one tap, the lowest first; none where it is no clear one. */
    private static List<Peak> tap(double[] sound, int onset, int next, double rateHz) {
        int from = onset + (int) (SKIPPED_S * rateHz);
        int to = FastMath.min(next, from + (int) (LONGEST_S * rateHz));
        if (to - from < SHORTEST_S * rateHz) {
            return List.of();
        }
        DyingTones.Heard heard = DyingTones.of(sound, from, to, rateHz, LOWEST_HZ, HIGHEST_HZ);
        double strongest = heard.tones().stream()
                .mapToDouble(DyingTones.Tone::strength)
                .max()
                .orElse(0);
        boolean dies = heard.tones().stream()
                .filter(t -> t.strength() >= OF_THE_STRONGEST * strongest)
                .allMatch(TapTone::dies);
        return heard.share() < LEAST_SHARE || !dies
                ? List.of()
                : heard.tones().stream()
                        .filter(t -> t.strength() >= STILL_HEARD * strongest && dies(t))
                        .sorted(Comparator.comparingDouble(DyingTones.Tone::hz))
                        .map(t -> new Peak(t.hz(), t.strength() / strongest))
                        .toList();
    }

    private static boolean dies(DyingTones.Tone t) {
        return t.decayPerS() >= DIES_AT_LEAST_PER_S && t.decayPerS() <= DIES_AT_MOST_PER_S;
    }

    /** The lowest tone of a tap that is not a mere trace beside the strongest. */
    private static double lowest(List<Peak> tap) {
        return tap.stream()
                .filter(p -> p.strength() >= OF_THE_STRONGEST)
                .mapToDouble(Peak::hz)
                .findFirst()
                .orElseThrow();
    }

    /** The tone that most taps share; none if they do not agree. */
    private static TapTone agreed(List<List<Peak>> heard) {
        double[] lowest = heard.stream().mapToDouble(TapTone::lowest).sorted().toArray();
        if (lowest.length == 0) {
            return new TapTone(Double.NaN, Double.NaN, 0, List.of());
        }
        double median = lowest[lowest.length / 2];
        double[] same = Arrays.stream(lowest)
                .filter(f -> FastMath.abs(f / median - 1) < SAME_TONE)
                .toArray();
        if (2 * same.length <= lowest.length && lowest.length > 1) {
            return new TapTone(Double.NaN, Double.NaN, heard.size(), List.of());
        }
        double mean = Arrays.stream(same).average().orElseThrow();
        double spread = same.length < 2
                ? 0
                : FastMath.sqrt(
                        Arrays.stream(same).map(f -> (f - mean) * (f - mean)).sum() / (same.length - 1));
        return new TapTone(mean, spread, heard.size(), together(heard));
    }

    /**
     * Peaks that at least half of the taps show, or that are strong in one: what sounds depends on where the film is
     * tapped. Each at its mean.
     */
    private static List<Peak> together(List<List<Peak>> heard) {
        List<Peak> all = heard.stream()
                .flatMap(List::stream)
                .sorted(Comparator.comparingDouble(Peak::hz))
                .toList();
        List<Peak> shared = new ArrayList<>();
        for (int i = 0; i < all.size(); ) {
            int j = i;
            while (j < all.size() && all.get(j).hz() < all.get(i).hz() * (1 + SAME_TONE)) {
                j++;
            }
            List<Peak> group = all.subList(i, j);
            double strongest = group.stream().mapToDouble(Peak::strength).max().orElseThrow();
            if (2 * group.size() >= heard.size() || strongest >= STANDS_ALONE) {
                shared.add(
                        new Peak(group.stream().mapToDouble(Peak::hz).average().orElseThrow(), strongest));
            }
            i = j;
        }
        return shared;
    }
}
