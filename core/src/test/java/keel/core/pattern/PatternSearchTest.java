package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Pattern.Like;
import org.junit.jupiter.api.Test;

/** Shops drawn by chance with one known fault, or none: it is found, and nothing else is. */
class PatternSearchTest {

    private static final Instant FROM = Instant.parse("2025-01-01T08:00:00Z");
    private static final String[] MACHINES = {"m1", "m2", "m3", "m4", "m5", "m6"};
    private static final String[] PACKS = {"p1", "p2", "p3", "p4"};
    private static final String[] JOBS = {"plain", "tall", "fine"};

    private interface Chance {
        double of(Map<Trait, String> traits);
    }

    private static List<Told> shop(int prints, long seed, Chance fails) {
        Random random = new Random(seed);
        List<Told> told = new ArrayList<>();
        for (int i = 0; i < prints; i++) {
            Map<Trait, String> traits = new EnumMap<>(Trait.class);
            int machine = random.nextInt(MACHINES.length);
            traits.put(Trait.MACHINE, MACHINES[machine]);
            traits.put(Trait.ROOM, machine < 3 ? "long" : "annexe");
            traits.put(Trait.FILM_PACK, PACKS[random.nextInt(PACKS.length)]);
            traits.put(Trait.JOB, JOBS[random.nextInt(JOBS.length)]);
            traits.put(Trait.WEEKDAY, "d" + i % 7);
            told.add(new Told(i, FROM.plus(Duration.ofHours(6L * i)), random.nextDouble() < fails.of(traits), traits));
        }
        return told;
    }

    @Test
    void findsADentedPackAndNothingElse() {
        int found = 0;
        for (long seed = 0; seed < 20; seed++) {
            List<Pattern> patterns =
                    PatternSearch.of(shop(400, seed, t -> t.get(Trait.FILM_PACK).equals("p2") ? 0.3 : 0.06), 0.1);
            found += patterns.stream().anyMatch(p -> p.group().equals(new Group(Trait.FILM_PACK, "p2"))) ? 1 : 0;
            assertThat(patterns.size()).isLessThanOrEqualTo(3);
        }
        assertThat(found).isGreaterThanOrEqualTo(19);
    }

    @Test
    void whereNothingIsTheMatterLittleIsFound() {
        int finds = 0;
        for (long seed = 100; seed < 140; seed++) {
            finds += PatternSearch.of(shop(400, seed, t -> 0.1), 0.1).size();
        }
        assertThat(finds).as("in forty shops").isLessThanOrEqualTo(6);
    }

    /** One room is bad because one of its machines is: the room stands behind the machine. */
    @Test
    void whatAClearerOneExplainsStandsBehindIt() {
        List<Pattern> patterns =
                PatternSearch.of(shop(900, 5, t -> t.get(Trait.MACHINE).equals("m2") ? 0.45 : 0.05), 0.1);

        assertThat(patterns).extracting(Pattern::group).containsExactly(new Group(Trait.MACHINE, "m2"));
        assertThat(patterns.get(0).behind()).contains(new Group(Trait.ROOM, "long"));
        assertThat(patterns.get(0).likeWithLike()).isEqualTo(Like.HOLDS);
    }

    /** A machine that gets most of the hard jobs is no worse than others with the same jobs. */
    @Test
    void aMachineThatPrintsWhatIsHardIsNotBlamed() {
        List<Told> told = new ArrayList<>();
        Random random = new Random(3);
        for (int i = 0; i < 600; i++) {
            boolean hard = random.nextInt(4) == 0;
            String machine = hard && random.nextInt(5) > 0 ? "m1" : MACHINES[random.nextInt(MACHINES.length)];
            told.add(new Told(
                    i,
                    FROM.plus(Duration.ofHours(5L * i)),
                    random.nextDouble() < (hard ? 0.4 : 0.05),
                    Map.of(Trait.MACHINE, machine, Trait.JOB, hard ? "tall" : "plain")));
        }
        List<Pattern> patterns = PatternSearch.of(told, 0.1);

        assertThat(patterns).extracting(Pattern::group).containsExactly(new Group(Trait.JOB, "tall"));
    }

    /** A pack that was only ever on one machine: the prints cannot say which of the two it is. */
    @Test
    void whatIsTheSamePrintsIsSaidTogether() {
        List<Told> told = shop(300, 8, t -> t.get(Trait.MACHINE).equals("m4") ? 0.4 : 0.05).stream()
                .map(t -> {
                    Map<Trait, String> traits = new EnumMap<>(t.traits());
                    traits.put(Trait.FILM_PACK, "m4".equals(t.is(Trait.MACHINE)) ? "only here" : "elsewhere");
                    return new Told(t.id(), t.at(), t.failed(), traits);
                })
                .toList();
        List<Pattern> patterns = PatternSearch.of(told, 0.1);

        assertThat(patterns).hasSize(1);
        Pattern only = patterns.get(0);
        assertThat(only.alike()).hasSize(1);
        assertThat(List.of(only.group().trait(), only.alike().get(0).trait()))
                .containsExactlyInAnyOrder(Trait.MACHINE, Trait.FILM_PACK);
        assertThat(only.own().rate()).isGreaterThan(only.rest().rate());
        assertThat(only.more().low()).isPositive();
    }

    @Test
    void fewPrintsSayNothing() {
        assertThat(PatternSearch.of(List.of(), 0.1)).isEmpty();
        assertThat(PatternSearch.of(shop(3, 1, t -> 1), 0.1)).isEmpty();
        assertThat(PatternSearch.of(shop(9, 1, t -> t.get(Trait.MACHINE).equals("m1") ? 1 : 0), 0.1))
                .isEmpty();
    }
}
