package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.SelectOption;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
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
                "Heron (Middle mask printer) set up",
                "Gate latch",
                "film changed in vat V2: F2 (clouded) out, " + film,
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
        page.waitForURL("**/begin");
    }

    /** What the first hour took: pages that were seen, fields that were filled or chosen, taps. */
    private static final class Effort {

        private final Page page;
        private int pages = 1;
        private int fields;
        private int taps;

        Effort(Page page) {
            this.page = page;
        }

        void fill(String field, String text) {
            page.fill(field, text);
            fields++;
            taps++;
        }

        void choose(Locator select, String words) {
            select.selectOption(new SelectOption().setLabel(words));
            fields++;
            taps += 2;
        }

        void on(String button, String to) {
            page.click("main button:text-is('" + button + "')");
            page.waitForURL(to);
            Browsing.accessible(page);
            taps++;
            pages++;
        }
    }

    /** Five machines on record with resin, level and a first print; the first page is refused once, then goes on. */
    private static void setUp(Page page) {
        Effort effort = new Effort(page);
        page.fill("#f-rooms", "");
        page.click("main button:text-is('On to the machines')");
        assertThat(page.locator("main .errors")).containsText("Name at least one room");
        assertThat(page.locator("#f-zone")).not().hasValue("");
        effort.fill("#f-name", "Reed bank");
        effort.fill("#f-rooms", "Loft");
        effort.fill("#f-resins", "Reed grey");
        effort.on("On to the machines", "**/begin/machines");
        effort.fill("#f-middle", "Heron, Ibis, Knot, Merlin");
        effort.fill("#f-small", "Owl");
        effort.on("What is known of them", "**/begin/known?*");
        effort.choose(page.locator("tr.for-all select[name=resins]"), "Reed grey");
        page.locator("tr.for-all [name=resinMl]").fill("soon");
        page.locator("tr.for-all [name=levelledOn]")
                .fill(LocalDate.now(ZoneOffset.UTC).minusDays(2).toString());
        page.getByLabel("Hours of the film of Heron").fill("212");
        page.click("main button:text-is('Put all 5 on record')");
        assertThat(page.locator("main .errors")).containsText("no number");
        page.locator("tr.for-all [name=resinMl]").fill("320");
        effort.fields += 3;
        effort.taps += 3;
        effort.on("Put all 5 on record", "**/begin/prints");
        for (int machine = 1; machine <= 5; machine++) {
            effort.fill("#f-job" + machine, machine == 1 ? "Gate latch" : "Hinge");
            effort.fill("#f-hours" + machine, machine == 1 ? "4" : "6:30");
        }
        page.check("[name=cleared]");
        effort.taps++;
        effort.on("On to the stores", "**/begin/stores");
        page.check("label:has-text('Nitrile gloves') input");
        effort.taps++;
        effort.on("On to the people", "**/begin/people");
        page.click("text=I work alone");
        page.waitForURL("**/fleet");
        effort.taps++;
        effort.pages++;
        assertThat(page.locator(".first-prints")).hasCount(0);
        assertThat(page.locator("main h1")).containsText("Five machines");
        assertThat(page.locator(".shelf article:has-text('Ready')")).hasCount(5);
        assertThat(effort.pages).as("pages").isLessThanOrEqualTo(12);
        assertThat(effort.fields).as("fields").isLessThanOrEqualTo(40);
        assertThat(effort.taps).as("taps").isLessThanOrEqualTo(60);
    }

    private static void logRun(Page page) {
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
        return "F6";
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
