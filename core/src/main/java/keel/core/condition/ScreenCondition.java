package keel.core.condition;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import keel.core.placement.PlacedPart;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import keel.core.standing.PartCondition;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;

/**
 * A screen as it was seen: new spots come the faster the more there are, and a job that lies over one is spoiled more
 * often than not by a line, now and then by a dot. Figures are common practice, no source.
 *
 * @param spots on record now
 * @param newOrGrown how many of them are new or grown since the inspection before
 * @param clean whether it was found in order: faults of which nobody said where they are count too
 * @param job what it covers of the plate; null where nobody says, and then it is taken to be put beside the spots
 * @param lookedAt when it was inspected last
 */
public record ScreenCondition(
        List<Spot> spots, long newOrGrown, boolean clean, @Nullable List<PlacedPart> job, Instant lookedAt)
        implements PartCondition {

    private static final double CLEAN = 0.7;
    private static final double SPOTTED = 1.5;
    private static final double NEW_SPOT = 1.4;
    private static final int NEW_THAT_COUNT = 3;
    private static final double OVER_A_DOT = 0.3;
    private static final double OVER_A_LINE = 0.7;

    @Override
    public double failsWithin(double byAge, double printHours, double uvHours) {
        return 1 - (1 - ended(byAge, printHours, uvHours)) * (1 - onSpot());
    }

    @Override
    public double ended(double byAge, double printHours, double uvHours) {
        return -FastMath.expm1(factor() * FastMath.log1p(-FastMath.min(byAge, 1 - 1e-12)));
    }

    /** By how much likelier than others of its age it gets new spots in a print. */
    public double factor() {
        return (spots.isEmpty() && clean ? CLEAN : SPOTTED)
                * FastMath.pow(NEW_SPOT, FastMath.min(NEW_THAT_COUNT, newOrGrown));
    }

    private double onSpot() {
        if (job == null) {
            return 0;
        }
        double clear = 1;
        for (Spot s : spots) {
            if (job.stream().anyMatch(p -> under(s, p))) {
                clear *= 1 - (s.kind() == SpotKind.LINE || s.kind() == SpotKind.DIM ? OVER_A_LINE : OVER_A_DOT);
            }
        }
        return 1 - clear;
    }

    private static boolean under(Spot s, PlacedPart p) {
        return s.off(p.xMm() - p.halfAcross(), p.yMm() - p.halfDeep(), 2 * p.halfAcross(), 2 * p.halfDeep()) == 0;
    }

    @Override
    public ScreenCondition under(List<PlacedPart> covers) {
        return new ScreenCondition(spots, newOrGrown, clean, covers.isEmpty() ? null : covers, lookedAt);
    }

    @Override
    public String words() {
        if (spots.isEmpty()) {
            return clean ? "no spot was seen on it" : "it was not in order";
        }
        String words = spots.size() == 1 ? "1 spot" : spots.size() + " spots";
        return newOrGrown == 0 ? words : String.format(Locale.ROOT, "%s, %d new or grown", words, newOrGrown);
    }
}
