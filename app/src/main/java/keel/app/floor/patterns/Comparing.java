package keel.app.floor.patterns;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import keel.core.pattern.Compared;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Told;
import keel.core.pattern.Trait;
import keel.core.rate.RateDifference;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Two things that prints are told by, held against one another. */
@Service
@Transactional(readOnly = true)
public class Comparing {

    private static final double DAYS_A_YEAR = 365;

    private final Patterns patterns;

    Comparing(Patterns patterns) {
        this.patterns = patterns;
    }

    /** A thing that can be compared, with how its prints fared. */
    public record Choice(String value, String name, Counts counts) {}

    /**
     * @param choices of the trait, the most prints first
     * @param one the two that are compared; {@code other} null for all others together
     * @param compared null where there is nothing to compare
     * @param says what it says, the verdict first
     * @param worth money a year that the difference makes in the prints of the worse, null where it cannot be told
     * @param alike how both fared within each group of like prints, those of both alone
     */
    public record Compare(
            Trait by,
            List<Choice> choices,
            Choice one,
            Choice other,
            Compared compared,
            List<String> says,
            PatternFinding.Money worth,
            List<Like> alike) {

        /** What the second is called. */
        public String second() {
            return other == null ? "all others" : other.name();
        }
    }

    /** How both fared in prints that are alike. */
    public record Like(String name, Counts one, Counts other) {}

    /** Traits by which the prints of a span differ. */
    public List<Trait> traits(Instant from) {
        Map<Trait, Map<String, Counts>> by =
                counts(patterns.of(from, null).told().told());
        return by.keySet().stream().filter(t -> by.get(t).size() > 1).toList();
    }

    /** @param one value of the trait, empty for the one with the most failures; {@code other} empty for all others */
    public Compare of(Trait by, String one, String other, Instant from) {
        Patterns.Found found = patterns.of(from, null);
        ToldPrints.Prints prints = found.told();
        List<Choice> choices = new ArrayList<>();
        counts(prints.told())
                .getOrDefault(by, Map.of())
                .forEach((v, c) -> choices.add(new Choice(v, prints.name(new Group(by, v)), c)));
        choices.sort(Comparator.comparing((Choice c) -> -c.counts().prints()).thenComparing(Choice::name));
        Choice first = choice(choices, one);
        if (first == null) {
            first = choices.stream()
                    .max(Comparator.comparing(c -> c.counts().failed()))
                    .orElse(null);
        }
        Choice second = choice(choices, other);
        if (first == null || choices.size() < 2 || first.equals(second)) {
            return new Compare(by, choices, first, second, null, List.of(), null, List.of());
        }
        Predicate<Told> own = is(by, first.value());
        Predicate<Told> rest = second == null ? t -> t.is(by) != null && !own.test(t) : is(by, second.value());
        Trait within = by == Trait.MACHINE || by == Trait.ROOM || by == Trait.MODEL ? Trait.RESIN : Trait.MACHINE;
        Compared compared = Compared.of(prints.told(), own, rest, within);
        ComparedWords.Named name =
                new ComparedWords.Named(new Wording(prints).subject(new Group(by, first.value())), true);
        List<String> says = ComparedWords.of(compared, name, second == null ? "all others" : second.name());
        return new Compare(
                by, choices, first, second, compared, says, worth(compared, found, from), alike(compared, prints));
    }

    private static Choice choice(List<Choice> choices, String value) {
        return choices.stream().filter(c -> c.value().equals(value)).findFirst().orElse(null);
    }

    private static Predicate<Told> is(Trait by, String value) {
        return t -> value.equals(t.is(by));
    }

    private static Map<Trait, Map<String, Counts>> counts(List<Told> told) {
        Map<Trait, Map<String, Counts>> by = new EnumMap<>(Trait.class);
        told.forEach(t -> t.traits().forEach((trait, value) -> by.computeIfAbsent(trait, k -> new HashMap<>())
                .merge(value, new Counts(1, t.failed() ? 1 : 0), (a, b) -> a.and(t.failed()))));
        return by;
    }

    /** What the worse of the two would save a year if it fared like the other. */
    private PatternFinding.Money worth(Compared c, Patterns.Found found, Instant from) {
        boolean first = c.says() == Compared.Says.FIRST_FAILS_MORE;
        if (found.perFailure() == null || !first && c.says() != Compared.Says.SECOND_FAILS_MORE) {
            return null;
        }
        Instant begin = found.told().told().get(0).at();
        double years = Math.max(1, patterns.daysSince(begin.isAfter(from) ? begin : from)) / DAYS_A_YEAR;
        double each = found.perFailure() * (first ? c.first() : c.second()).prints() / years;
        RateDifference d = c.more();
        return first
                ? new PatternFinding.Money(d.difference() * each, d.low() * each, d.high() * each)
                : new PatternFinding.Money(-d.difference() * each, -d.high() * each, -d.low() * each);
    }

    private static List<Like> alike(Compared compared, ToldPrints.Prints prints) {
        return compared.strata().stream()
                .map(s -> new Like(prints.name(new Group(compared.alike(), s.value())), s.first(), s.second()))
                .toList();
    }
}
