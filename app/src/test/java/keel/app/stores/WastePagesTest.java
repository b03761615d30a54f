package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

class WastePagesTest extends PageTest {

    @Autowired
    private Waste waste;

    @Autowired
    private Incidents incidents;

    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void open() {
        shop.people();
        shop.as("keeper");
    }

    private Waste.Lot put(String kind, String amount, String place, String layer) {
        accepted("/waste", "kind", kind, "amount", amount, "place", place, "layerMm", layer, "note", "");
        return waste.here().stream()
                .filter(l -> place.equals(l.place()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void wasteIsRawUntilItIsSaidToBeCuredAndOursUntilItIsHandedIn() {
        Waste.Lot tray = put("LEFTOVER_RESIN", "120", "tray under test", "9");
        assertThat(tray.raw()).isTrue();
        assertThat(page("/waste")).contains("tray under test", "9 mm deep: cure it in layers");
        accepted("/waste/" + tray.id(), "do", "cured");
        assertThat(page("/waste")).doesNotContain("9 mm deep: cure it in layers");
        accepted("/waste/" + tray.id(), "do", "raw");
        assertThat(waste.here()).anyMatch(l -> l.id() == tray.id() && l.raw());
        refused(422, "Who took it", "/waste/sheet", "lot", Long.toString(tray.id()), "to", "");
        accepted("/waste/sheet", "lot", Long.toString(tray.id()), "to", "the test depot");
        assertThat(waste.here()).noneMatch(l -> l.id() == tray.id());
        assertThat(page("/waste")).contains("the test depot");
        refused(409, "handed in already", "/waste/" + tray.id(), "do", "cured");
        accepted("/waste/" + tray.id(), "do", "back");
        assertThat(waste.here()).anyMatch(l -> l.id() == tray.id());
        assertThat(file("/waste.csv").getStatus()).isEqualTo(200);
    }

    @Test
    void whatWaitsRawForTooLongIsSaid() {
        Waste.Lot bag = put("GLOVES_TOWELS", "1", "old bag", "");
        assertThat(waste.overdue()).noneMatch(l -> l.id() == bag.id());
        jdbc.sql("update waste set at = ? where id = ?")
                .params(Instant.now().minus(Duration.ofDays(4)).atOffset(ZoneOffset.UTC), bag.id())
                .update();
        assertThat(waste.overdue()).anyMatch(l -> l.id() == bag.id());
        assertThat(page("/round")).contains("Cure it or hand it in");
        waste.cured(bag.id(), true);
        assertThat(waste.overdue()).noneMatch(l -> l.id() == bag.id());
    }

    @Test
    void nonsenseIsRefusedWithWhatWasTyped() {
        assertThat(refused(422, "no number", "/waste", "kind", "FILTERS", "amount", "many", "note", "kept"))
                .contains("kept");
        refused(422, "Say what it is", "/waste", "kind", "", "amount", "1");
        refused(422, "must be between", "/waste", "kind", "FILTERS", "amount", "-1");
        assertThat(form("/waste/sheet", "to", "x").status()).isEqualTo(422);
        accepted("/waste/rules", "rules", "To the depot.\nNever to the drain.");
        assertThat(page("/waste/sheet")).contains("Never to the drain.");
    }

    @Test
    void firstMeasuresStandBeforeTheForm() {
        String page = page("/incidents/EYES");
        assertThat(page.indexOf("15 minutes")).isPositive().isLessThan(page.indexOf("Then write it down"));
        refused(422, "What happened is missing", "/incidents/EYES", "happened", "", "done", "", "who", "", "at", "");
        accepted("/incidents/EYES", "happened", "A splash while stirring", "done", "rinsed", "who", "Joost", "at", "");
        Incidents.Incident i = incidents.all().get(0);
        assertThat(i.kind()).isEqualTo(IncidentKind.EYES);
        accepted("/incidents/" + i.id() + "/after", "after", "Glasses at every vat.");
        assertThat(page("/incidents")).contains("A splash while stirring", "Glasses at every vat.");
        assertThat(status("/incidents/NOTHING")).isIn(404, 422);
    }
}
