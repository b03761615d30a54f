package keel.core.pattern;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import keel.core.pattern.Pattern.Group;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * How soon a share that has doubled is found, and how often one is found that has not: forty shops of seven machines
 * each, drawn by chance, looked at once a week for twenty weeks. Beside it in the same run the likelihood ratio that
 * knows the day, the group and the factor, at 5 %: nobody can be sooner at that level.
 */
@Tag("bench")
class PatternsBench {

    private static final int SHOPS = 40;
    private static final int MACHINES = 7;
    private static final int BEFORE_DAYS = 140;
    private static final int WEEKS = 20;
    private static final double FACTOR = 2;
    private static final double ALIKE = 0.075;
    private static final double LEVEL = Math.log(20);
    private static final int LATE = 25;
    private static final double FALSE_DISCOVERY = 0.1;
    private static final Instant BEGIN = Instant.parse("2025-01-06T06:00:00Z");

    /** What is planted. */
    private enum Planted {
        NOTHING,
        MACHINE,
        ROOM,
        PACK,
        RESIN
    }

    /** A shop's prints in order, and its chances; {@code group} is what fails twice as often from a day on. */
    private record Shop(List<Told> prints, List<Double> usual, Group group, Instant since) {}

    private static Shop shop(int seed, Planted planted) {
        Random random = new Random(1000L * planted.ordinal() + seed);
        double[] base = planted == Planted.NOTHING
                ? DoubleStream.generate(() -> ALIKE).limit(MACHINES).toArray()
                : random.doubles(MACHINES, 0.05, 0.1).toArray();
        Instant since = BEGIN.plus(Duration.ofDays(BEFORE_DAYS));
        Group group = group(planted, random);
        List<Told> prints = new ArrayList<>();
        List<Double> usual = new ArrayList<>();
        for (int day = 0; day < BEFORE_DAYS + 7 * WEEKS; day++) {
            for (int slot = 0; slot < 2; slot++) {
                for (int m = 0; m < MACHINES; m++) {
                    if (random.nextDouble() < 0.7) {
                        Instant at = BEGIN.plus(Duration.ofHours(24L * day + 10L * slot))
                                .plusSeconds(60L * m);
                        Map<Trait, String> traits = traits(m, day, random);
                        boolean hit = group != null
                                && !at.isBefore(since)
                                && group.value().equals(traits.get(group.trait()));
                        double chance = base[m] * (hit ? FACTOR : 1);
                        prints.add(new Told(prints.size(), at, random.nextDouble() < chance, traits));
                        usual.add(base[m]);
                    }
                }
            }
        }
        return new Shop(prints, usual, group, since);
    }

    private static Group group(Planted planted, Random random) {
        return switch (planted) {
            case NOTHING -> null;
            case MACHINE -> new Group(Trait.MACHINE, "m" + random.nextInt(MACHINES));
            case ROOM -> new Group(Trait.ROOM, "r1");
            case PACK -> new Group(Trait.FILM_PACK, "k3");
            case RESIN -> new Group(Trait.RESIN, "grey");
        };
    }

    /** Three machines stand in the second room; from the day on some films come from a fresh pack. */
    private static Map<Trait, String> traits(int m, int day, Random random) {
        Map<Trait, String> traits = new EnumMap<>(Trait.class);
        traits.put(Trait.MACHINE, "m" + m);
        traits.put(Trait.ROOM, m < 4 ? "r0" : "r1");
        traits.put(Trait.RESIN, List.of("grey", "clear", "tough").get(random.nextInt(3)));
        traits.put(Trait.JOB, "j" + random.nextInt(12));
        traits.put(Trait.FILM_PACK, day >= BEFORE_DAYS && m % 3 == 0 ? "k3" : "k" + (day / 70));
        traits.put(Trait.WEEKDAY, "d" + day % 7);
        traits.put(Trait.WARMTH, "w" + random.nextInt(4));
        return traits;
    }

    /** What stands out among the prints up to a moment. */
    private static Set<Group> standsOut(List<Told> prints) {
        Set<Group> found = new HashSet<>();
        PatternSearch.of(prints, FALSE_DISCOVERY).forEach(p -> {
            found.add(p.group());
            found.addAll(p.alike());
        });
        return found;
    }

    /** The same with machines that turned and all that is over its limit now. */
    private static Set<Group> found(List<Told> prints, Instant now) {
        Set<Group> found = standsOut(prints);
        prints.stream()
                .collect(Collectors.groupingBy(t -> String.valueOf(t.is(Trait.MACHINE))))
                .forEach((machine, of) -> Turn.of(of)
                        .filter(t -> t.worse() && t.clearAmong(MACHINES))
                        .ifPresent(t -> found.add(new Group(Trait.MACHINE, machine))));
        found.addAll(Running.among(prints, found, now).keySet());
        return found;
    }

    private static List<Told> until(Shop shop, Instant now) {
        return shop.prints().stream().filter(t -> t.at().isBefore(now)).toList();
    }

    /** Prints of the group since the day until the ratio that knows all is over its limit; -1 if it never was. */
    private static int bound(Shop shop) {
        double ratio = 0;
        int prints = 0;
        for (int i = 0; i < shop.prints().size(); i++) {
            Told t = shop.prints().get(i);
            if (!t.at().isBefore(shop.since())
                    && shop.group().value().equals(t.is(shop.group().trait()))) {
                double p = shop.usual().get(i);
                prints++;
                ratio += t.failed() ? Math.log(FACTOR) : Math.log((1 - FACTOR * p) / (1 - p));
                if (ratio >= LEVEL) {
                    return prints;
                }
            }
        }
        return -1;
    }

    /** Turns take long and are of machines only. */
    private static boolean named(Shop shop, Instant now) {
        List<Told> prints = until(shop, now);
        if (shop.group().trait() == Trait.MACHINE) {
            return found(prints, now).contains(shop.group());
        }
        Set<Group> found = standsOut(prints);
        found.addAll(Running.among(prints, found, now).keySet());
        return found.contains(shop.group());
    }

    /** Prints of the group since the day until it is named; -1 if it never is, 0 if it was named before the day. */
    private static int foundAfter(Shop shop) {
        if (named(shop, shop.since())) {
            return 0;
        }
        for (int week = 1; week <= WEEKS; week++) {
            Instant now = shop.since().plus(Duration.ofDays(7L * week));
            if (named(shop, now)) {
                return (int) until(shop, now).stream()
                        .filter(t -> !t.at().isBefore(shop.since())
                                && shop.group().value().equals(t.is(shop.group().trait())))
                        .count();
            }
        }
        return -1;
    }

    @Test
    void plantedDoublings() {
        for (Planted planted : List.of(Planted.MACHINE, Planted.ROOM, Planted.PACK, Planted.RESIN)) {
            int known = 0;
            int before = 0;
            int found = 0;
            int soon = 0;
            List<Integer> later = new ArrayList<>();
            for (int seed = 0; seed < SHOPS; seed++) {
                Shop shop = shop(seed, planted);
                int bound = bound(shop);
                int after = foundAfter(shop);
                if (after == 0) {
                    before++;
                    continue;
                }
                known += bound > 0 ? 1 : 0;
                found += after > 0 ? 1 : 0;
                soon += bound > 0 && after > 0 && after <= bound + LATE ? 1 : 0;
                if (bound > 0 && after > 0) {
                    later.add(after - bound);
                }
            }
            int[] sorted = later.stream().mapToInt(Integer::intValue).sorted().toArray();
            System.out.printf(
                    "%-8s %d of %d named before already; of the others the bound finds %d, found %d; "
                            + "within %d prints of the bound %d; prints after it, median %s%n",
                    planted,
                    before,
                    SHOPS,
                    known,
                    found,
                    LATE,
                    soon,
                    sorted.length == 0 ? "-" : sorted[sorted.length / 2]);
        }
    }

    @Test
    void whereNothingIsPlanted() {
        int[] falseFinds = new int[SHOPS];
        for (int seed = 0; seed < SHOPS; seed++) {
            Shop shop = shop(seed, Planted.NOTHING);
            Set<Group> ever = new HashSet<>();
            for (int week = 1; week <= WEEKS; week++) {
                Instant now = shop.since().plus(Duration.ofDays(7L * week));
                ever.addAll(found(until(shop, now), now));
            }
            falseFinds[seed] = ever.size();
        }
        double quarters = SHOPS * WEEKS / 13.0;
        System.out.printf(
                "NOTHING  false finds a shop and quarter: %.2f%n",
                Arrays.stream(falseFinds).sum() / quarters);
    }
}
