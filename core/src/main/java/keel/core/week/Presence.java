package keel.core.week;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hipparchus.util.FastMath;

/** Who is there when, in minutes from the moment for which a week is planned. */
final class Presence {

    private static final double NEVER = Double.POSITIVE_INFINITY;

    final List<String> people;
    private final double[][] from;
    private final double[][] to;
    private final double[] openFrom;
    private final double[] openTo;
    /** Minutes open before each span. */
    private final double[] openBefore;

    private Presence(List<String> people, double[][] from, double[][] to) {
        this.people = people;
        this.from = from;
        this.to = to;
        List<double[]> open = open(from, to);
        this.openFrom = open.stream().mapToDouble(s -> s[0]).toArray();
        this.openTo = open.stream().mapToDouble(s -> s[1]).toArray();
        this.openBefore = new double[openFrom.length];
        for (int i = 1; i < openFrom.length; i++) {
            openBefore[i] = openBefore[i - 1] + openTo[i - 1] - openFrom[i - 1];
        }
    }

    static Presence of(Instant at, List<WorkHours.Shift> shifts) {
        Map<String, List<double[]>> spans = new LinkedHashMap<>();
        shifts.forEach(s -> spans.computeIfAbsent(s.person(), p -> new ArrayList<>())
                .add(new double[] {minutes(at, s.from()), minutes(at, s.to())}));
        double[][] from = new double[spans.size()][];
        double[][] to = new double[spans.size()][];
        int n = 0;
        for (List<double[]> own : spans.values()) {
            List<double[]> merged = merged(own);
            from[n] = merged.stream().mapToDouble(s -> s[0]).toArray();
            to[n] = merged.stream().mapToDouble(s -> s[1]).toArray();
            n++;
        }
        return new Presence(List.copyOf(spans.keySet()), from, to);
    }

    static double minutes(Instant at, Instant then) {
        return (then.toEpochMilli() - at.toEpochMilli()) / 60_000.0;
    }

    /** Spans of all people together, those that touch made one. */
    private static List<double[]> open(double[][] from, double[][] to) {
        List<double[]> all = new ArrayList<>();
        for (int p = 0; p < from.length; p++) {
            for (int i = 0; i < from[p].length; i++) {
                all.add(new double[] {from[p][i], to[p][i]});
            }
        }
        return merged(all);
    }

    static List<double[]> merged(List<double[]> spans) {
        List<double[]> sorted = new ArrayList<>(spans);
        sorted.sort(Comparator.comparingDouble(s -> s[0]));
        List<double[]> one = new ArrayList<>();
        for (double[] span : sorted) {
            double[] last = one.isEmpty() ? null : one.get(one.size() - 1);
            if (last != null && span[0] <= last[1]) {
                last[1] = FastMath.max(last[1], span[1]);
            } else {
                one.add(span.clone());
            }
        }
        return one;
    }

    /** From when a person has so many minutes at a stretch, not before {@code t}; infinite where never. */
    double hands(int person, double t, double minutes) {
        double[] begin = from[person];
        double[] end = to[person];
        for (int i = first(end, t); i < begin.length; i++) {
            double start = FastMath.max(t, begin[i]);
            if (start + minutes <= end[i]) {
                return start;
            }
        }
        return NEVER;
    }

    /** Whether somebody is there. */
    boolean open(double t) {
        int i = first(openTo, t);
        return i < openFrom.length && openFrom[i] <= t;
    }

    /** When somebody is there next, {@code t} itself included; infinite where never. */
    double next(double t) {
        int i = first(openTo, t);
        return i < openFrom.length ? FastMath.max(t, openFrom[i]) : NEVER;
    }

    /** From when somebody is there without a break for so many minutes, not before {@code t}; infinite where never. */
    double together(double t, double minutes) {
        for (int i = first(openTo, t); i < openFrom.length; i++) {
            double start = FastMath.max(t, openFrom[i]);
            if (start + minutes <= openTo[i]) {
                return start;
            }
        }
        return NEVER;
    }

    /** Minutes of a time in which nobody is there. */
    double unseen(double start, double end) {
        return FastMath.max(0, end - start - (openUntil(end) - openUntil(start)));
    }

    private double openUntil(double t) {
        int i = first(openTo, t);
        if (i == openFrom.length) {
            return i == 0 ? 0 : openBefore[i - 1] + openTo[i - 1] - openFrom[i - 1];
        }
        return openBefore[i] + FastMath.max(0, t - openFrom[i]);
    }

    /** The longest time for which somebody is there without a break, minutes. */
    double longest() {
        double most = 0;
        for (int i = 0; i < openFrom.length; i++) {
            most = FastMath.max(most, openTo[i] - openFrom[i]);
        }
        return most;
    }

    /** The first span that ends after a moment. */
    private static int first(double[] ends, double t) {
        int at = Arrays.binarySearch(ends, t);
        return at >= 0 ? at + 1 : -at - 1;
    }
}
