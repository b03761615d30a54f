package keel.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.people.Actor;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import keel.core.wear.Usage;
import keel.sim.shop.Happening;
import keel.sim.shop.Plot;
import keel.sim.shop.Shop;
import keel.sim.story.Saltmarsh;
import keel.sim.world.Parameters;
import keel.sim.world.Site;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;

/**
 * Property: whatever a simulated shop goes through, the meters that the application derives from its records are the
 * sums that the simulator kept for itself, and what is in the vat is what was poured less what was printed.
 */
@Import(DemoChapters.class)
class MetersEqualSumsTest extends AppTest {

    private static final Instant START = TestShop.SINCE.plus(Duration.ofDays(3));

    @Autowired
    private Replay replay;

    @Autowired
    private Standings standings;

    @Autowired
    private Resins resins;

    @Autowired
    private Stock stock;

    @ParameterizedTest
    @ValueSource(longs = {1, 4})
    void derivedMetersAreTheSimulatorsOwnSums(long seed) {
        live(seed);
    }

    void live(long seed) {
        shop.people();
        stores();
        Site site = site(shop.bolted("BOLTS_4"));
        Shop.History history = new Shop(Parameters.shipped("shop-b"), seed, ZoneOffset.UTC)
                .run(List.of(site), START, START.plus(Duration.ofDays(150)), s -> Plot.none());
        List<Happening> happenings = new ArrayList<>(List.of(new Happening.ProfileBegun(
                START,
                "keeper",
                site.code(),
                site.resin(),
                "MAKER",
                site.sheets().get(site.resin()))));
        happenings.addAll(history.happenings());

        replay.enter(happenings, actors());

        shop.as("keeper");
        MachineNow now = standings.of(site.code());
        Shop.Sums sums = history.sums().get(site.code());
        assertSame(now.sinceRecords(), sums.machine());
        assertSame(now.film().usage(), sums.film());
        assertSame(now.screen().usage(), sums.screen());
        assertThat(sums.machine().prints()).isGreaterThan(150);
        assertThat(sums.film().prints())
                .as("the film was changed")
                .isLessThan(sums.machine().prints());
    }

    private static void assertSame(Usage derived, Usage summed) {
        assertThat(derived.hours()).isCloseTo(summed.hours(), within(1e-6));
        assertThat(derived.uvHours()).isCloseTo(summed.uvHours(), within(1e-6));
        assertThat(derived.layers()).isEqualTo(summed.layers());
        assertThat(derived.prints()).isEqualTo(summed.prints());
        assertThat(derived.resinMl()).isCloseTo(summed.resinMl(), within(1e-6));
    }

    private static Site site(String code) {
        Site like = Saltmarsh.sites().get(0);
        return new Site(
                code,
                like.kind(),
                144,
                81,
                175,
                false,
                false,
                like.room(),
                "PAPER",
                false,
                like.resin(),
                like.fillMl(),
                2.2,
                new Site.Before(0, 0, 0),
                like.sheets());
    }

    private Map<String, Actor> actors() {
        Map<String, Actor> actors = new HashMap<>();
        for (String signIn : List.of("owner", "keeper", "operator")) {
            shop.as(signIn);
            actors.put(signIn, Actor.current());
        }
        return actors;
    }

    /** What the simulated people take from, once for all seeds. */
    private void stores() {
        shop.as("keeper");
        if (resins.all(true).stream().noneMatch(r -> r.code().equals("reed-grey"))) {
            Saltmarsh.RESINS.forEach(r -> resins.add(r.name(), r.density()));
            List.of("Film sheet 144", "Screen 144", "Storage sticks")
                    .forEach(i -> stock.addItem(i, "pieces", null, 1000.0));
        }
    }
}
