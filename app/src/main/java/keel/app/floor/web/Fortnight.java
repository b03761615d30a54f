package keel.app.floor.web;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import keel.app.prints.Printed;

/**
 * The last fourteen days of each machine: a bar a day, upward the hours of prints that came out, downward and solid
 * those that did not. Beneath, what the figures say.
 */
public final class Fortnight {

    static final int DAYS = 14;

    private static final double DAY_WIDTH = 7;
    private static final double UP = 26;
    private static final double DOWN = 18;
    private static final double HOURS_OF_A_FULL_BAR = 16;
    private static final double LEAST = 4;
    private static final double SUSPICIOUS = 0.25;

    private static final Strip NOTHING = strip(List.of(), LocalDate.EPOCH, ZoneOffset.UTC);

    private final Map<String, Strip> strips = new TreeMap<>();

    public Fortnight(List<Printed> printed, Instant now, ZoneId zone) {
        LocalDate today = now.atZone(zone).toLocalDate();
        printed.stream()
                .collect(Collectors.groupingBy(Printed::machine))
                .forEach((machine, runs) -> strips.put(machine, strip(runs, today, zone)));
    }

    /** Where the fortnight begins. */
    static Instant from(Instant now, ZoneId zone) {
        return now.atZone(zone)
                .toLocalDate()
                .minusDays(DAYS - 1L)
                .atStartOfDay(zone)
                .toInstant();
    }

    /** One machine's strip, with the same in words. */
    public record Strip(double width, double height, double base, List<Bar> bars, int prints, int bad, String words) {

        double badShare() {
            return (double) bad / prints;
        }
    }

    /** One day's bar: x, y, height, px; bad are those that did not come out. */
    public record Bar(double x, double y, double h, boolean bad, String title) {}

    public Strip of(String machine) {
        return strips.getOrDefault(machine, NOTHING);
    }

    private static Strip strip(List<Printed> runs, LocalDate today, ZoneId zone) {
        Map<LocalDate, List<Printed>> byDay = runs.stream()
                .collect(Collectors.groupingBy(r -> r.startedAt().atZone(zone).toLocalDate()));
        List<Bar> bars = new ArrayList<>();
        for (int day = 0; day < DAYS; day++) {
            List<Printed> that = byDay.getOrDefault(today.minusDays(DAYS - 1L - day), List.of());
            add(bars, day, that.stream().filter(r -> !r.bad()).toList(), false);
            add(bars, day, that.stream().filter(Printed::bad).toList(), true);
        }
        int bad = (int) runs.stream().filter(Printed::bad).count();
        return new Strip(
                DAYS * DAY_WIDTH,
                UP + DOWN,
                UP,
                bars,
                runs.size(),
                bad,
                runs.isEmpty()
                        ? "No prints in fourteen days."
                        : runs.size() + " prints in fourteen days, "
                                + (bad == 0 ? "all came out" : bad + " did not come out") + ".");
    }

    private static void add(List<Bar> bars, int day, List<Printed> runs, boolean bad) {
        if (runs.isEmpty()) {
            return;
        }
        double hours = runs.stream().mapToDouble(Printed::hours).sum();
        double height = Math.max(LEAST, Math.min(1, hours / HOURS_OF_A_FULL_BAR) * (bad ? DOWN : UP));
        bars.add(new Bar(
                day * DAY_WIDTH + 1,
                bad ? UP + 1 : UP - height,
                height,
                bad,
                String.format(Locale.ROOT, "%d %s, %.1f h", runs.size(), bad ? "failed" : "came out", hours)));
    }

    /** What the fortnight says in a sentence or two. */
    public String sentence(Map<String, String> names) {
        int prints = strips.values().stream().mapToInt(Strip::prints).sum();
        int bad = strips.values().stream().mapToInt(Strip::bad).sum();
        if (prints == 0) {
            return "Nothing was printed in the last fourteen days.";
        }
        String worst = strips.entrySet().stream()
                .filter(m -> m.getValue().bad() >= 3 && m.getValue().badShare() >= SUSPICIOUS)
                .max(Comparator.comparingDouble(m -> m.getValue().badShare()))
                .map(m -> " " + names.getOrDefault(m.getKey(), m.getKey()) + " lost "
                        + m.getValue().bad() + " of " + m.getValue().prints() + ".")
                .orElse("");
        return prints + " prints in fourteen days, " + (prints - bad) + " came out." + worst;
    }
}
