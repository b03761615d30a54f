package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The network is cut: what was read last is still there, what is entered waits and is sent once each, in order. */
class NoNetworkWalkTest extends DemoWalk {

    private static final String LEVEL = ".job:has-text('Level the plate') button:has-text('Done')";

    @Test
    void theFleetStartsWithoutANetworkAndWhatIsEnteredWaits() {
        Page page = browsing.keeperWithoutNetwork(390, 844);
        page.navigate("/fleet");
        assertThat(page.evaluate("fetch('/manifest.webmanifest').then(r => r.json()).then(m => m.display)"))
                .isEqualTo("standalone");
        page.waitForFunction("async () => (await (await caches.open('pages')).keys()).length >= 3");
        page.reload();
        page.navigate("/machines/godwit/bench");
        page.waitForFunction("async () => (await (await caches.open('pages')).keys())"
                + ".some(k => k.url.endsWith('/machines/godwit/bench'))");
        page.context().setOffline(true);
        page.navigate("/fleet");
        assertThat(page.locator("h1")).containsText("machines");
        assertThat(page.locator("#kept")).containsText("No network. This is how it was");
        page.click(".daily a:has-text('Round')");
        assertThat(page.locator("#kept")).containsText("No network. This is how it was");
        page.navigate("/guides/read");
        assertThat(page.locator("main")).containsText("Change the film");
        page.navigate("/stores/waste");
        assertThat(page.locator("h1")).hasText("No network");

        page.navigate("/machines/godwit/bench");
        page.click(LEVEL);
        assertThat(page.locator("#waiting")).containsText("One entry waits");
        enter(page, "annexe 20,7");
        assertThat(page.locator("#waiting")).containsText("2 entries wait");
        enter(page, "heron levelled");
        assertThat(page.locator("#waiting li")).hasCount(3);
        Browsing.accessible(page);

        page.context().setOffline(false);
        assertThat(page.locator("#waiting")).containsText("heron levelled");
        assertThat(page.locator("#waiting")).containsText("was not taken: Nothing here is called heron");
        assertThat(page.locator("#waiting li")).hasCount(1);
        page.click("#waiting button:has-text('Forget it')");
        assertThat(page.locator("#waiting")).hasCount(0);
        page.click(".daily a:has-text('Fleet')");
        page.waitForURL("**/fleet");
        assertThat(page.locator("#kept")).hasCount(0);
        page.navigate("/logbook");
        assertThat(page.locator("main .lines")).containsText(Pattern.compile("Annexe: 20.7[\\s\\S]*Godwit: levelled"));
    }

    @Test
    void anAnswerThatWasLostIsNotWrittenTwice() {
        String note = "onlyonce" + System.nanoTime();
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/godwit/bench");
        page.route("**/quick", route -> {
            route.fetch();
            route.abort();
        });
        enter(page, "godwit oiled: " + note);
        assertThat(page.locator("#waiting")).containsText("One entry waits");
        page.unroute("**/quick");
        page.click("#waiting button:has-text('Send now')");
        assertThat(page.locator("#waiting")).hasCount(0);
        page.navigate("/logbook?text=" + note);
        assertThat(page.locator("main .lines li:has-text('" + note + "')")).hasCount(1);
    }

    @Test
    void aFailureIsKeptWithItsFormAndWhoEnteredIt() {
        Page page = browsing.keeperWithoutNetwork(390, 844);
        page.navigate("/failures/new?machine=godwit");
        page.context().setOffline(true);
        page.click("#main .choice:has-text('Tacky')");
        page.fill("#note", "kept while the network was cut");
        page.click("#main .commit button");
        assertThat(page.locator("#waiting")).containsText("A failure, Godwit");
        page.context().setOffline(false);
        assertThat(page.locator("#waiting")).hasCount(0);
        page.navigate("/failures");
        assertThat(page.locator("main")).containsText("Godwit");
        page.navigate("/logbook?text=kept+while");
        assertThat(page.locator("main")).containsText("kept while the network was cut");
    }

    private static void enter(Page page, String line) {
        page.fill("#quick-line", line);
        page.press("#quick-line", "Enter");
    }
}
