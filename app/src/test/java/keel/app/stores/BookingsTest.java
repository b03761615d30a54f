package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.bench.ServiceView;
import keel.app.support.PageTest;
import keel.core.stock.Consumable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What procedures use up goes out of the item that the shop chose, and parts out of the item that counts them. */
class BookingsTest extends PageTest {

    @Autowired
    private Bookings bookings;

    @Autowired
    private Stock stock;

    @Autowired
    private Bench bench;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
    }

    @Test
    void aChoiceIsKeptAndCanBeChanged() {
        String small = shop.item("Rubber gloves, small " + machine, 10);
        String large = shop.item("Rubber gloves, large " + machine, 10);
        assertThat(bookings.all().get(Consumable.GLOVES).item())
                .as("two could be meant")
                .isEmpty();
        bookings.choose(Consumable.GLOVES, large);
        assertThat(bookings.all().get(Consumable.GLOVES)).isEqualTo(new Bookings.From(large, true));
        bookings.choose(Consumable.GLOVES, small);
        assertThat(bookings.all().get(Consumable.GLOVES).item()).isEqualTo(small);
        bookings.choose(Consumable.GLOVES, Bookings.NOT_COUNTED);
        assertThat(bookings.all().get(Consumable.GLOVES).item()).isEqualTo(Bookings.NOT_COUNTED);
        bookings.choose(Consumable.GLOVES, large);
        stock.changeItem(large, "Rubber gloves, large " + machine, "pieces", null, true);
        assertThat(bookings.all().get(Consumable.GLOVES).chosen())
                .as("an item that is kept no more is asked for anew")
                .isFalse();
    }

    @Test
    void aGuideAsksOnceAndBooksFromThere() {
        String fan = shop.item("Fan filters " + machine, 4);
        String paper = shop.item("Sieve papers " + machine, 20);
        bookings.choose(Consumable.PAPER_FILTER, paper);
        String guide = accepted("/machines/" + machine + "/guides/film-cleaning");
        assertThat(page(guide)).isNotEmpty();
        assertThat(bookings.all().get(Consumable.PAPER_FILTER).item()).isEqualTo(paper);
        assertThat(stock.one(fan).quantity()).isEqualTo(4);
    }

    /** Nobody has to say it: one item counts such screens, so a change takes one; taken back, it is there again. */
    @Test
    void aPartThatIsFittedGoesOutOfTheItemThatCountsIt() {
        String item = shop.item("Screens for " + machine, 3);
        stock.spare(item, "SCREEN", shop.modelOf(machine));
        ServiceView done = bench.record(
                new ServiceEntry(machine, "SCREEN_CHANGE", null, null, Map.of("endReason", "DARK_PIXELS")));
        assertThat(stock.one(item).quantity()).isEqualTo(2);
        bench.withdraw(done.id(), "wrong machine");
        assertThat(stock.one(item).quantity()).isEqualTo(3);
    }
}
