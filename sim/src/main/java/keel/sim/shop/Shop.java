package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import keel.core.wear.Usage;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import keel.sim.world.Rooms;
import keel.sim.world.Site;

/**
 * A whole shop from a first to a last moment, the same for the same parameters, seed, times and zone. No clock: the
 * times are given.
 */
public final class Shop {

    /** The rooms' weather goes on after the end, for whoever reads a thermometer then. */
    private static final Duration BEYOND = Duration.ofDays(60);

    private final Parameters parameters;
    private final Chance chance;
    private final ZoneId zone;
    private final Map<List<Instant>, Rooms> weather = new HashMap<>();

    public Shop(Parameters parameters, long seed, ZoneId zone) {
        this.parameters = parameters;
        this.chance = Chance.of(seed);
        this.zone = zone;
    }

    /**
     * What happened, and what was true.
     *
     * @param happenings in order of time
     * @param machines as they are at the end
     * @param sums what the simulator itself added up, by machine
     */
    public record History(
            Instant start,
            Instant end,
            List<Happening> happenings,
            List<Truth> truths,
            Map<String, Machine> machines,
            Rooms rooms,
            Map<String, Sums> sums,
            Parameters parameters) {}

    /**
     * Usage since the records began, of the machine, and of the film and the screen that it has now since they were
     * fitted.
     */
    public record Sums(Usage machine, Usage film, Usage screen) {}

    /** The rooms' air, which goes on for a while after the history ends; {@code chance} is that of the seed. */
    public static Rooms weather(Parameters parameters, Chance chance, Instant start, Instant end) {
        return new Rooms(parameters, chance.stream("rooms"), start, end.plus(BEYOND));
    }

    /** @param plots what a story wants of each machine */
    public History run(List<Site> sites, Instant start, Instant end, Function<Site, Plot> plots) {
        return run(sites, start, end, plots, Onlooker.NOBODY);
    }

    /** The same while somebody looks on. */
    public History run(List<Site> sites, Instant start, Instant end, Function<Site, Plot> plots, Onlooker onlooker) {
        Rooms rooms = weather.computeIfAbsent(List.of(start, end), span -> weather(parameters, chance, start, end));
        List<Happening> happenings = new ArrayList<>();
        List<Truth> truths = new ArrayList<>();
        Map<String, Machine> machines = new LinkedHashMap<>();
        Map<String, Sums> sums = new LinkedHashMap<>();
        LocalDate first = start.atZone(zone).toLocalDate().plusDays(1);
        LocalDate last = end.atZone(zone).toLocalDate();
        for (Site site : sites) {
            Machine machine = new Machine(site, parameters, chance.stream("machine " + site.code()));
            Records records = new MachineLife(
                            machine,
                            parameters,
                            rooms,
                            chance.stream("life " + site.code()),
                            zone,
                            start,
                            end,
                            plots.apply(site),
                            onlooker)
                    .live(first, last);
            records.happenings().stream().filter(h -> !h.at().isAfter(end)).forEach(happenings::add);
            records.truths().stream().filter(t -> !t.at().isAfter(end)).forEach(truths::add);
            machines.put(site.code(), machine);
            sums.put(site.code(), records.sums());
        }
        happenings.sort(Comparator.comparing(Happening::at));
        truths.sort(Comparator.comparing(Truth::at));
        return new History(start, end, List.copyOf(happenings), List.copyOf(truths), machines, rooms, sums, parameters);
    }
}
