package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.sim.chance.Chance;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import keel.sim.world.Parameters;
import keel.sim.world.Rooms;
import keel.sim.world.Site;

/**
 * Fourteen months of Saltmarsh Pattern Works up to a given end, the same for the same seed, end and zone: the simulated
 * shop with the planted stories. At the end Dunlin prints, Bittern is on hold, Fulmar is due, Curlew's film and
 * Godwit's tank are near their ends, the others are ready.
 */
public final class Story {

    static final String PARAMETERS = "shop-a";

    /** The demo's. */
    public static final long SEED = Parameters.shipped(PARAMETERS).seed();

    /** How far back it goes. */
    public static final Duration LENGTH = Duration.ofDays(425);

    private static final double DAYS_A_MONTH = 365.25 / 12;

    /** How large the shop is and how far back its records go. */
    public record Size(int machines, Duration length) {

        /** The demo's. */
        public static final Size SALTMARSH = new Size(Saltmarsh.MACHINES.size(), LENGTH);

        public static Size of(int machines, int months) {
            return new Size(machines, Duration.ofDays(Math.round(months * DAYS_A_MONTH)));
        }
    }

    private static final int ROUNDS = 8;

    /** About how many days ago the hours begin that are wanted at the end. */
    private static final Map<String, Integer> USUAL_DAYS = Map.of("curlew", 84, "godwit", 42, "fulmar", 60);

    private final Chance chance;
    private final Shop shop;
    private final Instant end;
    private final ZoneId zone;
    private final Size size;

    private Story(long seed, Instant end, ZoneId zone, Size size) {
        this.size = size;
        this.chance = Chance.of(seed).stream("story");
        this.shop = new Shop(Parameters.shipped(PARAMETERS), seed, zone);
        this.end = end.truncatedTo(ChronoUnit.SECONDS);
        this.zone = zone;
    }

    /**
     * A whole story.
     *
     * @param start when the records begin
     * @param happenings in the order in which they happened
     * @param history what was true behind it
     */
    public record Told(Instant start, List<Happening> happenings, Shop.History history) {}

    public static Told tell(long seed, Instant end, ZoneId zone) {
        return tell(seed, end, zone, Size.SALTMARSH);
    }

    /** The same in a shop with more machines like its own, and a longer past. */
    public static Told tell(long seed, Instant end, ZoneId zone, Size size) {
        return new Story(seed, end, zone, size).tell();
    }

    /** Only what was true behind it: the same shop, without what people wrote, photographed and stored meanwhile. */
    public static Shop.History history(long seed, Instant end, ZoneId zone) {
        Story story = new Story(seed, end, zone, Size.SALTMARSH);
        Shop.History history = story.history();
        new ScreenStory(history, new Days(story.end, zone), story.chance.stream("screens")).spots();
        return history;
    }

    private Shop.History history() {
        Instant start = end.minus(size.length());
        return history(start, daysForHours(start, new Days(end, zone)));
    }

    private Shop.History history(Instant start, Map<String, Integer> daysForHours) {
        SaltmarshPlots plots = new SaltmarshPlots(new Days(end, zone), daysForHours);
        return shop.run(Saltmarsh.sites(size.machines()), start, end, site -> plots.of(site.code()));
    }

    private List<Happening> wash(Shop.History history) {
        return new WashStory(chance.stream("wash"), end).happenings(history.happenings());
    }

    /**
     * What the shop and its wash place are in the middle of: all of the story that depends on the hour it ends. The
     * hours of three machines' parts are only about what the whole story makes them.
     */
    static List<Happening> goingOn(long seed, Instant end, ZoneId zone) {
        Story story = new Story(seed, end, zone, Size.SALTMARSH);
        Shop.History history = story.history(story.end.minus(LENGTH), USUAL_DAYS);
        List<Happening> all = new ArrayList<>(history.happenings());
        all.addAll(story.wash(history));
        return all;
    }

    private Told tell() {
        Instant start = end.minus(size.length());
        Days days = new Days(end, zone);
        Shop.History history = history();
        FilmStory films = new FilmStory(history, days, chance.stream("films"));
        ScreenStory screens = new ScreenStory(history, days, chance.stream("screens"));
        List<Happening> all = new ArrayList<>(screens.withSpares(films.withPacks()));
        all.addAll(films.happenings());
        all.addAll(screens.happenings());
        all.addAll(new StoresStory(chance.stream("stores")).happenings(history.happenings(), start, end));
        List<Happening> wash = wash(history);
        all.addAll(wash);
        all.addAll(new AirStory(history.rooms(), chance.stream("air"), end).happenings(wash));
        all.addAll(SettingsStory.happenings(start, days, Saltmarsh.machines(size.machines())));
        all.addAll(QuirksStory.happenings(history.machines(), days));
        all.addAll(readings(history.rooms(), start));
        all.sort(Comparator.comparing(Happening::at));
        return new Told(start, List.copyOf(all), history);
    }

    /**
     * When hours must begin to be as many as wanted at the end: from a first run of those machines. Days have their own
     * chance, so little shifts.
     */
    private Map<String, Integer> daysForHours(Instant start, Days days) {
        Map<String, Integer> found = new HashMap<>(USUAL_DAYS);
        List<Site> sites = Saltmarsh.sites().stream()
                .filter(s -> SaltmarshPlots.HOURS_AT_END.containsKey(s.code()))
                .toList();
        for (Site site : sites) {
            double wanted = SaltmarshPlots.HOURS_AT_END.get(site.code());
            double nearest = Double.MAX_VALUE;
            int began = found.get(site.code());
            for (int round = 0; round < ROUNDS && nearest > SaltmarshPlots.NEAR_ENOUGH_H.get(site.code()); round++) {
                List<SaltmarshPlots.RunSpan> runs = runs(site, start, days, Map.of(site.code(), began));
                double off = Math.abs(SaltmarshPlots.hoursFrom(days.before(began), runs) - wanted);
                if (off < nearest) {
                    nearest = off;
                    found.put(site.code(), began);
                }
                began = round < ROUNDS / 2
                        ? SaltmarshPlots.daysFor(wanted, runs, end)
                        : found.get(site.code()) + (round % 2 == 0 ? 1 : -1) * (round / 2 - 1);
            }
        }
        return found;
    }

    private List<SaltmarshPlots.RunSpan> runs(Site site, Instant start, Days days, Map<String, Integer> began) {
        SaltmarshPlots plots = new SaltmarshPlots(days, began);
        return runs(shop.run(List.of(site), start, end, s -> plots.of(s.code())), site.code());
    }

    private static List<SaltmarshPlots.RunSpan> runs(Shop.History history, String machine) {
        return history.happenings().stream()
                .filter(h -> h instanceof Happening.RunDone r && r.machine().equals(machine))
                .map(Happening.RunDone.class::cast)
                .map(r -> new SaltmarshPlots.RunSpan(r.startedAt(), r.at()))
                .toList();
    }

    /** The rooms are read most mornings. */
    private List<Happening> readings(Rooms rooms, Instant start) {
        List<Happening> all = new ArrayList<>();
        for (int day = (int) Duration.between(start, end).toDays() - 1; day >= 0; day--) {
            Chance morning = chance.stream("reading", day);
            Instant at = day == 0
                    ? end.minus(Duration.ofMinutes(95))
                    : end.atZone(zone)
                            .toLocalDate()
                            .minusDays(day)
                            .atTime(8, 0)
                            .atZone(zone)
                            .toInstant()
                            .plus(Duration.ofMinutes(morning.below(40)));
            if (day == 0 || morning.happens(0.7) && at.isBefore(end.minus(Duration.ofHours(2)))) {
                all.add(read(rooms, "long-room", at));
                all.add(read(rooms, "annexe", at.plusSeconds(240)));
            }
        }
        return all;
    }

    private static Happening read(Rooms rooms, String room, Instant at) {
        Rooms.Air air = rooms.at(room, at);
        return new Happening.RoomRead(
                at, "operator", room, Math.round(air.temperatureC() * 10) / 10.0, Math.round(air.humidityPercent()));
    }
}
