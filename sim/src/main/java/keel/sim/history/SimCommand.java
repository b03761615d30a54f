package keel.sim.history;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keel.sim.shop.Happening;
import keel.sim.shop.Onlooker;
import keel.sim.shop.Plot;
import keel.sim.shop.Shop;
import keel.sim.story.Saltmarsh;
import keel.sim.world.Parameters;
import keel.sim.world.Site;

/** {@code ./keel sim}: writes the history of a simulated shop of any size, without a story. */
public final class SimCommand {

    private static final String USAGE =
            "Usage: ./keel sim --machines 20 --months 60 --seed 7 --out DIR [--runs-a-day 2.2]"
                    + " [--shop shop-a|shop-b|shop-c|shop-d]";
    private static final LocalDate FIRST_DAY = LocalDate.of(2020, 1, 1);
    private static final int MOST_MACHINES = 500;
    private static final int MOST_MONTHS = 600;
    private static final double MOST_RUNS_A_DAY = 3;

    private SimCommand() {}

    public static void main(String[] arguments) {
        try {
            Map<String, String> options = options(arguments);
            Shop.History history = history(
                    number(options, "machines", 1, MOST_MACHINES),
                    number(options, "months", 1, MOST_MONTHS),
                    runsADay(options),
                    longNumber(options, "seed"),
                    options.getOrDefault("shop", "shop-a"));
            if (!options.containsKey("out")) {
                throw new IllegalArgumentException("Where to write is missing. " + USAGE);
            }
            HistoryFile.write(history, Path.of(options.get("out")));
            System.out.println(summary(history) + " Written to " + options.get("out") + ".");
        } catch (IllegalArgumentException | IOException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    /**
     * A shop without a story, from the first of January 2020 (UTC).
     *
     * @throws IllegalArgumentException if there is no such set of parameters
     */
    public static Shop.History history(int machines, int months, double runsADay, long seed, String parameters) {
        return history(machines, months, runsADay, seed, parameters, Onlooker.NOBODY);
    }

    /** The same while somebody looks on. */
    public static Shop.History history(
            int machines, int months, double runsADay, long seed, String parameters, Onlooker onlooker) {
        Instant start = FIRST_DAY.atStartOfDay(ZoneOffset.UTC).toInstant();
        Instant end = FIRST_DAY
                .plusMonths(months)
                .atStartOfDay(ZoneOffset.UTC)
                .toInstant()
                .minus(Duration.ofMinutes(1));
        return new Shop(Parameters.shipped(parameters), seed, ZoneOffset.UTC)
                .run(sites(machines, runsADay), start, end, site -> Plot.none(), onlooker);
    }

    /** Like the machines of the demo shop, over and over: m01, m02 and so on. */
    private static List<Site> sites(int machines, double runsADay) {
        List<Site> like = Saltmarsh.sites();
        return IntStream.range(0, machines)
                .mapToObj(i -> like.get(i % like.size()).called("m%02d".formatted(i + 1), runsADay))
                .toList();
    }

    private static String summary(Shop.History history) {
        long runs = history.happenings().stream()
                .filter(Happening.RunDone.class::isInstance)
                .count();
        long failures = history.happenings().stream()
                .filter(Happening.FailureSeen.class::isInstance)
                .count();
        return "%d machines, %d runs, %d failures.".formatted(history.machines().size(), runs, failures);
    }

    private static Map<String, String> options(String[] arguments) {
        List<String> known = new ArrayList<>(List.of("machines", "months", "seed", "out", "shop", "runs-a-day"));
        Map<String, String> options =
                new HashMap<>(Map.of("machines", "7", "months", "14", "seed", "7", "runs-a-day", "2.2"));
        for (int i = 0; i < arguments.length; i += 2) {
            String name = arguments[i].replaceFirst("^--", "");
            if (!known.contains(name) || i + 1 >= arguments.length) {
                throw new IllegalArgumentException(
                        (known.contains(name) ? "A value is missing after " : "There is no option ") + arguments[i]
                                + ". " + USAGE);
            }
            options.put(name, arguments[i + 1]);
        }
        return options;
    }

    private static int number(Map<String, String> options, String name, int least, int most) {
        long value = longNumber(options, name);
        if (value < least || value > most) {
            throw new IllegalArgumentException(
                    "--" + name + " goes from " + least + " to " + most + "; this is " + value + ".");
        }
        return (int) value;
    }

    private static double runsADay(Map<String, String> options) {
        try {
            double value = Double.parseDouble(options.get("runs-a-day"));
            if (value > 0 && value <= MOST_RUNS_A_DAY) {
                return value;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new IllegalArgumentException("--runs-a-day is more than 0 and at most " + MOST_RUNS_A_DAY + "; this is "
                + options.get("runs-a-day") + ".");
    }

    private static long longNumber(Map<String, String> options, String name) {
        try {
            return Long.parseLong(options.get(name));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    "--" + name + " takes a whole number; this is " + options.get(name) + ".");
        }
    }
}
