package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;

class StoresPagesTest extends PageTest {

    @Autowired
    private Stock stock;

    @Test
    void anItemIsAddedMovedCountedAndRetired() {
        accepted("/stores/items", "name", "Copper tape", "unit", "rolls", "quantity", "2,5", "lowAt", "1");
        assertThat(stock.one("copper-tape").quantity()).isEqualTo(2.5);
        accepted("/stores/copper-tape/move", "quantity", "-2", "reason", "ribbon edge");
        assertThat(page("/stores")).contains("▲ buy");
        accepted("/stores/copper-tape/move", "quantity", "1", "reason", "");
        assertThat(page("/stores/copper-tape")).contains("put in", "value=\"stores copper-tape -1\"");
        accepted("/stores/copper-tape/count", "counted", "4");
        assertThat(page("/stores/copper-tape")).contains("4 rolls on hand", "counted 4 rolls", "−2", "ribbon edge");
        accepted("/stores/copper-tape/change", "lowAt", "0", "retired", "true");
        assertThat(stock.all(false)).noneMatch(i -> i.item().equals("copper-tape"));
        assertThat(page("/stores"))
                .as("it can be found again")
                .containsSubsequence("No longer kept", "/stores/copper-tape");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "lots|week's use|This is no number: lots.",
                "-99|week's use|Only 10 pieces",
                "0|week's use|no movement"
            })
    void aMovementThatCannotBeKeepsWhatWasTyped(String quantity, String reason, String words) {
        String item = shop.item("Wipes", 10);
        String html = refused(
                words.startsWith("Only") ? 409 : 422,
                words,
                "/stores/" + item + "/move",
                "quantity",
                quantity,
                "reason",
                reason == null ? "" : reason);
        assertThat(html).contains("value=\"" + quantity + "\"");
        assertThat(stock.one(item).quantity()).isEqualTo(10);
    }

    @Test
    void whatIsPouredIsInTheVatAndNonsenseIsNot() {
        String m = shop.maskMachine();
        String resin = shop.resin("Fen green");
        String html =
                refused(422, "This is no number: half.", "/machines/" + m + "/pour", "resin", resin, "ml", "half");
        assertThat(html).contains("value=\"half\"");
        refused(422, "must be between", "/machines/" + m + "/pour", "resin", resin, "ml", "-5");
        accepted("/machines/" + m + "/pour", "resin", resin, "ml", "120,5");
        assertThat(shop.now(m).resinMl()).isEqualTo(120.5);
        accepted("/machines/" + m + "/pour", "resin", shop.resin("Bog brown"), "ml", "50");
        assertThat(shop.holds(m)).contains("resin-mixed");
    }

    @Test
    void aResinWithAnImpossibleDensityIsRefused() {
        String html = refused(
                422, "This is no number: heavy.", "/stores/resins", "name", "Peat black", "densityGPerMl", "heavy");
        assertThat(html).contains("value=\"Peat black\"", "value=\"heavy\"");
        accepted("/stores/resins", "name", "Peat black", "densityGPerMl", "1,12");
        accepted("/stores/resins/peat-black/retire", "retired", "true");
        assertThat(page("/stores")).contains("Peat black (no longer)");
    }

    @Test
    void theListIsSearchedSortedAndTakenAway() throws Exception {
        String lasting = shop.item("Zebra tape " + TestShop.SINCE.hashCode(), 50);
        String going = shop.item("Zebra wipes " + TestShop.SINCE.hashCode(), 50);
        stock.move(going, -45.0, "used");
        assertThat(page("/stores?q=zebra"))
                .contains("Zebra tape", "Zebra wipes")
                .doesNotContain("Nothing is called so");
        assertThat(page("/stores?q=zebra w")).contains("Zebra wipes").doesNotContain("Zebra tape");
        assertThat(page("/stores?q=zebra&by=lasts")).containsSubsequence("Zebra wipes", "Zebra tape");
        assertThat(page("/stores?q=zebra&by=nonsense")).containsSubsequence("Zebra tape", "Zebra wipes");
        assertThat(page("/stores?q=no such thing")).contains("Nothing is called so");
        assertThat(new String(file("/stores.csv?q=zebra&by=lasts").getContentAsByteArray(), StandardCharsets.UTF_8)
                        .lines()
                        .map(l -> l.split(",")[0]))
                .containsExactly("item", going, lasting);
    }
}
