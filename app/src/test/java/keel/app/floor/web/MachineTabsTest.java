package keel.app.floor.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.prints.Runs;
import keel.app.shell.ShopClock;
import keel.app.stores.Costs;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

class MachineTabsTest extends PageTest {

    @Autowired
    private MachineTabs tabs;

    @Autowired
    private Fleet fleet;

    @Autowired
    private Parts parts;

    @Autowired
    private Runs runs;

    @Autowired
    private Failures failures;

    @Autowired
    private Costs costs;

    @Autowired
    private ShopClock clock;

    @AfterEach
    void realTime() {
        clock.tell(null);
    }

    private List<String> names(String path) {
        return tabs.of(path).tabs().stream().map(MachineTabs.Tab::name).toList();
    }

    private String here(String path) {
        return tabs.of(path).tabs().stream()
                .filter(MachineTabs.Tab::here)
                .map(MachineTabs.Tab::name)
                .reduce("", (a, b) -> a + b);
    }

    @Test
    void everyPageAboutAMachineHasTheSameTabsAndOneOfThemIsHere() {
        String m = shop.maskMachine();
        String home = "/machines/" + m;
        List<String> all = names(home);
        assertThat(all)
                .containsExactly("Now", "At the bench", "Plate", "Film", "Screen", "Light", "Profiles", "History");
        String vat = parts.vatOn(fleet.machine(m).id()).code();
        assertThat(here(home)).isEqualTo("Now");
        assertThat(here(home + "/outlook")).isEqualTo("Now");
        assertThat(here(home + "/start")).isEqualTo("Now");
        assertThat(here(home + "/services/LEVELLING")).isEqualTo("At the bench");
        assertThat(here(home + "/stance")).isEqualTo("At the bench");
        assertThat(here(home + "/plate")).isEqualTo("Plate");
        assertThat(here(home + "/smoothing")).isEqualTo("Screen");
        assertThat(here(home + "/uv")).isEqualTo("Light");
        assertThat(here(home + "/profiles/reed-grey")).isEqualTo("Profiles");
        assertThat(here("/vats/" + vat)).isEqualTo("Film");
        assertThat(here("/vats/" + vat + "/tone")).isEqualTo("Film");
        assertThat(names("/vats/" + vat)).isEqualTo(all);
        assertThat(tabs.of("/vats/" + vat).machine()).isEqualTo(fleet.machine(m).name());
    }

    @Test
    void aRunAndAFailureLeadBackToTheirMachine() {
        String m = shop.maskMachine();
        shop.run(m, 2, 4);
        long run = runs.last(m).orElseThrow().id();
        long failure = failures.log(new FailureEntry(m, run, null, List.of("bare-plate"), List.of(), List.of(), null))
                .id();
        assertThat(here("/runs/" + run)).isEqualTo("History");
        assertThat(tabs.of("/runs/" + run).fleet()).isFalse();
        assertThat(tabs.of("/failures/" + failure).path()).isEqualTo("/machines/" + m);
    }

    @Test
    void aLaserTankHasATankAndNeitherScreenNorLight() {
        String m = shop.machine(MachineKind.LASER_TANK, false);
        assertThat(names("/machines/" + m))
                .containsExactly("Now", "At the bench", "Plate", "Tank", "Profiles", "History");
    }

    @Test
    void whatIsAboutNoMachineHasNone() {
        shop.as("keeper");
        for (String path : List.of("/fleet", "/runs", "/machines/heron", "/vats/V9999", "/runs/99999999", "/vats")) {
            assertThat(tabs.of(path)).as(path).isNull();
        }
    }

    @Test
    void whatIsDoneMostOftenStandsFirstAndWhatTakesOneTapIsOne() {
        String m = shop.maskMachine();
        clock.tell(TestShop.at(48));
        String before = page("/machines/" + m + "/bench");
        assertThat(before).contains("Clear the plate", "not on record yet", "More: film and vat");
        for (int i = 0; i < 3; i++) {
            shop.service(m, "LUBRICATION", 3, "part", "RAIL");
        }
        String after = page("/machines/" + m + "/bench");
        assertThat(after.indexOf("Lubricate the Z axis")).isLessThan(after.indexOf("Clear the plate"));
        assertThat(after).contains("value=\"" + m + " greased\"", "value=\"" + m + " levelled\"");
        assertThat(after).contains("/machines/" + m + "/services/FILM_CHANGE", "/machines/" + m + "/do/FILM_CHANGE");
    }

    @Test
    void theHistoryAgreesWithTheCostsAndIsEmptyWhereNothingWasPrinted() {
        String m = shop.maskMachine();
        clock.tell(TestShop.at(48));
        assertThat(page("/machines/" + m + "/history")).contains("It printed nothing in the last twelve months.");
        shop.run(m, 2, 4);
        String history = page("/machines/" + m + "/history");
        assertThat(history).contains("1 of 1 print came out");
        assertThat(shown("/machines/" + m + "/history.csv").html())
                .contains("month,prints,cameOut")
                .contains(",1,1,");
        assertThat(status("/machines/heron/history")).isEqualTo(404);
        Costs.Group mine =
                costs.ofMachine(shop.now(m), TestShop.SINCE, TestShop.at(48)).all();
        Costs.Group there = costs.overview(TestShop.SINCE, TestShop.at(48)).machines().stream()
                .filter(g -> g.name().equals(shop.now(m).name()))
                .findFirst()
                .orElseThrow();
        assertThat(mine.used()).isEqualTo(there.used());
        assertThat(mine.cost()).isEqualTo(there.cost());
        assertThat(mine.lost()).isEqualTo(there.lost());
        assertThat(mine.good()).isEqualTo(there.good());
    }
}
