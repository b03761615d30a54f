package keel.core.pattern;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Pattern.Like;
import org.jspecify.annotations.Nullable;

/**
 * Looks for groups of prints that fail more often than the rest: by every trait, with exact chances, many looks at once
 * accounted for (see {@link StandsOut}), and each find held against whatever else could explain it. Least numbers are
 * common practice, no source.
 */
public final class PatternSearch {

    public static final int LEAST_PRINTS = 10;
    public static final int LEAST_FAILED = 3;

    private static final double NO_MORE = 0.05;
    private static final double SAME_PRINTS = 0.9;
    private static final double ENOUGH_COMPARED = 0.5;

    private final List<Told> prints;
    private final double falseDiscovery;
    private final Map<Group, Set<Long>> members = new LinkedHashMap<>();
    private final Map<Group, Counts> counts = new HashMap<>();

    private PatternSearch(List<Told> prints, double falseDiscovery) {
        this.prints = prints;
        this.falseDiscovery = falseDiscovery;
        for (Told print : prints) {
            print.traits().forEach((trait, value) -> {
                Group group = new Group(trait, value);
                members.computeIfAbsent(group, g -> new HashSet<>()).add(print.id());
                counts.merge(group, new Counts(1, print.failed() ? 1 : 0), (a, b) -> a.and(print.failed()));
            });
        }
    }

    /**
     * @param falseDiscovery share of finds that may be chance
     * @return what stands out, the least likely by chance first
     */
    public static List<Pattern> of(List<Told> prints, double falseDiscovery) {
        return new PatternSearch(prints, falseDiscovery).found();
    }

    /** A group that was looked at; {@code least} is the smallest p that it could have had. */
    private record Looked(Group group, Counts own, Counts rest, double shrunk, double p, double least) {

        boolean worse() {
            return own.rate() > rest.rate();
        }
    }

    private List<Pattern> found() {
        List<Looked> looked = looked();
        double[] p = looked.stream().mapToDouble(Looked::p).toArray();
        double[] least = looked.stream().mapToDouble(Looked::least).toArray();
        boolean[] out = StandsOut.among(p, least, falseDiscovery);
        double[] adjusted = StandsOut.adjusted(p);
        Map<Group, Double> believed = new HashMap<>();
        List<Looked> standing = new ArrayList<>();
        for (int i = 0; i < p.length; i++) {
            if (out[i] && looked.get(i).worse() && enough(looked.get(i).own())) {
                standing.add(looked.get(i));
                believed.put(looked.get(i).group(), adjusted[i]);
            }
        }
        standing.sort(Comparator.comparingDouble(Looked::p)
                .thenComparing(l -> l.group().trait()));
        return sifted(standing, believed);
    }

    private static boolean enough(Counts own) {
        return own.prints() >= LEAST_PRINTS && own.failed() >= LEAST_FAILED;
    }

    private Counts of(Group group) {
        return counts.getOrDefault(group, Counts.NONE);
    }

    /** All groups of traits by which prints differ. */
    private List<Looked> looked() {
        Map<Trait, List<Group>> byTrait = new EnumMap<>(Trait.class);
        members.keySet().forEach(g -> byTrait.computeIfAbsent(g.trait(), t -> new ArrayList<>())
                .add(g));
        List<Looked> looked = new ArrayList<>();
        byTrait.values().stream().filter(groups -> groups.size() > 1).forEach(groups -> looked.addAll(looked(groups)));
        return looked;
    }

    /** Groups of too few prints are taken together, so that they count among the rest and take no look of their own. */
    private List<Looked> looked(List<Group> groups) {
        Counts all = groups.stream().map(this::of).reduce(Counts.NONE, Counts::with);
        List<Group> many =
                groups.stream().filter(g -> of(g).prints() >= LEAST_PRINTS).toList();
        List<Rates.Counted> counted = new ArrayList<>();
        Counts few = all;
        for (Group g : many) {
            counted.add(new Rates.Counted(g.value(), of(g).failed(), of(g).prints()));
            few = few.less(of(g));
        }
        if (few.prints() > 0) {
            counted.add(new Rates.Counted("", few.failed(), few.prints()));
        }
        List<Looked> looked = new ArrayList<>();
        if (counted.size() > 1) {
            List<Rates.Group> rates = Rates.of(counted, falseDiscovery).groups();
            for (int i = 0; i < many.size(); i++) {
                Counts own = of(many.get(i));
                Rates.Group rate = rates.get(i);
                looked.add(new Looked(many.get(i), own, all.less(own), rate.shrunk(), rate.p(), rate.least()));
            }
        }
        return looked;
    }

    /** The clearest first; what is no more to be seen beside a clearer one stands behind it. */
    private List<Pattern> sifted(List<Looked> standing, Map<Group, Double> adjusted) {
        Map<Looked, List<Group>> alike = new LinkedHashMap<>();
        Map<Looked, List<Group>> behind = new LinkedHashMap<>();
        for (Looked next : standing) {
            Looked same = first(alike, k -> overlap(k.group(), next.group()) >= SAME_PRINTS);
            Looked clearer = same != null ? null : first(alike, k -> explains(k.group(), next.group()));
            if (same != null) {
                add(alike, same, next.group());
            } else if (clearer != null) {
                add(behind, clearer, next.group());
            } else if (printedAlike(next) != null) {
                alike.put(next, new ArrayList<>());
                behind.put(next, new ArrayList<>());
            }
        }
        List<Pattern> found = new ArrayList<>();
        alike.forEach((l, same) -> found.add(new Pattern(
                l.group(),
                l.own(),
                l.rest(),
                l.shrunk(),
                l.p(),
                adjusted.getOrDefault(l.group(), 1.0),
                List.copyOf(same),
                List.copyOf(behind.getOrDefault(l, List.of())),
                held(l))));
        return found;
    }

    private static @Nullable Looked first(Map<Looked, List<Group>> kept, Predicate<Looked> holds) {
        return kept.keySet().stream().filter(holds).findFirst().orElse(null);
    }

    private static void add(Map<Looked, List<Group>> to, Looked of, Group group) {
        to.computeIfAbsent(of, k -> new ArrayList<>()).add(group);
    }

    private double overlap(Group a, Group b) {
        Set<Long> of = members(a);
        Set<Long> other = members(b);
        long both = of.stream().filter(other::contains).count();
        return both / (double) (of.size() + other.size() - both);
    }

    private Set<Long> members(Group group) {
        return members.getOrDefault(group, Set.of());
    }

    /** Whether the second group fails no more than others once prints in and out of the first are held apart. */
    private boolean explains(Group clearer, Group next) {
        Set<Long> of = members(clearer);
        WithinStrata within = within(next, print -> of.contains(print.id()) ? "in" : "out");
        return within.p() > NO_MORE || within.odds() < 1;
    }

    private interface Stratum {
        @Nullable
        String of(Told print);
    }

    private WithinStrata within(Group group, Stratum stratum) {
        Map<String, int[]> tables = new HashMap<>();
        for (Told print : prints) {
            String in = stratum.of(print);
            String value = print.is(group.trait());
            if (in != null && value != null) {
                int[] t = tables.computeIfAbsent(in, k -> new int[4]);
                int at = value.equals(group.value()) ? 0 : 2;
                t[at]++;
                t[at + 1] += print.failed() ? 1 : 0;
            }
        }
        return WithinStrata.of(tables.values().stream()
                .map(t -> new WithinStrata.Table(t[0], t[1], t[2], t[3]))
                .toList());
    }

    private Like held(Looked l) {
        Like like = printedAlike(l);
        return like == null ? Like.CANNOT_TELL : like;
    }

    /** How it fares among prints of the same job, resin, detail; null where it is no more to be seen in one of them. */
    private @Nullable Like printedAlike(Looked l) {
        Like like = Like.CANNOT_TELL;
        for (Trait trait : Trait.values()) {
            if (trait.ofWhatIsPrinted() && trait != l.group().trait()) {
                WithinStrata within = within(l.group(), print -> print.is(trait));
                if (within.compared() >= ENOUGH_COMPARED * l.own().prints()) {
                    if (within.p() > NO_MORE || within.odds() < 1) {
                        return null;
                    }
                    like = Like.HOLDS;
                }
            }
        }
        return like;
    }
}
