package keel.sim.shop;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.wear.Usage;
import keel.sim.story.Saltmarsh;
import keel.sim.world.Parameters;
import keel.sim.world.Site;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.junit.jupiter.api.Test;

/**
 * A whole shop: the same every time, hanging together, with causes of many kinds at rates that such a shop could have.
 */
class ShopTest {

    private static final Instant START = Instant.parse("2024-01-01T00:00:00Z");
    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();

    private static Shop.History shop(String parameters, long seed, int days, List<Site> sites) {
        return new Shop(Parameters.shipped(parameters), seed, ZoneOffset.UTC)
                .run(sites, START, START.plus(Duration.ofDays(days)), s -> Plot.none());
    }

    private static final Shop.History TWO_YEARS = shop("shop-a", 7, 730, Saltmarsh.sites());

    @Test
    void theSameSeedGivesTheSameShopAndAMachineMoreChangesNothingOnTheOthers() {
        List<Site> two = Saltmarsh.sites().subList(0, 2);
        Shop.History once = shop("shop-a", 3, 90, two);
        assertThat(shop("shop-a", 3, 90, two).happenings()).isEqualTo(once.happenings());
        assertThat(shop("shop-a", 4, 90, two).happenings()).isNotEqualTo(once.happenings());
        List<Happening> besides =
                shop("shop-a", 3, 90, Saltmarsh.sites().subList(0, 3)).happenings();
        assertThat(runs(besides).stream()
                        .filter(r -> !r.machine().equals("curlew"))
                        .toList())
                .isEqualTo(runs(once.happenings()));
    }

    @Test
    void runsDoNotOverlapAndTheUvTimeFitsIntoThem() {
        Map<String, List<Happening.RunDone>> byMachine =
                runs(TWO_YEARS.happenings()).stream().collect(Collectors.groupingBy(Happening.RunDone::machine));
        byMachine.values().forEach(runs -> {
            for (int i = 0; i < runs.size(); i++) {
                Happening.RunDone run = runs.get(i);
                assertThat(i == 0 || !run.startedAt().isBefore(runs.get(i - 1).at()))
                        .isTrue();
                int layers = run.reachedLayer() == null ? run.layers() : run.reachedLayer();
                assertThat(layers * run.layerExposureS())
                        .isLessThan(Duration.between(run.startedAt(), run.at()).toSeconds());
            }
        });
    }

    @Test
    void theSumsAreThoseOfTheRuns() {
        TWO_YEARS.sums().forEach((machine, sums) -> {
            Usage sum = runs(TWO_YEARS.happenings()).stream()
                    .filter(r -> r.machine().equals(machine))
                    .map(r -> Usage.ofRun(
                            Duration.between(r.startedAt(), r.at()).toSeconds() / 3600.0,
                            r.reachedLayer() == null ? r.layers() : r.reachedLayer(),
                            r.layerExposureS(),
                            r.resinMl()))
                    .reduce(Usage.NONE, Usage::plus);
            assertThat(sums.machine()).isEqualTo(sum);
            assertThat(sums.film().hours()).isLessThanOrEqualTo(sum.hours());
        });
    }

    @Test
    void causesOfManyKindsOccurAndAllAreOfTheOpenFormat() {
        List<Truth> failures =
                TWO_YEARS.truths().stream().filter(t -> t.failureKey() != null).toList();
        Set<String> causes = failures.stream().flatMap(t -> t.causes().stream()).collect(Collectors.toSet());
        assertThat(causes)
                .allSatisfy(c -> assertThat(KNOWLEDGE.cause(c)).isPresent())
                .hasSizeGreaterThan(32);
        double share = (double) failures.size() / runs(TWO_YEARS.happenings()).size();
        assertThat(share).isBetween(0.10, 0.20);
        Map<String, Long> first =
                failures.stream().collect(Collectors.groupingBy(t -> t.causes().get(0), Collectors.counting()));
        assertThat(first.values().stream().mapToLong(Long::longValue).max().orElseThrow())
                .as("no cause rules all")
                .isLessThan(failures.size() / 4);
    }

    /** How often a print is left on the plate and the next one hits it, against the parameter. */
    @Test
    void printsAreLeftOnThePlateAsOftenAsTheFigureSays() {
        long good = runs(TWO_YEARS.happenings()).stream()
                .filter(r -> r.outcome().equals("GOOD"))
                .count();
        long hits = TWO_YEARS.truths().stream()
                .filter(t -> t.causes().get(0).equals("print-left-on"))
                .count();
        BinomialDistribution counts = BinomialDistribution.of(
                (int) good, Parameters.shipped("shop-a").people().leavesPrintOn());
        assertThat((int) hits)
                .isBetween(counts.inverseCumulativeProbability(0.001), counts.inverseCumulativeProbability(0.999));
    }

    @Test
    void thePeopleAreSometimesRightAndSometimesNot() {
        Map<String, List<String>> truth = TWO_YEARS.truths().stream()
                .filter(t -> t.failureKey() != null)
                .collect(Collectors.toMap(Truth::failureKey, Truth::causes));
        List<Happening.CauseNamed> named = TWO_YEARS.happenings().stream()
                .filter(h ->
                        h instanceof Happening.CauseNamed c && c.certainty().equals("PRESUMED"))
                .map(Happening.CauseNamed.class::cast)
                .toList();
        double right = (double) named.stream()
                        .filter(c -> truth.get(c.failureKey()).contains(c.cause()))
                        .count()
                / named.size();
        assertThat(right).isBetween(0.3, 0.8);
    }

    @Test
    void theOtherShopIsAnotherShop() {
        Shop.History b = shop("shop-b", 7, 365, Saltmarsh.sites());
        double share =
                (double) b.truths().stream().filter(t -> t.failureKey() != null).count()
                        / runs(b.happenings()).size();
        assertThat(share).isBetween(0.13, 0.30);
        assertThat(Parameters.shipped("shop-b")).isNotEqualTo(Parameters.shipped("shop-a"));
    }

    private static List<Happening.RunDone> runs(List<Happening> happenings) {
        return happenings.stream()
                .filter(Happening.RunDone.class::isInstance)
                .map(Happening.RunDone.class::cast)
                .toList();
    }
}
