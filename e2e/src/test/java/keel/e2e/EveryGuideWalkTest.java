package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Every guide from its kit to its last page on a tablet: by the space bar alone where nothing is asked, each control
 * with a name that a screen reader says, none smaller than a gloved finger. Nothing is written: each is given up.
 */
class EveryGuideWalkTest extends DemoWalk {

    private static final int STEPS = 45;
    private static final String LAST = "Write it down";

    private static final Map<String, List<String>> GUIDES = Map.of(
            "avocet",
            List.of(
                    "film-change",
                    "clean-up",
                    "vat-inspection",
                    "screen-inspection",
                    "plate-work",
                    "lubrication",
                    "levelling",
                    "commissioning",
                    "film-cleaning",
                    "stop-gap",
                    "resin-change",
                    "screen-change",
                    "dry-run"),
            "godwit",
            List.of("tank-change", "clean-up", "vat-inspection", "levelling", "commissioning"));

    /** Controls without a name, or too small to hit in gloves. */
    private static final String WRONG =
            """
            () => [...document.querySelectorAll(
                'main button, main input:not([type=hidden]), main select, main textarea')]
              .filter(e => e.offsetParent !== null)
              .map(e => {
                const box = (e.closest('.choice, .form-check') ?? e).getBoundingClientRect();
                const name = e.getAttribute('aria-label') || e.textContent.trim()
                  || [...(e.labels ?? [])].map(l => l.textContent.trim()).join('');
                return !name ? 'no name: ' + e.outerHTML.slice(0, 90)
                  : box.height < 43.5 ? 'low: ' + name + ' ' + box.height : null;
              }).filter(x => x)
            """;

    @Test
    void everyGuideIsWalkedToItsEnd() {
        Page page = browsing.keeper(1024, 768);
        GUIDES.forEach((machine, guides) -> guides.forEach(guide -> walk(page, machine, guide)));
    }

    private static void walk(Page page, String machine, String guide) {
        page.navigate("/machines/" + machine + "/guides/" + guide);
        page.keyboard().press("Space");
        page.waitForURL(Pattern.compile("/guides/\\d+$"));
        for (int i = 0; i < STEPS && !heading(page).equals(LAST); i++) {
            String title = heading(page);
            assertThat((List<?>) page.evaluate(WRONG)).as(guide + ": " + title).isEmpty();
            assertThat(page.locator("main figure svg, main figure img").count())
                    .as(guide + ": " + title)
                    .isPositive();
            answer(page, 0);
            on(page);
            if (page.locator(".answers > .btn").count() == 0) {
                page.click(".guide-foot >> text=Back");
                assertThat(page.locator("main h1")).hasText(title);
                answer(page, 1);
                on(page);
            }
            assertThat(page.locator("main h1")).not().hasText(title);
        }
        assertThat(heading(page)).as(guide + " comes to its end").isEqualTo(LAST);
        page.click("main >> text=Back");
        page.click("summary:has-text('Give up')");
        page.click("text=Give it up");
        assertThat(page.locator("main h1")).hasText(Pattern.compile(machine, Pattern.CASE_INSENSITIVE));
    }

    /** The nth choice of each question, and a number where one is asked for. */
    private static void answer(Page page, int nth) {
        Locator questions = page.locator(".answers fieldset");
        for (int q = 0; q < questions.count(); q++) {
            Locator choices = questions.nth(q).locator(".choice");
            choices.nth(Math.min(nth, choices.count() - 1)).click();
        }
        page.evaluate("document.activeElement.blur()");
    }

    /** Bolts are passed over with their own button; else the space bar. */
    private static void on(Page page) {
        if (page.locator("text=Go on without the rest").count() > 0) {
            page.click("text=Go on without the rest");
        } else {
            page.keyboard().press("Space");
        }
        page.waitForLoadState();
    }

    private static String heading(Page page) {
        return page.locator("main h1").innerText();
    }
}
