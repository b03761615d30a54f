package keel.core.plan;

import java.util.Arrays;
import org.hipparchus.util.FastMath;

/**
 * What waiting costs at least, however the errands are ordered: each is done no earlier than half its minutes after
 * the mean of the times at which it is worked on, and those means cost least where at each moment the errand with the
 * greatest cost a minute is worked on, interrupted as need be, by one worker as quick as all together.
 *
 * <p>Source: M. X. Goemans, M. Queyranne, A. S. Schulz, M. Skutella and Y. Wang, SIAM Journal on Discrete Mathematics
 * 15 (2002), mean busy dates; W. L. Eastman, S. Even and I. M. Isaacs, Management Science 11 (1964), several workers.
 */
final class BusyDates {

    private BusyDates() {}

    /** The better of two ways to share what several errands unlock together among them. */
    static double cost(Errands errands) {
        double[] ends = errands.earliestEnds();
        double apart = 0;
        for (int i = 0; i < errands.size(); i++) {
            apart += errands.costPerMinute(i) * ends[i];
        }
        double[] unlocked = new double[errands.unlockCosts.length];
        for (int i = 0; i < errands.size(); i++) {
            if (errands.unlocks[i] >= 0) {
                unlocked[errands.unlocks[i]] = FastMath.max(unlocked[errands.unlocks[i]], ends[i]);
            }
        }
        for (int code = 0; code < unlocked.length; code++) {
            apart += errands.unlockCostPerMinute(code) * unlocked[code];
        }
        return FastMath.max(
                apart, FastMath.max(cost(errands, weights(errands, false)), cost(errands, weights(errands, true))));
    }

    /** The cost of what several unlock falls on them by their minutes, or all of it on the longest. */
    private static double[] weights(Errands errands, boolean onLongest) {
        double[] weights = new double[errands.size()];
        double[] minutes = new double[errands.unlockCosts.length];
        int[] longest = new int[errands.unlockCosts.length];
        Arrays.fill(longest, -1);
        for (int i = 0; i < weights.length; i++) {
            weights[i] = errands.costPerMinute(i);
            int code = errands.unlocks[i];
            if (code >= 0) {
                minutes[code] += errands.get(i).minutes();
                boolean longer = longest[code] < 0
                        || errands.get(i).minutes() > errands.get(longest[code]).minutes();
                longest[code] = longer ? i : longest[code];
            }
        }
        for (int i = 0; i < weights.length; i++) {
            int code = errands.unlocks[i];
            if (code >= 0) {
                double share = onLongest || minutes[code] == 0
                        ? longest[code] == i ? 1 : 0
                        : errands.get(i).minutes() / minutes[code];
                weights[i] += share * errands.unlockCostPerMinute(code);
            }
        }
        return weights;
    }

    private static double cost(Errands errands, double[] weights) {
        double[] busy = busyMeans(errands, weights);
        double cost = 0;
        for (int i = 0; i < errands.size(); i++) {
            double minutes = errands.get(i).minutes();
            double least = minutes > 0 ? busy[i] + minutes / 2 : errands.get(i).release();
            cost += weights[i] * least;
        }
        return cost;
    }

    /** The mean of the times at which each is worked on. */
    private static double[] busyMeans(Errands errands, double[] weights) {
        double[] left = errands.list.stream().mapToDouble(Errand::minutes).toArray();
        double[] means = new double[left.length];
        double now = 0;
        while (true) {
            int next = -1;
            double released = Double.POSITIVE_INFINITY;
            for (int i = 0; i < left.length; i++) {
                if (left[i] > 0 && errands.get(i).release() > now) {
                    released = FastMath.min(released, errands.get(i).release());
                } else if (left[i] > 0 && (next < 0 || dearer(i, next, weights, errands))) {
                    next = i;
                }
            }
            if (next < 0) {
                if (Double.isInfinite(released)) {
                    return means;
                }
                now = released;
                continue;
            }
            double until = FastMath.min(released, now + left[next] / errands.workers);
            double worked = FastMath.min(left[next], (until - now) * errands.workers);
            boolean whole = until < released || worked >= left[next] - Sequence.SAME;
            means[next] += (until + now) / 2 * worked / errands.get(next).minutes();
            left[next] = whole ? 0 : left[next] - worked;
            now = until;
        }
    }

    private static boolean dearer(int i, int than, double[] weights, Errands errands) {
        return weights[i] * errands.get(than).minutes()
                > weights[than] * errands.get(i).minutes();
    }
}
