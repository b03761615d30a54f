package keel.app.stores;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keel.app.fleet.ShopSettings;
import keel.app.standing.EveryPart;
import keel.app.standing.MachineNow;
import keel.app.standing.PartLives;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.life.PartLife;
import keel.core.life.TabulatedLife;
import keel.core.spares.SpareDemand;
import keel.core.standing.Defaults;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import keel.core.wear.Lifespan;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Spares of films, tanks and screens, machines that can share them together: from what is in service now, how old it
 * is, how long such parts last and how much each machine prints; beside what lies on the shelf.
 */
@Service
@Transactional(readOnly = true)
public class Spares implements PartNeeds {

    private static final int SHOWN_BEYOND = 2;
    private static final double A_YEAR_DAYS = 365;
    private static final int TELLS_DAYS = 60;

    public static final double LEAD_DAYS = 14;
    public static final double SERVICE_PERCENT = 95;

    private final Standings standings;
    private final ShopSettings settings;
    private final OnHand onHand;
    private final PriceRecords records;
    private final PartLives lives;
    private final EveryPart parts;
    private final Clock clock;

    /** What a part in service leads to; most are as old as when it was asked last. */
    private final Cache<SpareDemand.InService, double[]> ends =
            Caffeine.newBuilder().maximumSize(2_000).build();

    /** How many of it and those that follow end in a year. */
    private final Cache<SpareDemand.InService, Double> yearly =
            Caffeine.newBuilder().maximumSize(2_000).build();

    Spares(
            Standings standings,
            ShopSettings settings,
            OnHand onHand,
            PriceRecords records,
            PartLives lives,
            EveryPart parts,
            Clock clock) {
        this.standings = standings;
        this.settings = settings;
        this.onHand = onHand;
        this.records = records;
        this.lives = lives;
        this.parts = parts;
        this.clock = clock;
    }

    /** What there is to go on with where a film or tank of a machine of this model has ended. */
    public AtHand atHand(PartUse.UsedPart kind, String model) {
        return onHand.atHand(kind, model);
    }

    /**
     * A stock, and the chance that somebody waits with it; whether it is the one that is wanted, and the one that there
     * is.
     */
    record Level(int stock, double waits, boolean wanted, boolean there) {}

    /**
     * Parts of a kind that fit the same machines.
     *
     * @param models names of these machines' models, {@code modelCodes} their codes
     * @param inService how many are in machines, {@code knownFrom} how their life is known
     * @param endsLastYear how many ended in the last 365 days, whatever the reason
     * @param expected ends within the lead time, {@code perYear} over the coming year, those that follow included
     * @param stock that is wanted, {@code price} of one
     * @param lots what lies on the shelf, {@code there} how many that are, {@code waits} the chance of waiting with
     *     them
     * @param tiedUp money in what lies there
     * @param levels chance of waiting by stock
     */
    public record SpareLine(
            PartUse.UsedPart kind,
            Set<String> models,
            Set<String> modelCodes,
            int inService,
            int endsLastYear,
            String knownFrom,
            double expected,
            double perYear,
            int stock,
            double price,
            List<OnHand.Lot> lots,
            int there,
            double waits,
            double tiedUp,
            List<Level> levels) {

        /** Fewer than wanted, if more than 0. */
        public int lacking() {
            return Math.max(0, stock - there);
        }
    }

    private record Used(MachineNow machine, PartUse part) {}

    /** What all lines are reckoned from, read once. */
    private record Grounds(
            Defaults defaults,
            OnHand.Shelf shelf,
            PartLives.Book book,
            List<EveryPart.Lives> ever,
            Map<Long, Double> hoursOfAYear) {

        /** Print hours of a machine in the coming year: as in the last, or as lately where that tells too little. */
        double aYear(MachineNow machine) {
            return hoursOfAYear.getOrDefault(machine.id(), machine.hoursPerDay() * A_YEAR_DAYS);
        }

        /** Print hours a day until a spare could come: as lately, or as over the year where that was more. */
        double aDay(MachineNow machine) {
            return Math.max(machine.hoursPerDay(), aYear(machine) / A_YEAR_DAYS);
        }

        PartLife life(Used used) {
            return book.turnover(used.part().part(), used.machine().model());
        }

        /** Of a kind, for machines of these models. */
        List<EveryPart.Lives> of(PartUse.UsedPart kind, Set<String> models) {
            return ever.stream()
                    .filter(l -> l.kind().equals(kind.name()) && models.contains(l.modelName()))
                    .toList();
        }
    }

    private Grounds grounds() {
        return new Grounds(settings.defaults(), onHand.shelf(), lives.book(), parts.lives(), hoursOfAYear());
    }

    /** What cannot be asked. */
    public static void check(double leadDays, double percent, Findings findings) {
        findings.range(leadDays, 0.5, 365, "leadDays", "The time until a new one comes", "days");
        findings.range(percent, 1, 99.9, "percent", "The chance of not waiting", "%");
    }

    public List<SpareLine> lines(double leadDays, double serviceLevel) {
        Grounds grounds = grounds();
        return pooled().map(used -> line(used, leadDays, serviceLevel, grounds)).toList();
    }

    /** Parts in service that the same spare fits, together. */
    private Stream<List<Used>> pooled() {
        Map<String, String> pools = pools();
        return new TreeMap<>(standings.all().stream()
                        .filter(m -> m.standing().state() != MachineState.OFF)
                        .flatMap(m -> m.worn().stream()
                                .filter(p -> p.part() != PartUse.UsedPart.LIGHT)
                                .map(p -> new Used(m, p)))
                        .collect(Collectors.groupingBy(u -> u.part().part().ordinal() + " "
                                + (u.part().part() == PartUse.UsedPart.SCREEN
                                        ? pools.getOrDefault(
                                                u.machine().model(), u.machine().model())
                                        : u.machine().model()))))
                .values().stream();
    }

    @Override
    public Now now() {
        Grounds grounds = grounds();
        List<List<Used>> pools = pooled().toList();
        return (kind, model, leadDays, serviceLevel) -> pools.stream()
                .filter(used -> used.get(0).part().part().name().equals(kind)
                        && used.stream().anyMatch(u -> u.machine().model().equals(model)))
                .findFirst()
                .map(used -> line(used, leadDays, serviceLevel, grounds))
                .map(l -> new Need(l.stock(), l.there(), l.waits(), l.perYear()));
    }

    /** Models of machines that a model of screen fits together, each by the name of the first of them. */
    private Map<String, String> pools() {
        List<PriceRecords.Fit> fits = records.screenFits();
        Map<String, String> first = new HashMap<>();
        fits.forEach(f -> first.put(f.model(), f.model()));
        Map<Long, List<String>> together = fits.stream()
                .collect(Collectors.groupingBy(
                        PriceRecords.Fit::part, Collectors.mapping(PriceRecords.Fit::model, Collectors.toList())));
        together.values().forEach(models -> {
            String pool = first.get(models.get(0));
            models.forEach(m -> {
                String other = first.get(m);
                first.replaceAll((k, v) -> v.equals(other) ? pool : v);
            });
        });
        return first;
    }

    private SpareLine line(List<Used> used, double leadDays, double serviceLevel, Grounds grounds) {
        PartUse.UsedPart kind = used.get(0).part().part();
        Set<String> models = used.stream().map(u -> u.machine().model()).collect(Collectors.toCollection(TreeSet::new));
        List<EveryPart.Lives> ever = grounds.of(kind, models);
        SpareDemand demand = demand(used, leadDays, grounds);
        int stock = demand.stockFor(serviceLevel);
        List<OnHand.Lot> lots = grounds.shelf().of(kind, models);
        int there = lots.stream().mapToInt(OnHand.Lot::count).sum();
        double price = grounds.defaults().value(kind.prefix() + ".price");
        double tiedUp = lots.stream()
                .mapToDouble(l -> l.worth() == null ? l.count() * price : l.worth())
                .sum();
        List<Level> levels = IntStream.concat(IntStream.rangeClosed(0, stock + SHOWN_BEYOND), IntStream.of(there))
                .distinct()
                .mapToObj(n -> new Level(n, Math.max(0, 1 - demand.enough(n)), n == stock, n == there))
                .toList();
        return new SpareLine(
                kind,
                models,
                ever.stream().map(EveryPart.Lives::model).collect(Collectors.toCollection(TreeSet::new)),
                used.size(),
                ever.stream().mapToInt(EveryPart.Lives::endsLastYear).sum(),
                grounds.life(used.get(0)).knownFrom(),
                demand.expected(),
                used.stream()
                        .mapToDouble(u ->
                                yearly.get(inService(u, grounds.aYear(u.machine()), grounds), SpareDemand::expected))
                        .sum(),
                stock,
                price,
                lots,
                there,
                Math.max(0, 1 - demand.enough(there)),
                tiedUp,
                levels);
    }

    /** Of machines that have printed for long enough to tell. */
    private Map<Long, Double> hoursOfAYear() {
        Instant now = clock.instant();
        return records.paces(now.minus(Duration.ofDays((long) A_YEAR_DAYS))).stream()
                .filter(p -> Duration.between(p.first(), now).toDays() >= TELLS_DAYS)
                .collect(Collectors.toMap(
                        PriceRecords.Pace::machine,
                        p -> p.hours()
                                * A_YEAR_DAYS
                                / Math.max(
                                        TELLS_DAYS,
                                        Duration.between(p.first(), now).toHours() / 24.0)));
    }

    private static SpareDemand.InService inService(Used used, double hours, Grounds grounds) {
        PartLife life = grounds.life(used);
        double uvShare = used.machine().uvShare();
        return new SpareDemand.InService(
                life.span(),
                life.age(used.part().usage()),
                life.use(hours, uvShare),
                used.part().condition() == null ? null : new Seen(used.part(), uvShare));
    }

    /** When a part that somebody looked at will have ended, by the use of it on the clock of its life. */
    private record Seen(PartUse part, double uvShare) implements DoubleUnaryOperator {

        @Override
        public double applyAsDouble(double use) {
            return part.endedAfter(use, uvShare);
        }
    }

    private SpareDemand demand(List<Used> used, double leadDays, Grounds grounds) {
        List<SpareDemand.InService> parts = used.stream()
                .map(u -> inService(u, grounds.aDay(u.machine()) * leadDays, grounds))
                .toList();
        double oldest = parts.stream().mapToDouble(p -> p.age() + p.use()).max().orElse(0);
        Map<Lifespan, Lifespan> tables = new IdentityHashMap<>();
        return SpareDemand.together(parts.stream()
                .map(part -> ends.get(
                        part,
                        p -> SpareDemand.ends(new SpareDemand.InService(
                                tables.computeIfAbsent(p.life(), life -> TabulatedLife.of(life, oldest)),
                                p.age(),
                                p.use(),
                                p.seen()))))
                .toList());
    }
}
