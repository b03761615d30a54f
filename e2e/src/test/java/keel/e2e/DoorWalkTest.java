package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A sign-in that ended under the hands, a network that went away, a tap too many: what was typed is written, once. */
class DoorWalkTest extends DemoWalk {

    private static final String LUBRICATED = "/machines/dunlin/services/LUBRICATION";

    /** How often a note stands in the logbook. */
    private static int written(Page page, String note) {
        page.navigate("/logbook?text=" + note);
        return page.locator("main .lines li:has-text('" + note + "')").count();
    }

    private static Page typed(Page page, String note) {
        page.navigate(LUBRICATED);
        page.click("main .choice:has-text('Screw')");
        page.fill("[name=note]", note);
        return page;
    }

    private static Locator save(Page page) {
        return page.locator("main form button.btn-main").last();
    }

    @Test
    void whoseSignInEndedSignsInOverThePageAndWhatWasTypedIsSent() {
        String note = "ebbnote" + System.nanoTime();
        Page page = typed(browsing.keeper(1280, 800), note);
        page.context().clearCookies();
        save(page).click();
        assertThat(page.locator("#door h2")).hasText("Your sign-in has ended");
        Browsing.accessible(page);
        page.fill("#door-username", "keeper");
        page.fill("#door-password", "not-the-password");
        page.click("#door button");
        assertThat(page.locator("#door .wrong")).containsText("do not go together");
        assertThat(page.locator("[name=note]")).hasValue(note);
        page.fill("#door-password", "saltmarsh-keeper");
        page.click("#door button");
        page.waitForURL(Pattern.compile("/machines/dunlin$"));
        assertThat(written(page, note)).isEqualTo(1);
    }

    @Test
    void whereNobodyKnowsWhetherItArrivedItWaitsAndIsWrittenOnce() {
        String note = "floodnote" + System.nanoTime();
        Page page = typed(browsing.keeper(1280, 800), note);
        // the first one arrives, but its answer is lost on the way back
        page.route("**" + LUBRICATED, route -> {
            if (route.request().method().equals("POST")) {
                route.fetch();
                route.abort();
            } else {
                route.resume();
            }
        });
        save(page).click();
        assertThat(page.locator("#waiting")).containsText("One entry waits");
        page.unroute("**" + LUBRICATED);
        page.click("#waiting button:has-text('Send now')");
        assertThat(page.locator("#waiting")).hasCount(0);
        assertThat(written(page, note)).isEqualTo(1);
    }

    @Test
    void twoTapsWriteOnce() {
        String note = "slacknote" + System.nanoTime();
        Page page = typed(browsing.keeper(1280, 800), note);
        save(page).dblclick();
        page.waitForURL(Pattern.compile("/machines/dunlin$"));
        assertThat(written(page, note)).isEqualTo(1);
    }

    @Test
    void theOwnerSeesHowOldTheLastBackupIsAndMakesOne() {
        Page page = browsing.signedIn("owner", "saltmarsh-owner", 1280, 800);
        page.navigate("/setup");
        page.click("a:has-text('Backups:')");
        Browsing.accessible(page);
        page.click("button:has-text('Back up now')");
        assertThat(page.locator("main .soft").first())
                .hasText("last one today", new LocatorAssertions.HasTextOptions().setTimeout(90_000));
        assertThat(page.locator("main table a[download]")).hasCount(1);
        Browsing.accessible(page);
    }
}
