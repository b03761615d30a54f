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
 * @param spreadHz standard deviation over the taps; {@code NaN} of a single one, which has none
 * @param taps taps that were heard
 * @param peaks tones of all taps together, the lowest first
 * @param disturbed whether something else began to sound too, as where somebody talks: what stands beside the lowest
 *     tone may then be no tone of the film
 */
public record TapTone(double fundamentalHz, double spreadHz, int taps, List<Peak> peaks, boolean disturbed) {

    private static final double LOWEST_HZ = 52;
    private static final double HIGHEST_HZ = 1300;
    private static final double SKIPPED_S = 0.003;
    private static final double LONGEST_S = 0.4;
    private static final double SHORTEST_S = 0.12;
    private static final double SOON_S = 0.3;
    private static final double BEFORE_THE_NEXT_S = 0.012;
    private static final double LEAST_SHARE = 0.5;
    private static final double LEAST_SHARE_OF_ALL = 0.75;
    private static final double DIES_AT_LEAST_PER_S = 2.5;
    private static final double DIES_AT_MOST_PER_S = 33;
    private static final double LEAST_QUALITY = 10;
    private static final double OF_THE_STRONGEST = 0.2;
    private static final double STILL_HEARD = 0.05;
    private static final double STANDS_ALONE = 0.5;
    private static final double SAME_TONE = 0.03;
    private static final double SETTLES = 0.06;
    private static final double STANDS_OUT = 0.1;
    private static final double SPLIT = 0.17;
    private static final double SPLIT_SHARE = 0.12;
    private static final double FALLS = 0.018;
    private static final int MOST_TAPS = 12;
    private static final int MANY = 3;
    private static final double NEARLY = 0.999;
    private static final double FLAT_SHARE = 0.001;

    /** A tone: its frequency, and its strength against the strongest of its tap. */
    public record Peak(double hz, double strength) {}

    /** Tones that are surely the film's: of a disturbed recording the lowest alone. */
    public List<Peak> modes() {
        return disturbed && !peaks.isEmpty() ? List.of(new Peak(fundamentalHz, 1)) : peaks;
    }

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
        double least = flatTopped(recording) ? OF_THE_STRONGEST : STILL_HEARD;
        boolean oneOfMany = heard.size() == 1 && onsets.size() >= MANY;
        return agreed(oneOfMany ? List.of() : heard, least, heard.size() < FastMath.min(MOST_TAPS, onsets.size()));
    }

    /** The tones of one tap, the lowest first; none where it is no clear one. */
    private static List<Peak> tap(double[] sound, int onset, int next, double rateHz) {
        TapShape shape = new TapShape(sound, rateHz);
        int from = onset + (int) (SKIPPED_S * rateHz);
        int to = shape.growsAt(from, FastMath.min(next, from + (int) (LONGEST_S * rateHz)));
        if (to - from < SHORTEST_S * rateHz || !shape.begins(onset)) {
            return List.of();
        }
        DyingTones.Heard heard = DyingTones.of(sound, from, to, rateHz, LOWEST_HZ, HIGHEST_HZ);
        List<DyingTones.Tone> tones = settled(heard.tones());
        double strongest =
                tones.stream().mapToDouble(DyingTones.Tone::strength).max().orElse(0);
        boolean dies = tones.stream().allMatch(t -> t.strength() < strongest || dies(t))
                && heard.tones().stream()
                        .allMatch(t ->
                                t.strength() < OF_THE_STRONGEST * strongest || t.decayPerS() >= DIES_AT_LEAST_PER_S);
        boolean alone = to - from >= SOON_S * rateHz
                || tones.stream()
                        .filter(t -> t.strength() >= STILL_HEARD * strongest)
                        .limit(1)
                        .allMatch(t -> shape.beginsWith(from, t.hz()));
        boolean tonesOnly = heard.share() >= LEAST_SHARE && heard.shareOfAll() >= LEAST_SHARE_OF_ALL;
        return !tonesOnly || !dies || !alone || split(tones, strongest) || TapShape.voice(tones)
                ? List.of()
                : tones.stream()
                        .filter(t -> t.strength() >= STILL_HEARD * strongest && dies(t))
                        .map(t -> new Peak(t.hz(), t.strength() / strongest))
                        .toList();
    }

    /**
     * Tones close beside one another are one that settles: a hard tap stretches what it hits, and its pitch falls to
     * where it rests. Of each such group the one that lasts, the lowest first.
     */
    private static List<DyingTones.Tone> settled(List<DyingTones.Tone> tones) {
        List<DyingTones.Tone> sorted = tones.stream()
                .sorted(Comparator.comparingDouble(DyingTones.Tone::hz))
                .toList();
        List<DyingTones.Tone> settled = new ArrayList<>();
        for (int i = 0; i < sorted.size(); ) {
            int j = i + 1;
            while (j < sorted.size() && sorted.get(j).hz() <= sorted.get(j - 1).hz() * (1 + SETTLES)) {
                j++;
            }
            settled.add(lasting(sorted.subList(i, j)));
            i = j;
        }
        return settled;
    }

    private static DyingTones.Tone lasting(List<DyingTones.Tone> group) {
        DyingTones.Tone strongest = group.stream()
                .max(Comparator.comparingDouble(DyingTones.Tone::strength))
                .orElseThrow();
        return group.stream()
                .filter(t -> t.hz() < strongest.hz() * (1 - FALLS)
                        && t.strength() >= STANDS_OUT * strongest.strength()
                        && t.decayPerS() >= DIES_AT_LEAST_PER_S)
                .min(Comparator.comparingDouble(DyingTones.Tone::decayPerS))
                .filter(t -> t.decayPerS() < strongest.decayPerS())
                .orElse(strongest);
    }

    /** Whether the lowest stands in two beside itself, as where one tap followed another at once. */
    private static boolean split(List<DyingTones.Tone> tones, double strongest) {
        List<DyingTones.Tone> loud = tones.stream()
                .filter(t -> t.strength() >= SPLIT_SHARE * strongest)
                .toList();
        return loud.size() > 1 && loud.get(1).hz() < loud.get(0).hz() * (1 + SPLIT);
    }

    private static boolean dies(DyingTones.Tone t) {
        return t.decayPerS() >= DIES_AT_LEAST_PER_S
                && t.decayPerS() <= DIES_AT_MOST_PER_S
                && FastMath.PI * t.hz() / t.decayPerS() >= LEAST_QUALITY;
    }

    /** The lowest tone of a tap: a second mode may be louder than the first. */
    private static double lowest(List<Peak> tap, double least) {
        return tap.stream()
                .filter(p -> p.strength() >= least)
                .mapToDouble(Peak::hz)
                .findFirst()
                .orElseThrow();
    }

    /** Whether it was too loud for what recorded it: tones that are none then stand between those that are. */
    private static boolean flatTopped(Recording recording) {
        double top = Arrays.stream(recording.samples()).map(FastMath::abs).max().orElse(0);
        long flat = Arrays.stream(recording.samples())
                .filter(s -> FastMath.abs(s) >= NEARLY * top)
                .count();
        return flat > FLAT_SHARE * recording.samples().length;
    }

    /** The tone that most taps share; none if they do not agree. */
    private static TapTone agreed(List<List<Peak>> heard, double least, boolean disturbed) {
        double[] lowest =
                heard.stream().mapToDouble(t -> lowest(t, least)).sorted().toArray();
        if (lowest.length == 0) {
            return new TapTone(Double.NaN, Double.NaN, 0, List.of(), disturbed);
        }
        double median = lowest[lowest.length / 2];
        double[] same = Arrays.stream(lowest)
                .filter(f -> FastMath.abs(f / median - 1) < SAME_TONE)
                .toArray();
        if (2 * same.length <= lowest.length && lowest.length > 1) {
            return new TapTone(Double.NaN, Double.NaN, heard.size(), List.of(), disturbed);
        }
        double mean = Arrays.stream(same).average().orElseThrow();
        double spread = same.length < 2
                ? Double.NaN
                : FastMath.sqrt(
                        Arrays.stream(same).map(f -> (f - mean) * (f - mean)).sum() / (same.length - 1));
        return new TapTone(mean, spread, heard.size(), together(heard), disturbed);
    }

    /**
     * Peaks that most of the taps show, or that are strong in one: what sounds depends on where the film is
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
            if (2 * group.size() > heard.size() || strongest >= STANDS_ALONE) {
                shared.add(
                        new Peak(group.stream().mapToDouble(Peak::hz).average().orElseThrow(), strongest));
            }
            i = j;
        }
        return shared;
    }
}
