package keel.app.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.base.Figures;
import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A shop that works has no simulated instruments: nothing offers them, and nothing is read. */
class InstrumentsPagesTest extends PageTest {

    @Autowired
    private Instruments instruments;

    @Test
    void outsideTheDemoNothingOffersAReading() {
        shop.people();
        String machine = shop.bolted("BOLTS_4");
        assertThat(instruments.there()).isFalse();
        assertThat(instruments.at(machine)).isEmpty();
        assertThat(page("/machines/" + machine + "/level")).doesNotContain("simulated");
        assertThat(page("/machines/" + machine + "/stance?take=level")).doesNotContain("simulated");
        assertThat(page("/bench")).doesNotContain("href=\"/instruments");
        assertThat(page("/machines/" + machine + "/level?take=all"))
                .as("asked for all the same")
                .contains("name=\"z00\"");
        refusedPage("/instruments");
        refusedPage("/instruments/" + machine);
        refusedPage("/instruments/rooms/long-room.csv");
    }

    @Test
    void aReadingIsTypedWithoutDigitsThatSayNothing() {
        assertThat(Figures.exact(0.05)).isEqualTo("0.05");
        assertThat(Figures.exact(-0.10)).isEqualTo("-0.1");
        assertThat(Figures.exact(20)).isEqualTo("20");
        assertThat(Figures.exact(1e-2)).isEqualTo("0.01");
    }

    private void refusedPage(String path) {
        assertThat(status(path)).as(path).isEqualTo(404);
    }
}
