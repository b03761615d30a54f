package keel.app.standing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.Remembered;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.ShopSettings;
import keel.core.life.AgeReplacement;
import keel.core.life.ChangeRule;
import keel.core.life.ChangeSchool;
import keel.core.life.CheapestAge;
import keel.core.life.KindOfLife;
import keel.core.life.LifeClock;
import keel.core.life.Lived;
import keel.core.life.PartLife;
import keel.core.life.SchoolCost;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import keel.core.wear.WeibullLife;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** Lives of films, tanks and screens as the records know them, for each kind and size; what states and gates go by. */
@Service
@Transactional(readOnly = true)
public class PartLives {

    private static final int A_YEAR_DAYS = 365;
    private static final int MOST_KINDS = 200;
    private static final List<String> CAUSES = Stream.of(PartUse.UsedPart.values())
            .flatMap(p -> p.failsBy().stream())
            .distinct()
            .toList();

    private final PartQueries parts;
    private final ShopSettings settings;
    private final ChangeSchools schools;
    private final Clock clock;
    private final Remembered<Fits> looked = new Remembered<>();
    private volatile Fits fits;

    /** Fitted anew only for kinds and sizes of which a part was used since. */
    private final Cache<LifeOf, KindOfLife> lives =
            Caffeine.newBuilder().maximumSize(MOST_KINDS).build();

    private final Cache<GroupOf, Group> grouped =
            Caffeine.newBuilder().maximumSize(MOST_KINDS).build();

    private record LifeOf(List<Lived> parts, WeibullLife usual, LifeClock clock) {}

    private record GroupOf(List<PartAge> parts, Defaults defaults, ChangeSchool school, LocalDate day) {}

    PartLives(PartQueries parts, ShopSettings settings, ChangeSchools schools, Clock clock) {
        this.parts = parts;
        this.settings = settings;
        this.schools = schools;
        this.clock = clock;
    }

    /** A part with what it has been through; {@code where} is the machine or vat that it was in last. */
    public record PartAge(
            String code,
            PartUse.UsedPart kind,
            String model,
            Lived lived,
            Instant endedAt,
            String where,
            boolean fitted) {

        boolean ended() {
            return endedAt != null;
        }
    }

    /**
     * A part in service with what is left of it on the clock: until one in ten, half and nine in ten such have ended.
     */
    public record Left(PartAge part, double age, double failsInJob, double low, double median, double high) {}

    /**
     * Parts of one kind and size together.
     *
     * @param life how long they last
     * @param causes how many ended by what, most first
     * @param inService those that are in a vat or machine now, with what is left
     * @param costs of a change
     * @param endCost what an end costs on the whole, where some are seen before they spoil a print
     * @param replace when to change, by the fitted life and the shop's costs
     * @param cheapest the age that the records speak for
     * @param rule when they are changed
     * @param parts how many there ever were, {@code ends} how many of these ended, for whatever reason
     * @param schools what each school would have cost over the last year
     */
    public record Group(
            PartUse.UsedPart kind,
            String model,
            KindOfLife life,
            Map<String, Long> causes,
            List<Left> inService,
            ChangeCosts costs,
            double endCost,
            AgeReplacement replace,
            CheapestAge cheapest,
            ChangeRule rule,
            int parts,
            int ends,
            ChangeSchool school,
            List<SchoolCost> schools) {

        public LifeClock clock() {
            return life.clock();
        }
    }

    /**
     * All sizes of a kind: what a change costs, by which school it is changed, and what each would have cost over the
     * last year.
     */
    public record LivesOfKind(
            PartUse.UsedPart kind,
            ChangeCosts costs,
            ChangeSchool school,
            List<SchoolCost> schools,
            List<Group> groups) {

        /** The school that would have cost least; null where nothing was printed. */
        public ChangeSchool cheapest() {
            return schools.stream()
                    .filter(s -> s.hours() > 0)
                    .min(Comparator.comparing(SchoolCost::perHour))
                    .map(SchoolCost::school)
                    .orElse(null);
        }
    }

    /** Lives by kind and size; those of which too few have ended go by what is usual. */
    public record Book(
            Map<String, PartLife> known,
            Map<String, PartLife> turnover,
            Map<PartUse.UsedPart, ChangeSchool> schools,
            Defaults defaults) {

        /** How long until another is needed, whatever ends it: by the shop's own ends, few as they may be. */
        public PartLife turnover(PartUse.UsedPart kind, String model) {
            return turnover.getOrDefault(key(kind, model), defaults.usual(kind));
        }

        /** @param model name of the machine model that it fits */
        public PartLife of(PartUse.UsedPart kind, String model) {
            PartLife life = known.get(key(kind, model));
            if (life != null) {
                return life;
            }
            PartLife usual = defaults.usual(kind);
            ChangeRule rule = ChangeRule.of(schools.get(kind), false, null, usual);
            return usual.changedAt(rule.at(), rule.clock());
        }
    }

    private record Fits(LocalDate day, List<Object> marks, Book book) {}

    /** All kinds and sizes of which there is any, films first. */
    public List<Group> groups() {
        Defaults defaults = settings.defaults();
        Map<PartUse.UsedPart, ChangeSchool> by = schools.all();
        return byKind(all()).values().stream()
                .map(parts -> grouped.get(
                        new GroupOf(parts, defaults, by.get(parts.get(0).kind()), today()),
                        of -> group(of.parts(), of.defaults(), of.school())))
                .toList();
    }

    /** The same by kind. */
    public List<LivesOfKind> kinds() {
        Map<PartUse.UsedPart, List<Group>> byKind =
                groups().stream().collect(Collectors.groupingBy(Group::kind, TreeMap::new, Collectors.toList()));
        return byKind.values().stream().map(PartLives::kind).toList();
    }

    private static LivesOfKind kind(List<Group> groups) {
        List<SchoolCost> schools = Stream.of(ChangeSchool.values())
                .map(s -> groups.stream()
                        .flatMap(g -> g.schools().stream())
                        .filter(c -> c.school() == s)
                        .reduce(SchoolCost::plus)
                        .orElseThrow())
                .toList();
        return new LivesOfKind(
                groups.get(0).kind(), groups.get(0).costs(), groups.get(0).school(), schools, groups);
    }

    /**
     * What is known of lives now. Looked at again when something was written that lives are reckoned from, when a
     * figure changed, and once a day; fitted anew only where it makes a difference.
     */
    public Book book() {
        Fits now = looked.get(this::look);
        if (!now.day().equals(today()) || now.book().defaults() != settings.defaults()) {
            looked.forget();
            now = looked.get(this::look);
        }
        return now.book();
    }

    private Fits look() {
        Defaults defaults = settings.defaults();
        PartQueries.Marks ends = parts.marks();
        List<Object> marks = List.of(ends, parts.failuresBy(CAUSES), parts.lastChoice(), defaults);
        Fits before = fits;
        if (before == null || !before.day().equals(today()) || !before.marks().equals(marks)) {
            Map<PartUse.UsedPart, ChangeSchool> by = schools.all();
            boolean few = ends.endsByThemselves() < KindOfLife.ENDS_THAT_TELL;
            before = new Fits(
                    today(), marks, new Book(few ? Map.of() : fitted(defaults, by), turnover(defaults), by, defaults));
            fits = before;
        }
        return before;
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), settings.zone());
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(RunsChanged event) {
        looked.forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(LivesChanged event) {
        looked.forget();
    }

    private Map<String, PartLife> fitted(Defaults defaults, Map<PartUse.UsedPart, ChangeSchool> by) {
        Map<String, PartLife> known = new LinkedHashMap<>();
        byKind(all()).forEach((key, parts) -> {
            if (parts.stream().filter(p -> p.lived().endedByItself()).count() >= KindOfLife.ENDS_THAT_TELL) {
                KindOfLife life = life(parts, defaults);
                if (life.known()) {
                    known.put(key, partLife(parts, life, by.get(parts.get(0).kind()), defaults));
                }
            }
        });
        return known;
    }

    private Map<String, PartLife> turnover(Defaults defaults) {
        Map<String, PartLife> until = new LinkedHashMap<>();
        byKind(all()).forEach((key, parts) -> {
            if (parts.stream().anyMatch(PartAge::ended)) {
                KindOfLife life = life(
                        parts.get(0).kind(),
                        parts.stream().map(p -> p.lived().whateverEndedIt()).toList(),
                        defaults);
                until.put(
                        key,
                        new PartLife(
                                life.span(),
                                life.clock(),
                                life.clockPerHour(),
                                Double.POSITIVE_INFINITY,
                                life.clock(),
                                life.ends()));
            }
        });
        return until;
    }

    private static PartLife partLife(List<PartAge> parts, KindOfLife life, ChangeSchool school, Defaults defaults) {
        PartUse.UsedPart kind = parts.get(0).kind();
        PartLife usual = defaults.usual(kind);
        PartLife known = new PartLife(
                life.span(), life.clock(), life.clockPerHour(), Double.POSITIVE_INFINITY, life.clock(), life.ends());
        CheapestAge cheapest = null;
        if (school == ChangeSchool.RECORDS) {
            ChangeCosts costs = ChangeCosts.of(defaults, kind);
            cheapest = cheapest(parts, life, replacement(parts, life, costs), costs, usual);
        }
        ChangeRule rule = ChangeRule.of(school, true, cheapest, usual);
        return known.changedAt(rule.at(), rule.clock());
    }

    private Group group(List<PartAge> parts, Defaults defaults, ChangeSchool school) {
        PartUse.UsedPart kind = parts.get(0).kind();
        KindOfLife life = life(parts, defaults);
        ChangeCosts costs = ChangeCosts.of(defaults, kind);
        double job = defaults.value("job.typicalHours") * life.clockPerHour();
        List<Left> left = parts.stream()
                .filter(p -> !p.ended() && p.fitted())
                .map(p -> left(p, life, job))
                .sorted(Comparator.comparing(Left::failsInJob).reversed())
                .toList();
        AgeReplacement replace = replacement(parts, life, costs);
        CheapestAge cheapest = cheapest(parts, life, replace, costs, defaults.usual(kind));
        return new Group(
                kind,
                parts.get(0).model(),
                life,
                causes(parts),
                left,
                costs,
                endCost(parts, costs),
                replace,
                cheapest,
                ChangeRule.of(school, life.known(), cheapest, defaults.usual(kind)),
                parts.size(),
                (int) parts.stream().filter(PartAge::ended).count(),
                school,
                lastYear(parts, life, cheapest, costs, defaults));
    }

    private KindOfLife life(List<PartAge> parts, Defaults defaults) {
        return life(parts.get(0).kind(), parts.stream().map(PartAge::lived).toList(), defaults);
    }

    private KindOfLife life(PartUse.UsedPart kind, List<Lived> parts, Defaults defaults) {
        return lives.get(
                new LifeOf(parts, defaults.life(kind), kind.usualClock()),
                of -> KindOfLife.of(of.parts(), of.usual(), of.clock()));
    }

    private static AgeReplacement replacement(List<PartAge> parts, KindOfLife life, ChangeCosts costs) {
        return AgeReplacement.of(life.span(), costs.plannedCost(), endCost(parts, costs));
    }

    /** While too few ended to tell it is the shop's own age. */
    private static CheapestAge cheapest(
            List<PartAge> parts, KindOfLife life, AgeReplacement replace, ChangeCosts costs, PartLife usual) {
        return !life.known()
                ? new CheapestAge(usual.replaceAt(), usual.clock(), CheapestAge.Which.OWN)
                : CheapestAge.of(
                        replace,
                        life.clock(),
                        usual.replaceAt(),
                        usual.clock(),
                        parts.stream().map(PartAge::lived).toList(),
                        costs.plannedCost(),
                        costs.failureCost());
    }

    private static double endCost(List<PartAge> parts, ChangeCosts costs) {
        return costs.endCost(
                (int) parts.stream()
                        .filter(p -> p.lived().endedByItself() && p.lived().inPrint())
                        .count(),
                (int) parts.stream().filter(p -> p.lived().endedByItself()).count());
    }

    /** Of the parts that ended in the last year or are in service. */
    private List<SchoolCost> lastYear(
            List<PartAge> parts, KindOfLife life, CheapestAge cheapest, ChangeCosts costs, Defaults defaults) {
        Instant from =
                clock.instant().atOffset(ZoneOffset.UTC).minusDays(A_YEAR_DAYS).toInstant();
        List<Lived> lived = parts.stream()
                .filter(p -> p.endedAt() == null || p.endedAt().isAfter(from))
                .map(PartAge::lived)
                .filter(l -> l.usage().hours() > 0)
                .toList();
        PartLife usual = defaults.usual(parts.get(0).kind());
        return Stream.of(ChangeSchool.values())
                .map(s -> switch (s) {
                    case RECORDS ->
                        SchoolCost.of(
                                s, lived, cheapest.at(), cheapest.clock(), costs.plannedCost(), costs.failureCost());
                    case FIXED_AGE ->
                        SchoolCost.of(
                                s, lived, usual.replaceAt(), usual.clock(), costs.plannedCost(), costs.failureCost());
                    case SIGNS ->
                        SchoolCost.of(
                                s,
                                lived,
                                Double.POSITIVE_INFINITY,
                                life.clock(),
                                costs.plannedCost(),
                                costs.failureCost());
                })
                .toList();
    }

    private static Map<String, Long> causes(List<PartAge> parts) {
        Map<String, Long> sorted = new LinkedHashMap<>();
        parts.stream()
                .filter(p -> p.lived().endReason() != null)
                .collect(Collectors.groupingBy(p -> p.lived().endReason(), Collectors.counting()))
                .entrySet()
                .stream()
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey()))
                .forEach(e -> sorted.put(e.getKey(), e.getValue()));
        return sorted;
    }

    private static Left left(PartAge p, KindOfLife of, double job) {
        double age = p.lived().age(of.clock());
        return new Left(
                p,
                age,
                of.span().failsWithin(age, job),
                of.span().left(age, 0.1),
                of.span().left(age, 0.5),
                of.span().left(age, 0.9));
    }

    private static Map<String, List<PartAge>> byKind(List<PartAge> parts) {
        return parts.stream()
                .collect(Collectors.groupingBy(p -> key(p.kind(), p.model()), TreeMap::new, Collectors.toList()));
    }

    private static String key(PartUse.UsedPart kind, String model) {
        return kind.ordinal() + " " + model;
    }

    private List<PartAge> all() {
        return Stream.concat(
                        aged(ComponentKind.FILM, PartUse.UsedPart.FILM),
                        aged(ComponentKind.SCREEN, PartUse.UsedPart.SCREEN))
                .toList();
    }

    /** Parts of a kind, with whether a print showed by its failure that they were at their end. */
    private Stream<PartAge> aged(ComponentKind kind, PartUse.UsedPart part) {
        Map<Long, List<FailureBefore>> failures =
                parts.failuresOf(part.failsBy()).stream().collect(Collectors.groupingBy(f -> f.machineId));
        return parts.aged(kind).stream()
                .map(p -> p.age(p.endedAt != null
                        && failures.getOrDefault(p.endedOn, List.of()).stream()
                                .anyMatch(f -> f.inLastPrintBefore(p.endedAt))));
    }
}
