package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * An empty shop filled by hand in the browser, its first failure and film change, and all of it after the plug was
 * pulled.
 */
class AShopFromNothingTest {

    private static final String PASSWORD = "salt-and-reeds";

    @TempDir
    private Path folder;

    @Test
    void aShopIsSetUpPrintsFailsChangesItsFilmAndForgetsNothing() throws Exception {
        Path home = folder.resolve("home");
        String film;
        try (KeelProcess keel = KeelProcess.start("run", home);
                Browsing browsing = new Browsing(keel.address())) {
            Page page = browsing.page(1280, 800);
            makeTheOwner(page);
            setUp(page);
            logRun(page);
            film = changeFilm(page);
            logFailureAndCause(page);
            page.context().close();
            keel.kill();
        }
        try (KeelProcess again = KeelProcess.start("run", home);
                Browsing browsing = new Browsing(again.address())) {
            Page page = browsing.signedIn("rosa", PASSWORD, 1280, 800);
            page.navigate("/logbook");
            for (String entry : new String[] {
                "Heron (Model 144) set up",
                "Gate latch",
                "film changed in vat V1: F1 (clouded) out, " + film,
                "layers split, vat rides up",
                "Presumed cause: vat bolts not tight"
            }) {
                assertThat(page.locator("main .lines")).containsText(entry);
            }
            page.navigate("/machines/heron");
            assertThat(page.locator("main")).containsText("A print failed");
        }
    }

    private static void makeTheOwner(Page page) {
        page.navigate("/");
        assertThat(page.locator("h1")).hasText("Nobody is here yet");
        page.fill("[name=name]", "Rosa");
        page.fill("[name=signIn]", "rosa");
        page.fill("[name=password]", PASSWORD);
        page.click("main button");
        page.waitForURL(Pattern.compile("/(setup|fleet)$"));
    }

    private static void setUp(Page page) {
        page.navigate("/setup");
        page.fill("[aria-label='Name of a room']", "Loft");
        page.click("main button:text-is('Add')");
        assertThat(page.locator("main")).containsText("Loft");
        page.click("text=Add a model");
        page.fill("#f-name", "Model 144");
        page.fill("#f-plateWidthMm", "144");
        page.fill("#f-plateDepthMm", "81");
        page.fill("#f-plateHeightMm", "175");
        page.fill("#f-pixelsX", "5760");
        page.fill("#f-pixelsY", "3240");
        page.click("text=Save the model");
        page.click("text=Add a machine");
        page.fill("#f-name", "Heron");
        page.fill("#f-since", "2026-01-05T08:00");
        page.fill("#f-filmHours", "212");
        page.click("text=Save the machine");
        assertThat(page.locator("main")).containsText("Heron");
    }

    private static void logRun(Page page) {
        page.navigate("/runs/new?machine=heron&after=true");
        page.fill("#f-job", "Gate latch");
        page.fill("#f-layers", "1200");
        page.fill("#f-layerExposureS", "2,3");
        page.fill("#f-resinMl", "61");
        page.fill("#f-startedAt", "2026-01-06T08:00");
        page.fill("#f-endedAt", "2026-01-06T12:00");
        page.click(".choice:has-text('Good') >> nth=0");
        page.click("button:text-is('Log the run')");
        page.waitForURL(Pattern.compile("/runs/\\d+/after$"));
        page.navigate("/machines/heron");
        assertThat(page.locator(".facts")).containsText("216 h of 450 h");
    }

    private static String changeFilm(Page page) {
        page.navigate("/machines/heron/services/FILM_CHANGE");
        page.click(".choice:has-text('Clouded')");
        page.click("button:text-is('Film changed')");
        page.waitForURL("**/machines/heron");
        assertThat(page.locator("main")).containsText("The plate was not levelled since the film was changed");
        assertThat(page.locator(".facts")).containsText("0.0 h of 450 h");
        return "F2";
    }

    private static void logFailureAndCause(Page page) {
        page.navigate("/failures/new?machine=heron");
        page.click(".choice:has-text('Vat rides up')");
        page.click(".choice:has-text('Layers split')");
        page.click("main button:text-is('Log the failure')");
        page.waitForURL(Pattern.compile("/failures/\\d+$"));
        assertThat(page.locator(".suspects li").first()).containsText("Vat bolts not tight");
        page.click("main .answer-button:has-text('It is this: vat bolts not tight')");
        assertThat(page.locator("main")).containsText("Presumed: vat bolts not tight");
    }
}
