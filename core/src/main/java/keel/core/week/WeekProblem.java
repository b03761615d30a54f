package keel.core.week;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** A week as the search sees it: jobs and machines by number, times in minutes from now. */
final class WeekProblem {

    static final int NONE = -1;

    private static final double NEVER = Double.POSITIVE_INFINITY;

    final Instant at;
    final double horizon;
    final Presence presence;
    final List<Wanted> jobs;
    final List<Stand> stands;
    /** By job and machine; NaN where it cannot be. */
    final double[][] printMinutes;

    final double[][] success;
    final double[] release;
    final double[] due;
    final int[] resin;
    final int[] fixedOn;
    final double[] fixedAt;
    final double[] free;
    final int[] resinIn;
    /** Jobs with a machine and a time, by machine, in order of time. */
    final int[][] fixed;

    WeekProblem(Instant at, int days, Presence presence, List<Wanted> jobs, List<Stand> stands) {
        this.at = at;
        this.horizon = Duration.ofDays(days).toMinutes();
        this.presence = presence;
        this.jobs = jobs;
        this.stands = stands;
        int n = jobs.size();
        printMinutes = new double[n][stands.size()];
        success = new double[n][stands.size()];
        release = jobs.stream().mapToDouble(j -> minutes(j.from(), 0)).toArray();
        due = jobs.stream().mapToDouble(j -> minutes(j.due(), NEVER)).toArray();
        free = stands.stream()
                .mapToDouble(s -> Math.max(0, minutes(s.freeFrom(), 0)))
                .toArray();
        Map<String, Integer> resins = new HashMap<>();
        resin = jobs.stream().mapToInt(j -> number(resins, j.resin())).toArray();
        resinIn = stands.stream().mapToInt(s -> number(resins, s.resin())).toArray();
        fixedOn = new int[n];
        fixedAt = new double[n];
        for (int j = 0; j < n; j++) {
            place(j);
        }
        fixed = new int[stands.size()][];
        for (int m = 0; m < fixed.length; m++) {
            fixed[m] = fixedOn(m);
        }
    }

    private double minutes(@Nullable Instant then, double otherwise) {
        return then == null ? otherwise : Presence.minutes(at, then);
    }

    private static int number(Map<String, Integer> names, @Nullable String name) {
        return name == null ? NONE : names.computeIfAbsent(name, k -> names.size());
    }

    private void place(int j) {
        Wanted job = jobs.get(j);
        Wanted.Fixed wish = job.fixed();
        fixedOn[j] = NONE;
        fixedAt[j] = Double.NaN;
        Arrays.fill(printMinutes[j], Double.NaN);
        for (Wanted.Place place : job.places()) {
            int m = machine(place.machine());
            if (m == NONE || wish != null && !wish.machine().equals(place.machine())) {
                continue;
            }
            printMinutes[j][m] = 60 * place.hours();
            success[j][m] = place.success();
            if (wish != null) {
                fixedOn[j] = m;
                fixedAt[j] = minutes(wish.at(), Double.NaN);
            }
        }
    }

    private int machine(String code) {
        return IntStream.range(0, stands.size())
                .filter(m -> stands.get(m).machine().equals(code))
                .findFirst()
                .orElse(NONE);
    }

    private int[] fixedOn(int m) {
        List<Integer> here = new ArrayList<>();
        for (int j = 0; j < jobs.size(); j++) {
            if (timed(j) && fixedOn[j] == m) {
                here.add(j);
            }
        }
        here.sort(Comparator.comparingDouble(j -> fixedAt[j]));
        return here.stream().mapToInt(Integer::intValue).toArray();
    }

    /** Whether somebody said on which machine and when; such jobs are in no order. */
    boolean timed(int j) {
        return fixedOn[j] != NONE && !Double.isNaN(fixedAt[j]);
    }

    boolean possible(int j, int m) {
        return !Double.isNaN(printMinutes[j][m]);
    }

    boolean anywhere(int j) {
        return Arrays.stream(printMinutes[j]).anyMatch(h -> !Double.isNaN(h));
    }

    int machines() {
        return stands.size();
    }

    Instant time(double minutes) {
        return at.plusMillis(Math.round(minutes * 60_000));
    }
}
