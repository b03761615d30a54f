package keel.core.condition;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import keel.core.run.Detail;
import org.hipparchus.util.FastMath;

/**
 * Learns from a shop's own prints how cloudy a film they bear, on which machines they fail for want of light more often
 * than that explains, and how often films end otherwise. What is usual counts as much as four ends.
 *
 * <p>The loss that they bear is sought on a grid from 0.16 to that of rough detail: a shop whose films were never milky
 * yet does not learn that milky ones will do.
 */
public final class FilmLearning {

    private static final double FIRST_BORNE = 0.16;
    private static final double BORNE_STEP = 0.02;
    private static final double BORNE_SD = 0.06;
    private static final double[] SPREADS = {0.08, 0.10, 0.12};
    private static final double[] SPREAD_WEIGHTS = {0.7, 0.2, 0.1};
    private static final double BEFORE = 4;
    private static final double LEAST_FACTOR = 0.4;
    private static final double MOST_FACTOR = 2.5;
    private static final double LEAST_CHANCE = 1e-6;

    private final List<Printed> prints;

    private FilmLearning(List<Printed> prints) {
        this.prints = prints;
    }

    /** What a print was lost to, as its verdict says. */
    public enum Lost {
        NOT_BY_FILM,
        CLOUDED,
        OTHERWISE
    }

    /**
     * A print with what was known of its film when it began.
     *
     * @param losses of light by its end
     * @param madeUp loss that the exposure made up
     * @param dents chance that a dent spoils it
     * @param otherwise expected ends of other kinds in it
     */
    public record Printed(
            long machine, LossOdds losses, double madeUp, Detail detail, double dents, double otherwise, Lost lost) {

        /** By what was known of its film when it began. */
        public static Printed of(CloudingPath path, FilmHazard hazard, double madeUp, FilmReplay.Run run) {
            CloudingPath end = path.after(run.hours(), run.uvHours());
            double byAge = -FastMath.log1p(-FastMath.min(run.byAge(), 1 - 1e-12));
            return new Printed(
                    run.machine(),
                    end.losses(),
                    madeUp,
                    run.detail(),
                    hazard.spoils(run.detail()),
                    hazard.factor() * FilmCondition.OTHER_ENDS * byAge,
                    run.lost());
        }
    }

    /** Nothing is learned from none. */
    public static FilmLearned of(List<Printed> prints) {
        return prints.isEmpty() ? FilmLearned.NOTHING : new FilmLearning(prints).learned();
    }

    /** By how much likelier something is, from its ends and those that were expected; {@code usual} before any. */
    static double factor(double usual, double ends, double expected) {
        return (BEFORE + ends) / (BEFORE / usual + expected);
    }

    private FilmLearned learned() {
        FilmBears bears = likeliest();
        Map<Long, List<Printed>> byMachine = new HashMap<>();
        prints.forEach(p ->
                byMachine.computeIfAbsent(p.machine(), m -> new ArrayList<>()).add(p));
        Map<Long, Double> worn = new HashMap<>();
        byMachine.forEach((machine, on) -> worn.put(
                machine, bounded(factor(1, count(on, Lost.CLOUDED), sum(on, p -> clouds(p, bears) + p.dents())))));
        double otherwise = bounded(factor(1, count(prints, Lost.OTHERWISE), sum(prints, Printed::otherwise)));
        return new FilmLearned(bears.more(), bears.sd(), otherwise, worn, prints.size());
    }

    private FilmBears likeliest() {
        FilmBears best = FilmBears.USUAL;
        double most = Double.NEGATIVE_INFINITY;
        for (int s = 0; s < SPREADS.length; s++) {
            for (double borne = FIRST_BORNE; borne < Detail.ROUGH.bearsLoss() + BORNE_STEP / 2; borne += BORNE_STEP) {
                double more = borne - Detail.USUAL.bearsLoss();
                FilmBears bears = new FilmBears(more, SPREADS[s], 1, 1);
                double z = more / BORNE_SD;
                double likely = FastMath.log(SPREAD_WEIGHTS[s]) - z * z / 2 + logLikelihood(bears);
                if (likely > most) {
                    most = likely;
                    best = bears;
                }
            }
        }
        return best;
    }

    private double logLikelihood(FilmBears bears) {
        double sum = 0;
        for (Printed p : prints) {
            double lost = 1 - (1 - clouds(p, bears)) * (1 - p.dents());
            double bounded = FastMath.max(LEAST_CHANCE, FastMath.min(1 - LEAST_CHANCE, lost));
            sum += FastMath.log(p.lost() == Lost.CLOUDED ? bounded : 1 - bounded);
        }
        return sum;
    }

    private static double clouds(Printed p, FilmBears bears) {
        return p.losses().fails(bears, p.detail(), p.madeUp());
    }

    private static double bounded(double factor) {
        return FastMath.max(LEAST_FACTOR, FastMath.min(MOST_FACTOR, factor));
    }

    private static double count(List<Printed> prints, Lost lost) {
        return prints.stream().filter(p -> p.lost() == lost).count();
    }

    private static double sum(List<Printed> prints, ToDoubleFunction<Printed> of) {
        return prints.stream().mapToDouble(of).sum();
    }
}
