package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import keel.app.failures.Failures;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A print from the plate to the finished part, and the baths it goes through. Times and limits are common practice. */
class WashPagesTest extends PageTest {

    @Autowired
    private Baths baths;

    @Autowired
    private Finishing finishing;

    @Autowired
    private Waste waste;

    @Autowired
    private Failures failures;

    @Autowired
    private JdbcClient jdbc;

    private String machine;
    private long run;
    private String first;
    private String second;

    @BeforeEach
    void aPrintAndTwoBaths() {
        shop.people();
        shop.as("keeper");
        machine = shop.maskMachine();
        run = shop.run(machine, 1, 4).id();
        first = baths.add("ALCOHOL", "FIRST", 4000.0);
        second = baths.add("ALCOHOL", "SECOND", 4000.0);
        accepted("/wash/baths/" + first, "do", "fill", "litres", "4");
        accepted("/wash/baths/" + second, "do", "fill", "litres", "4", "fresh", "0,787");
    }

    private void step(String... fields) {
        accepted("/wash/runs/" + run, fields);
    }

    @Test
    void aPrintGoesThroughBothBathsDriesAndCures() {
        step("do", "wash", "bath", first, "supports", "OFF_FIRST");
        assertThat(page("/wash")).contains("in " + first, "Into " + second);
        refused(409, "It is in bath " + first, "/wash/runs/" + run, "do", "wash", "bath", first);
        step("do", "wash", "bath", second);
        step("do", "dry", "drying", "FAN");
        refused(409, "drying already", "/wash/runs/" + run, "do", "wash", "bath", first);
        step("do", "cure");
        step("do", "done", "finish", "CLEAN");
        Finishing.Print p = finishing.one(run);
        assertThat(p.stage()).isEqualTo(Finishing.Stage.DONE);
        assertThat(p.supports()).isEqualTo("OFF_FIRST");
        assertThat(p.drying()).isEqualTo("FAN");
        double carried = 0.06 * p.printMl();
        assertThat(baths.one(first).bath().carriedMl())
                .as("of the print's resin")
                .isCloseTo(carried, within(0.051));
        assertThat(baths.one(second).bath().carriedMl()).as("a tenth of it").isCloseTo(carried / 10, within(0.006));
        assertThat(page("/wash")).contains("Finished last");
        step("do", "back");
        assertThat(finishing.one(run).stage()).isEqualTo(Finishing.Stage.CURING);
    }

    @Test
    void everyStepIsTakenBackToTheFirst() {
        step("do", "wash", "bath", first);
        step("do", "wash", "bath", second);
        step("do", "dry");
        step("do", "back");
        step("do", "back");
        step("do", "back");
        assertThat(finishing.one(run).stage()).isEqualTo(Finishing.Stage.TO_WASH);
        assertThat(baths.one(first).bath().prints()).isZero();
        refused(409, "Nothing was done", "/wash/runs/" + run, "do", "back");
        refused(422, "Say what is done", "/wash/runs/" + run, "do", "boil");
    }

    @Test
    void whatWasHurriedIsAFactOfItsFailure() {
        Instant ended = finishing.one(run).endedAt();
        finishing.write(
                run,
                new Finishing.Whole(
                        first,
                        ended.plusSeconds(60),
                        null,
                        null,
                        ended.plusSeconds(150),
                        "STILL",
                        ended.plusSeconds(3000),
                        ended.plusSeconds(3600),
                        Finishing.Finish.TACKY,
                        "AFTER"));
        assertThat(finishing.facts(run)).containsExactlyInAnyOrder("wash-under-3-min", "dried-under-2-h");
        assertThat(form("/wash/runs/" + run, "do", "back").status()).isEqualTo(302);
        assertThat(form("/wash/runs/" + run, "do", "done", "finish", "TACKY").to())
                .contains("/failures/new?machine=" + machine + "&run=" + run + "&symptoms=tacky");
        String form = page("/failures/new?machine=" + machine + "&run=" + run + "&symptoms=tacky");
        assertThat(form).containsPattern("value=\"tacky\"[^>]*checked");
        long failure = Long.parseLong(form(
                        "/failures",
                        "machine",
                        machine,
                        "run",
                        Long.toString(run),
                        "seenAt",
                        "",
                        "symptoms",
                        "tacky",
                        "note",
                        "")
                .to()
                .replaceAll("\\D", ""));
        assertThat(page("/failures/" + failure)).contains("Not washed enough");
    }

    @Test
    void aBathFilledAnewSwapsAndWhatWasInItIsWaste() {
        step("do", "wash", "bath", first);
        accepted("/wash/baths/" + first, "do", "read", "density", "0,803");
        assertThat(baths.one(first).verdict()).isEqualTo(keel.core.wash.WashBath.Verdict.CHANGE);
        assertThat(page("/wash")).contains("0.803", "The hydrometer cannot tell which");
        refused(422, "must be between", "/wash/baths/" + first, "do", "read", "density", "8");
        refused(422, "must be between", "/wash/baths/" + first, "do", "fill", "litres", "-1");
        String alcohol = shop.item("Test alcohol " + machine, 10);
        jdbc.sql("update stock_item set unit = 'litres' where code = ?")
                .param(alcohol)
                .update();
        jdbc.sql("update bath set retired_at = ? where code not in (?, ?)")
                .params(Instant.now().atOffset(ZoneOffset.UTC), first, second)
                .update();
        accepted("/wash/baths/" + first, "do", "fill", "litres", "4", "fromStores", alcohol, "swaps", "true");
        assertThat(baths.one(first).place()).as("the fresh one is the second").isEqualTo(Baths.Place.SECOND);
        assertThat(baths.one(second).place()).isEqualTo(Baths.Place.FIRST);
        assertThat(baths.one(first).bath().prints()).isZero();
        assertThat(jdbc.sql("select sum(m.quantity) from stock_movement m join stock_item i on i.id = m.item_id "
                                + "where i.code = ?")
                        .param(alcohol)
                        .query(Double.class)
                        .single())
                .isEqualTo(6);
        List<Waste.Lot> lots = waste.here().stream()
                .filter(l -> ("from bath " + first).equals(l.place()))
                .toList();
        assertThat(lots).hasSize(1);
        assertThat(lots.get(0).kind()).isEqualTo(WasteKind.DIRTY_ALCOHOL);
        assertThat(lots.get(0).raw()).isTrue();
    }

    @Test
    void aBathThatWasNeverFilledTakesNothing() {
        String empty = baths.add("WATER", "ONLY", 2000.0);
        refused(409, "never filled", "/wash/runs/" + run, "do", "wash", "bath", empty);
        assertThat(form("/wash/baths", "kind", "PAINT", "place", "FIRST", "litres", "2")
                        .status())
                .isEqualTo(422);
        accepted("/wash/baths/" + empty, "do", "retire");
        assertThat(baths.all()).noneMatch(b -> b.code().equals(empty));
    }
}
