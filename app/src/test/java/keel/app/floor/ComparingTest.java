package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.floor.patterns.Comparing;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.pattern.Compared;
import keel.core.pattern.Trait;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

class ComparingTest extends PageTest {

    private static final double FROM = 16_500;

    @Autowired
    private Comparing comparing;

    @Autowired
    private Runs runs;

    private String printed(int prints, int failed) {
        String machine = shop.maskMachine();
        for (int i = 0; i < prints; i++) {
            double at = FROM + 2 * i;
            runs.enter(new RunEntry(
                    machine,
                    "Latch",
                    TestShop.at(at),
                    TestShop.at(at + 1),
                    1000,
                    1.8,
                    50.0,
                    i < failed ? "FAILED" : "GOOD",
                    null,
                    null));
        }
        return machine;
    }

    @Test
    void saysWhichFailsMoreAndWhatItIsWorth() {
        String worse = printed(40, 16);
        String better = printed(40, 2);
        Comparing.Compare c = comparing.of(Trait.MACHINE, worse, better, TestShop.at(FROM - 1));
        assertThat(c.compared().says()).isEqualTo(Compared.Says.FIRST_FAILS_MORE);
        assertThat(c.says().get(0)).contains("fail more often: 16 of 40 failed", "2 of 40");
        assertThat(c.worth().likely())
                .isPositive()
                .isBetween(c.worth().low(), c.worth().high());
        Comparing.Compare turned = comparing.of(Trait.MACHINE, better, worse, TestShop.at(FROM - 1));
        assertThat(turned.says().get(0)).contains("fail less often");
        assertThat(turned.worth()).isEqualTo(c.worth());
    }

    @Test
    void fewPrintsAreNotEnoughToTell() {
        String one = printed(8, 2);
        String other = printed(8, 1);
        Comparing.Compare c = comparing.of(Trait.MACHINE, one, other, TestShop.at(FROM - 1));
        assertThat(c.says().get(0)).startsWith("Not enough to tell.");
        assertThat(c.says().get(1)).contains("more prints");
        assertThat(c.worth()).isNull();
    }

    @Test
    void aThingIsNotComparedWithItself() {
        String one = printed(4, 1);
        assertThat(comparing.of(Trait.MACHINE, one, one, TestShop.at(FROM - 1)).compared())
                .isNull();
    }

    @Test
    void thePageTakesWhateverStandsInItsAddress() {
        shop.as("keeper");
        assertThat(page("/patterns/compare?by=NONSENSE&one=x&days=7")).contains("Two things compared");
        assertThat(page("/patterns/compare?by=RESIN")).contains("Two things compared");
    }
}
