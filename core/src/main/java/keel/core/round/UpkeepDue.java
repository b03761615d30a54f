package keel.core.round;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import keel.core.Plain;
import keel.core.wear.Usage;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;

/**
 * How far upkeep is, and when it falls due as the machine prints.
 *
 * <p>Use comes print by print: so many a day on average, by chance, of a size with as much spread as its mean. What
 * is left is passed when a walk with drift first does, by the inverse Gaussian law (J. L. Folks and R. S.
 * Chhikara, Journal of the Royal Statistical Society B 40, 1978), of which the days are the 5 %, 50 % and 95 % point.
 *
 * @param share of what may pass that has passed: 1 and more where it is due
 * @param text how far it is, like "46 of 50 prints"
 * @param inDays when it falls due; null where nothing that it counts goes on
 */
public record UpkeepDue(double share, String text, @Nullable InDays inDays) {

    private static final String PRINTS = "prints";
    private static final double SECONDS_A_DAY = 86_400;
    private static final double ML_A_LITRE = 1000;
    private static final NormalDistribution NORMAL = new NormalDistribution();
    private static final double LOW = 0.05;

    /** Days from now; 0 for what is due. */
    public record InDays(double low, double median, double high) {

        static final InDays NOW = new InDays(0, 0, 0);
    }

    /**
     * What a machine did since it was done last, and how it goes on.
     *
     * @param since the moment from which it counts
     * @param used since then
     * @param total what it ever did, for what a print of it takes
     * @param hoursPerDay print hours a day lately
     */
    public record Pace(Instant since, Usage used, Usage total, double hoursPerDay) {

        /** Nothing but time passes. */
        public static Pace ofTime(Instant since) {
            return new Pace(since, Usage.NONE, Usage.NONE, 0);
        }

        private double printsPerDay() {
            return total.hours() > 0 ? hoursPerDay * total.prints() / total.hours() : 0;
        }

        private double aPrint(double ofAll) {
            return total.prints() > 0 ? ofAll / total.prints() : 0;
        }
    }

    /** The same share in whole tenths, 10 at most. */
    public int tenths() {
        return (int) FastMath.min(10, FastMath.round(10 * share));
    }

    public boolean due() {
        return share >= 1;
    }

    /** The earliest of its triggers. */
    public static UpkeepDue of(UpkeepTrigger trigger, Pace pace, Instant now, ZoneId zone) {
        List<UpkeepDue> all = new ArrayList<>();
        use(
                all,
                trigger.hours(),
                pace.used().hours(),
                "h",
                pace.aPrint(pace.total().hours()),
                pace);
        use(
                all,
                trigger.uvHours(),
                pace.used().uvHours(),
                "UV h",
                pace.aPrint(pace.total().uvHours()),
                pace);
        use(all, trigger.prints(), pace.used().prints(), PRINTS, 1, pace);
        use(
                all,
                trigger.litres(),
                pace.used().resinMl() / ML_A_LITRE,
                "l",
                pace.aPrint(pace.total().resinMl()) / ML_A_LITRE,
                pace);
        if (trigger.days() != null) {
            all.add(days(trigger.days(), Duration.between(pace.since(), now).toSeconds() / SECONDS_A_DAY));
        }
        if (trigger.date() != null) {
            day(all, trigger.date(), pace.since(), now, zone);
        }
        return all.stream()
                .min(Comparator.<UpkeepDue>comparingDouble(d -> d.inDays() == null
                                ? Double.POSITIVE_INFINITY
                                : d.inDays().median())
                        .thenComparing(d -> -d.share()))
                .orElse(new UpkeepDue(0, "done", null));
    }

    /** Once: what was done since that day is done. */
    private static void day(List<UpkeepDue> all, LocalDate date, Instant since, Instant now, ZoneId zone) {
        Instant at = date.atStartOfDay(zone).toInstant();
        if (since.isBefore(at)) {
            double ahead = FastMath.max(0, Duration.between(now, at).toSeconds() / SECONDS_A_DAY);
            all.add(new UpkeepDue(ahead > 0 ? 0 : 1, "on " + date, new InDays(ahead, ahead, ahead)));
        }
    }

    private static String far(double used, double every, String unit) {
        return used < every
                ? Plain.number(used) + " of " + Plain.number(every) + " " + unit
                : Plain.number(used) + " " + unit + ", due at " + Plain.number(every);
    }

    private static UpkeepDue days(double every, double passed) {
        double left = FastMath.max(0, every - passed);
        return new UpkeepDue(passed / every, far(FastMath.floor(passed), every, "days"), new InDays(left, left, left));
    }

    private static void use(
            List<UpkeepDue> all, @Nullable Double every, double used, String unit, double aPrint, Pace pace) {
        if (every == null) {
            return;
        }
        String text = far(FastMath.round(used * 10) / 10.0, every, unit);
        double left = every - used;
        double prints = pace.printsPerDay();
        InDays in =
                left <= 0 ? InDays.NOW : prints * aPrint <= 0 ? null : ahead(left, prints, aPrint, unit.equals(PRINTS));
        all.add(new UpkeepDue(used / every, text, in));
    }

    /**
     * What is passed within a print is passed with its end: by one print more on average, for sizes that spread as
     * much as their mean (A. Wald, Sequential Analysis, 1947: the excess over the boundary).
     *
     * @param even whether each print counts alike
     */
    private static InDays ahead(double left, double prints, double aPrint, boolean even) {
        double spread = even ? 0 : 1;
        double until = left + spread * aPrint;
        double variance = (1 + spread) * prints * aPrint * aPrint;
        return passage(until / (prints * aPrint), until * until / variance);
    }

    /**
     * Points of the inverse Gaussian law.
     *
     * @param mean in days
     * @param shape left² by the variance of a day
     */
    static InDays passage(double mean, double shape) {
        return new InDays(point(LOW, mean, shape), point(0.5, mean, shape), point(1 - LOW, mean, shape));
    }

    private static double point(double share, double mean, double shape) {
        double low = 0;
        double high = mean;
        while (passed(high, mean, shape) < share) {
            high *= 2;
        }
        for (int i = 0; i < 80; i++) {
            double middle = (low + high) / 2;
            if (passed(middle, mean, shape) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /** Chance that it has passed by then. */
    static double passed(double days, double mean, double shape) {
        if (days <= 0) {
            return 0;
        }
        double root = FastMath.sqrt(shape / days);
        double there = NORMAL.cumulativeProbability(root * (days / mean - 1));
        double back = 1 - NORMAL.cumulativeProbability(root * (days / mean + 1));
        return there + (back == 0 ? 0 : FastMath.exp(FastMath.log(back) + 2 * shape / mean));
    }
}
