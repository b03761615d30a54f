package keel.core.run;

import java.util.EnumSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Numbers of a run, of which some may be reckoned from how long it went because nobody knows them: as the machine has
 * printed so far, else as is common (common practice, no source). They keep hours, peels and UV hours of its parts
 * whole and are never evidence of their own.
 *
 * @param guessed which of them were
 */
public record RunGuess(int layers, double layerExposureS, double resinMl, Set<RunNumber> guessed) {

    private static final double USUAL_SECONDS_A_LAYER = 10;
    private static final double USUAL_EXPOSURE_S = 2.5;
    private static final double USUAL_ML_AN_HOUR = 12;
    /** Of the time of a layer, the most for which the UV can be on: the plate must move too. */
    private static final double MOST_LIT = 0.7;

    private static final double SECONDS_AN_HOUR = 3600;

    /**
     * How a machine prints, from runs of which all was known; null where there was none.
     *
     * @param secondsALayer s, {@code exposureS} s, {@code mlAnHour} ml/h
     */
    public record Habit(@Nullable Double secondsALayer, @Nullable Double exposureS, @Nullable Double mlAnHour) {

        public static final Habit UNKNOWN = new Habit(null, null, null);

        /** The same with the exposure of a profile, which says it better than earlier runs. */
        public Habit exposing(double profileS) {
            return new Habit(secondsALayer, profileS, mlAnHour);
        }

        /** From sums over such runs: hours, layers, UV hours and millilitres. */
        public static Habit of(double hours, double layers, double uvHours, double ml) {
            return hours <= 0 || layers <= 0
                    ? UNKNOWN
                    : new Habit(hours * SECONDS_AN_HOUR / layers, uvHours * SECONDS_AN_HOUR / layers, ml / hours);
        }
    }

    /**
     * What is said stays; what is not is reckoned.
     *
     * @param hours how long it went, h; more than 0
     */
    public static RunGuess of(
            double hours,
            @Nullable Integer layers,
            @Nullable Double layerExposureS,
            @Nullable Double resinMl,
            Habit habit) {
        Set<RunNumber> guessed = EnumSet.noneOf(RunNumber.class);
        double seconds = hours * SECONDS_AN_HOUR;
        int count = layers == null ? 0 : layers;
        if (layers == null) {
            guessed.add(RunNumber.LAYERS);
            double usual = or(habit.secondsALayer(), USUAL_SECONDS_A_LAYER);
            double least = layerExposureS == null ? 0 : layerExposureS / MOST_LIT;
            count = whole(seconds / Math.max(usual, least), RunRules.MOST_LAYERS);
        }
        double exposure = layerExposureS == null ? 0 : layerExposureS;
        if (layerExposureS == null) {
            guessed.add(RunNumber.EXPOSURE);
            double most = MOST_LIT * seconds / Math.max(1, count);
            exposure = Math.max(0.05, Math.min(or(habit.exposureS(), USUAL_EXPOSURE_S), most));
        }
        double ml = resinMl == null ? 0 : resinMl;
        if (resinMl == null) {
            guessed.add(RunNumber.RESIN);
            ml = Math.min(RunRules.MOST_RESIN_ML, hours * or(habit.mlAnHour(), USUAL_ML_AN_HOUR));
        }
        return new RunGuess(count, round(exposure, 100), round(ml, 1), Set.copyOf(guessed));
    }

    private static double or(@Nullable Double known, double usual) {
        return known == null || known <= 0 ? usual : known;
    }

    private static int whole(double number, int most) {
        return (int) Math.max(1, Math.min(most, Math.round(number)));
    }

    /** No more digits than a guess has; never nothing. */
    private static double round(double number, double parts) {
        return Math.max(1 / parts, Math.round(number * parts) / parts);
    }
}
