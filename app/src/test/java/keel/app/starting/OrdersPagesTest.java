package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.app.prints.RunChange;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.prints.order.OnPlate;
import keel.app.prints.order.OrderEntry;
import keel.app.prints.order.OrderPlates;
import keel.app.prints.order.OrderView;
import keel.app.prints.order.Orders;
import keel.app.prints.order.PartEntry;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** An order from the wish to the last piece, as its pages take it. The plate is 144 by 81 mm. */
class OrdersPagesTest extends PageTest {

    @Autowired
    private Orders orders;

    @Autowired
    private OrderPlates plates;

    @Autowired
    private OrderLayouts layouts;

    @Autowired
    private WantedJobs jobs;

    @Autowired
    private Runs runs;

    private String machine;

    @BeforeEach
    void aMachine() {
        shop.people();
        machine = shop.maskMachine();
    }

    private OrderView made(int frames, Double width, Double depth) {
        return orders.one(orders.make(
                new OrderEntry("Skiff", null, List.of(new PartEntry(null, "Frame", frames, width, depth, null, 2.0)))));
    }

    private OrderLayouts.Layout here(OrderView order) {
        return layouts.of(order).stream()
                .filter(l -> l.m().code().equals(machine))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void isMadeFromAFormWithFreeRowsAndCommas() {
        String to = accepted(
                "/orders/new",
                "name",
                "Gig",
                "dueAt",
                "",
                "ids",
                "",
                "parts",
                "Oar",
                "wanted",
                "4",
                "widths",
                "60,5",
                "depths",
                "8",
                "heights",
                "",
                "mls",
                "",
                "ids",
                "",
                "parts",
                "",
                "wanted",
                "",
                "widths",
                "",
                "depths",
                "",
                "heights",
                "",
                "mls",
                "");
        OrderView order = orders.one(Long.parseLong(to.substring("/orders/".length())));

        assertThat(order.parts()).hasSize(1);
        assertThat(order.parts().get(0).entry().widthMm()).isEqualTo(60.5);
        assertThat(page(to)).contains("0 of 4 came out, 4 to print").contains("The next plates");
        assertThat(page("/orders")).contains("Gig");
        refused(422, "An order has one part at least", "/orders/new", "name", "Gig", "parts", "", "wanted", "");
        assertThat(refused(422, "whole number", "/orders/new", "name", "Gig", "parts", "Oar", "wanted", "many"))
                .contains("Oar");
    }

    /** Side by side with the margin between: five rows of three of 46 by 14 lie on 144 by 81. */
    @Test
    void laysOutWhatHasNoPlateYet() {
        OrderView order = made(32, 46.0, 14.0);
        OrderLayouts.Layout layout = here(order);

        assertThat(layout.count()).isBetween(2, 3);
        assertThat(layout.plates().stream()
                        .mapToInt(
                                p -> p.times() * p.counts().values().iterator().next())
                        .sum())
                .isEqualTo(32);
        assertThat(layout.ml()).isEqualTo(64);

        accepted(
                "/orders/" + order.id() + "/wait",
                "part",
                "" + order.parts().get(0).id(),
                "pieces",
                "15",
                "job",
                "Skiff, plate 1",
                "hours",
                "5,5");
        OrderView after = orders.one(order.id());
        assertThat(after.parts().get(0).waiting()).isEqualTo(15);
        assertThat(after.unplanned()).isEqualTo(17);
        assertThat(after.stillToPrint()).isEqualTo(32);
    }

    @Test
    void aPartThatDoesNotFitIsNamedAndOneWithoutASizeIsAskedFor() {
        OrderView large = made(1, 200.0, 90.0);
        assertThat(layouts.of(large).stream().filter(l -> l.m().code().equals(machine)))
                .isEmpty();
        assertThat(page("/orders/" + large.id())).contains("A plate by hand");

        OrderView unknown = made(3, null, null);
        assertThat(layouts.of(unknown)).isEmpty();
        assertThat(page("/orders/" + unknown.id())).contains("How large Frame is, nobody said");
    }

    @Test
    void theGateKnowsWhatAWaitingPlateCarriesAndWritesItWithTheRun() {
        OrderView order = made(8, 20.0, 20.0);
        long part = order.parts().get(0).id();
        accepted(
                "/orders/" + order.id() + "/wait",
                "part",
                "" + part,
                "pieces",
                "6",
                "job",
                "Skiff of " + machine,
                "hours",
                "3");
        WantedView waits = jobs.waiting().stream()
                .filter(j -> j.name().equals("Skiff of " + machine))
                .findFirst()
                .orElseThrow();
        assertThat(page(waits.startPath(machine).replace("%20", " ")))
                .contains("On this plate, of Skiff")
                .contains("value=\"6\"");

        String to = accepted(
                "/machines/" + machine + "/start",
                "job",
                "Skiff of " + machine,
                "layers",
                "900",
                "layerExposureS",
                "2",
                "resinMl",
                "40",
                "order",
                "" + order.id(),
                "part",
                "" + part,
                "pieces",
                "5",
                "looked",
                "plate-seen",
                "looked",
                "vat-felt",
                "looked",
                "resin-stirred",
                "looked",
                "file-and-air",
                "looked",
                "resin-enough",
                "looked",
                "file-layers",
                "looked",
                "file-read");
        long run = Long.parseLong(to.replaceAll("\\D+", ""));
        assertThat(plates.ofRun(run).orElseThrow().pieces())
                .extracting(OnPlate.Piece::planned)
                .containsExactly(5);
        OrderView printing = orders.one(order.id());
        assertThat(printing.printing()).isEqualTo(5);
        assertThat(printing.parts().get(0).waiting()).as("its job prints now").isZero();

        runs.correct(
                run,
                new RunChange(null, null, Instant.now().minusSeconds(18_000), null, null, null, null, null, null, null),
                "the clock was wrong");
        String next = accepted(
                "/runs/" + run + "/finish", "outcome", "PARTIAL", "reachedLayer", "", "endedAt", "", "resinMl", "");
        assertThat(next).isEqualTo("/runs/" + run + "/parts");
        assertThat(page(next)).contains("of 5 on the plate");
        refused(422, "cannot have come out", next, "part", "" + part, "pieces", "6");
        assertThat(accepted(next, "part", "" + part, "pieces", "3")).startsWith("/failures/new");
        assertThat(orders.one(order.id()).stillToPrint()).isEqualTo(5);
        accepted(next, "part", "" + part, "pieces", "");
        assertThat(orders.one(order.id()).unsure()).isEqualTo(5);
    }

    @Test
    void aRowThatIsEmptiedGoes() {
        OrderView order = made(8, 20.0, 20.0);
        String change = "/orders/" + order.id() + "/change";
        String frame = "" + order.parts().get(0).id();
        accepted(
                change, "name", "Skiff", "ids", frame, "parts", "Frame", "wanted", "8", "ids", "", "parts", "Mast",
                "wanted", "1");
        String mast = "" + orders.one(order.id()).parts().get(1).id();
        accepted(
                change, "name", "Skiff", "ids", frame, "parts", "Frame", "wanted", "7", "ids", mast, "parts", "",
                "wanted", "");
        assertThat(orders.one(order.id()).parts()).hasSize(1);
        assertThat(orders.one(order.id()).wanted()).isEqualTo(7);
    }

    @Test
    void whatLayOnAPlateStaysInTheOrder() {
        OrderView order = made(8, 20.0, 20.0);
        long part = order.parts().get(0).id();
        RunView run = shop.run(machine, 10, 4);
        plates.put(run.id(), order.id(), Map.of(part, 8));

        assertThat(orders.one(order.id()).complete()).isTrue();
        assertThat(page("/runs/" + run.id())).contains("8 Frame");
        String page = refused(
                409,
                "was on a plate already",
                "/orders/" + order.id() + "/change",
                "name",
                "Skiff",
                "ids",
                "",
                "parts",
                "Mast",
                "wanted",
                "1");
        assertThat(page).contains("Mast");
        accepted("/orders/" + order.id() + "/close");
        assertThat(orders.one(order.id()).open()).isFalse();
        assertThat(page("/orders")).contains("is over");
        accepted("/orders/" + order.id() + "/back");
        assertThat(orders.one(order.id()).open()).isTrue();
    }
}
