package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.app.prints.RunChange;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.quick.LabelCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Stock that books itself: by prints, by bottles that are opened, by deliveries. */
class CountedStoresTest extends PageTest {

    @Autowired
    private Stock stock;

    @Autowired
    private Bottles bottles;

    @Autowired
    private Buying buying;

    @Autowired
    private Resins resins;

    @Autowired
    private IdleResin idle;

    @Autowired
    private Runs runs;

    @Autowired
    private JdbcClient jdbc;

    private String machine;

    @BeforeEach
    void open() {
        shop.people();
        shop.as("keeper");
        machine = shop.maskMachine();
    }

    @Test
    void aPrintTakesWhatEveryPrintTakesAndGivesItBackWhenItIsWithdrawn() {
        String item = shop.item("Run gloves " + machine, 10);
        accepted(
                "/stores/" + item + "/change",
                "name",
                "Run gloves",
                "unit",
                stock.one(item).unit(),
                "lowAt",
                "",
                "perRun",
                "2");
        jdbc.sql("update stock_item set per_run_since = timestamp with time zone '2025-01-01 00:00:00+00' "
                        + "where code = ?")
                .param(item)
                .update();
        RunView run = shop.run(machine, 1, 4);
        assertThat(stock.one(item).quantity()).isEqualTo(8);
        runs.correct(run.id(), change(true), "it never ran");
        assertThat(stock.one(item).quantity()).isEqualTo(10);
        runs.correct(run.id(), change(false), "it did after all");
        assertThat(stock.one(item).quantity()).as("and once only").isEqualTo(8);
        accepted(
                "/stores/" + item + "/change",
                "name",
                "Run gloves",
                "unit",
                stock.one(item).unit(),
                "lowAt",
                "",
                "perRun",
                "");
        shop.run(machine, 6, 4);
        assertThat(stock.one(item).quantity()).isEqualTo(8);
        refused(
                422,
                "must be between",
                "/stores/" + item + "/change",
                "name",
                "x",
                "unit",
                stock.one(item).unit(),
                "lowAt",
                "",
                "perRun",
                "-1");
    }

    private static RunChange change(boolean withdrawn) {
        return new RunChange(null, null, null, null, null, null, null, null, null, withdrawn);
    }

    @Test
    void aUnitStaysOnceThingsWereCountedInIt() {
        String item = shop.item("Sheets of " + machine, 5);
        String html = refused(
                409,
                "has movements in it",
                "/stores/" + item + "/change",
                "name",
                "Sheets",
                "unit",
                "metres",
                "lowAt",
                "",
                "perRun",
                "");
        assertThat(html).contains("value=\"metres\"");
        assertThat(stock.one(item).unit()).isNotEqualTo("metres");
        String fresh = stock.addItem("Nothing moved " + machine, "boxes", null, null);
        accepted("/stores/" + fresh + "/change", "name", "Nothing moved", "unit", "bags", "lowAt", "", "perRun", "");
        assertThat(stock.one(fresh).unit()).isEqualTo("bags");
    }

    @Test
    void sealedBottlesAreCountedOpenedAndDelivered() {
        String resin = shop.resin("Counted " + machine);
        String item = stock.addItem("Bottles of " + machine, "bottles", null, 0.0);
        accepted(
                "/stores/resins/" + resin,
                "item",
                item,
                "family",
                "Grey",
                "densityGPerMl",
                "1.1",
                "temperatureFromC",
                "24",
                "temperatureToC",
                "28",
                "nature",
                "TOUGH",
                "washedIn",
                "ALCOHOL",
                "safetySheet",
                "folder",
                "pricePerLitre",
                "");
        List<String> codes = bottles.add(new Bottles.Entry(resin, 3, 500.0, "L1", 20.0, null, false));
        assertThat(stock.one(item).quantity()).isEqualTo(3);
        String vat = shop.now(machine).vat().code();
        accepted("/stores/bottles/" + codes.get(0) + "/pour", "into", vat, "ml", "100", "kind", "POUR");
        assertThat(stock.one(item).quantity()).as("one is open").isEqualTo(2);
        accepted(
                "/stores/bottles/" + codes.get(0) + "/pour",
                "into",
                new LabelCode(LabelCode.LabelKind.VAT, vat).text(),
                "ml",
                "");
        assertThat(shop.now(machine).resinMl())
                .as("a scanned vat is filled to its line of 280 ml")
                .isEqualTo(280);
        assertThat(stock.one(item).quantity()).isEqualTo(2);
        refused(409, "nothing fits in", "/stores/bottles/" + codes.get(0) + "/pour", "into", vat, "ml", "");
        refused(422, "no vat", "/stores/bottles/" + codes.get(0) + "/pour", "into", "V9999", "ml", "10");
        accepted("/stores/bottles/" + codes.get(0), "do", "weighed", "grams", "110");
        assertThat(bottles.one(codes.get(0), "bottle").leftMl()).isEqualTo(100, within(1e-9));
        accepted("/stores/bottles/" + codes.get(0), "do", "empty");
        assertThat(page("/waste")).contains(codes.get(0) + ", Counted");
        long order = buying.order(item, 4.0, 22.0);
        buying.receive(order, 4.0);
        assertThat(stock.one(item).quantity()).isEqualTo(6);
        assertThat(bottles.all(false).stream().filter(b -> b.resin().equals(resin) && b.openedAt() == null))
                .as("each has its label")
                .hasSize(6);
        assertThat(buying.prices(item).get(0).price()).isEqualTo(22);
        assertThat(page("/stores/resins/" + resin)).contains("24 to 28", "tough", codes.get(1));
        assertThat(page("/stores/" + item)).contains("What was paid for one");
        assertThat(page("/stores/bottles/" + codes.get(1))).contains("Scan the vat");
        assertThat(status("/stores/bottles/B99999")).isEqualTo(404);
        assertThat(status("/stores/resins/no-such-resin")).isEqualTo(404);
        refused(
                422,
                "lies below the lowest",
                "/stores/resins/" + resin,
                "temperatureFromC",
                "30",
                "temperatureToC",
                "20");
    }

    @Test
    void resinThatStandsStillIsReturned() {
        resins.pour(
                shop.now(machine).vat().code(),
                shop.resin("Idle " + machine),
                100.0,
                shop.now(machine).since().plusSeconds(3600));
        assertThat(idle.toReturn(List.of(shop.now(machine)))).hasSize(1);
        assertThat(page("/machines/" + machine)).contains("Return its resin");
        assertThat(page("/machines/" + machine + "/start")).contains("It stood still for");
        resins.pour(shop.now(machine).vat().code(), shop.resin("Idle " + machine), 10.0, null);
        assertThat(idle.toReturn(List.of(shop.now(machine)))).isEmpty();
    }

    /** What nobody takes and what lies beside a slow part are said. */
    @Test
    void aSlowPartIsBoughtByTheAgesOfThoseInService() {
        double now = Duration.between(TestShop.SINCE, Instant.now()).toMinutes() / 60.0;
        for (int days = 24; days > 0; days -= 8) {
            shop.run(machine, now - 24 * days, 150);
        }
        String item = stock.addItem("Screens for " + machine, "pieces", null, 0.0);
        stock.spare(item, "SCREEN", shop.modelOf(machine));
        buying.change(item, new Buying.Terms(null, 78.0, null, null, 3000.0, 10.0, "MUCH"));
        Buying.BuyingLine line = buying.one(item);
        assertThat(line.quantity()).isPositive();
        assertThat(line.why()).contains("a year by the ages of those in service");
        stock.move(item, 50.0, "delivery");
        assertThat(buying.one(item).quantity()).isZero();
        assertThat(buying.one(item).dead())
                .as("a spare lies there for a reason")
                .isFalse();
    }
}
