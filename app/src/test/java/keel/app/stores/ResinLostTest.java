package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import keel.app.base.Conflict;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Resin that leaves a vat at a clean-up: back into a bottle, or lost. */
class ResinLostTest extends PageTest {

    @Autowired
    private Bench bench;

    @Autowired
    private Bottles bottles;

    @Autowired
    private BottlePours pours;

    @Autowired
    private Resins resins;

    @Autowired
    private Costs costs;

    private String machine;
    private String bottle;

    @BeforeEach
    void aFilledVat() {
        shop.people();
        shop.as("keeper");
        machine = shop.maskMachine();
        String resin = resins.add("Reed grey", null);
        bottle = bottles.add(new Bottles.Entry(resin, 1, 1000.0, null, null, null, true))
                .get(0);
        pours.pour(vat(), bottle, 270.0, PourKind.POUR, null);
    }

    private String vat() {
        return shop.now(machine).vat().code();
    }

    private double left() {
        return bottles.one(bottle, "bottle").leftMl();
    }

    private long cleanUp(Map<String, Object> values) {
        return bench.record(new ServiceEntry(machine, "CLEAN_UP", null, null, values))
                .id();
    }

    private double lost() {
        String name = shop.now(machine).name();
        return costs.overview(30).machines().stream()
                .filter(g -> g.name().equals(name))
                .mapToDouble(Costs.Group::resinLost)
                .sum();
    }

    @Test
    void whatRanBackIsInTheBottleAndWhatWasLostIsACost() {
        long id = cleanUp(Map.of("way", "FULL", "emptied", true, "returnedMl", 210, "bottle", bottle, "lostMl", 60));
        assertThat(left()).isCloseTo(940, within(1e-9));
        assertThat(shop.now(machine).resinMl()).isZero();
        double litre = costs.prices(machine, "reed-grey").resinPerLitre();
        assertThat(lost()).as("60 ml at the price of a litre").isCloseTo(0.06 * litre, within(1e-9));
        assertThat(page("/costs")).contains("Resin lost");
        assertThat(page("/logbook")).contains("210 ml back into " + bottle).contains("60 ml of resin lost");
        bench.withdraw(id, "wrong machine");
        assertThat(left()).as("taken back").isCloseTo(730, within(1e-9));
        assertThat(lost()).isZero();
        assertThat(shop.now(machine).resinMl()).isCloseTo(270, within(1e-9));
    }

    @Test
    void aVatThatWasNotEmptiedHasLessInIt() {
        cleanUp(Map.of("way", "QUICK", "emptied", false, "lostMl", 25));
        assertThat(shop.now(machine).resinMl()).isCloseTo(245, within(1e-9));
        assertThat(lost()).isPositive();
    }

    /** What was seen in a bottle stands, whatever of before is taken back later; what came after it is given back. */
    @Test
    void aLookAtABottleCountsWhateverIsTakenBackLater() {
        long before = pours.pour(vat(), bottle, 5.0, PourKind.TOP_UP, null).id();
        bottles.measured(bottle, 700.0);
        long after = pours.pour(vat(), bottle, 4.0, PourKind.TOP_UP, null).id();
        resins.withdraw(before, "not so");
        assertThat(left()).isCloseTo(696, within(1e-9));
        resins.withdraw(after, "not so");
        assertThat(left()).isCloseTo(700, within(1e-9));
    }

    /** Nobody said: nothing is made up. */
    @Test
    void whatNobodySaidIsNoCost() {
        cleanUp(Map.of("way", "FULL", "emptied", true));
        assertThat(left()).isCloseTo(730, within(1e-9));
        assertThat(lost()).isZero();
    }

    @Test
    void moreThanIsInTheVatDoesNotRunBack() {
        assertThatThrownBy(() -> cleanUp(Map.of("way", "FULL", "emptied", true, "returnedMl", 500, "bottle", bottle)))
                .isInstanceOf(Conflict.class)
                .hasMessageContaining("Only about 270 ml");
        assertThat(left()).isCloseTo(730, within(1e-9));
    }
}
