package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/**
 * What a keeper does in a morning: a failure in three taps, the film changed step by step by keyboard, a line and its
 * undo.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class BenchWalkTest extends DemoWalk {

    @Test
    @Order(1)
    void aFailureIsLoggedFromTheFleetWithThreeTapsAndEnter() {
        Page page = browsing.keeper(1280, 800);
        int taps = 0;
        page.click("text=Log a failure");
        taps++;
        assertThat(page.locator("dialog#sheet")).isVisible();
        page.click("#sheet .choice:has-text('Avocet')");
        taps++;
        page.click("#sheet .choice:has-text('Bare plate')");
        taps++;
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile("/failures/\\d+$"));
        assertThat(taps).isLessThanOrEqualTo(3);
        assertThat(page.locator("h1")).containsText("bare plate");
        page.navigate("/fleet");
        assertThat(page.locator("#m-avocet")).containsText("Failed print not cleaned up");
    }

    @Test
    @Order(2)
    void theSheetKeepsWhatWasTypedWhenItIsClosed() {
        Page page = browsing.keeper(1280, 800);
        page.click("text=Log a failure");
        page.click("#sheet .choice:has-text('Egret')");
        page.fill("#sheet #note", "half the plate");
        Browsing.accessible(page);
        page.keyboard().press("Escape");
        assertThat(page.locator("dialog#sheet")).isHidden();
        page.click("text=Log a failure");
        assertThat(page.locator("#sheet #note")).hasValue("half the plate");
        page.navigate("/failures/new");
        assertThat(page.locator("#note")).hasValue("half the plate");
    }

    @Test
    @Order(3)
    void aFilmIsChangedStepByStepWithTheKeyboardAlone() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/curlew/guides/film-change");
        Browsing.accessible(page);
        page.keyboard().press("Space");
        page.waitForURL(Pattern.compile("/guides/\\d+$"));
        String last = "";
        for (int i = 0; i < 30 && !heading(page).equals("Write it down"); i++) {
            String title = heading(page);
            assertThat(title).as("the step moved on").isNotEqualTo(last);
            last = title;
            answer(page);
            if (title.equals("Tighten the clamp")) {
                turnAFewBolts(page);
            }
            page.keyboard().press("Space");
            assertThat(page.locator("main h1")).not().hasText(title);
        }
        Browsing.accessible(page);
        page.keyboard().press("Space");
        assertThat(page.locator("main h1")).hasText("Film changed.");
        assertThat(page.locator("main")).containsText("0.0 h");
        assertThat(page.locator("main .follows")).containsText("Level the plate");
        page.navigate("/machines/curlew");
        assertThat(page.locator(".facts")).containsText(Pattern.compile("0\\.0 (h|k peels) of \\d+ "));
        assertThat(page.locator(".lines").first()).containsText("film changed in vat");
    }

    /** No: it is a hole; no: no pinhole; and the machine that prints is switched while it prints. */
    @Test
    @Order(6)
    void aTearIsNotCuredShutAndASwitchedReleaseMovesTheEnd() {
        Page page = browsing.keeper(1024, 768);
        page.navigate("/machines/avocet/guides/film-change");
        page.keyboard().press("Space");
        page.waitForURL(Pattern.compile("/guides/\\d+$"));
        choose(page, "Pierced");
        assertThat(page.locator("main h1")).hasText("What kind of hole is it?");
        choose(page, "Larger");
        assertThat(page.locator(".ways")).not().containsText("Cure it shut");
        Browsing.accessible(page);
        page.click("text=Back");
        choose(page, "A pinhole");
        assertThat(page.locator(".ways")).containsText("Cure it shut");
        page.click("summary:has-text('Give up')");
        page.click("text=Give it up");
        page.navigate("/machines/dunlin/run");
        String before = page.locator(".printing .where").innerText();
        page.click("text=Switched to slow");
        assertThat(page.locator(".release")).containsText("It lets go slowly");
        assertThat(page.locator(".printing .where")).not().hasText(before);
        page.click("text=Switched to fast");
        assertThat(page.locator(".release")).containsText("It lets go fast");
    }

    private static void choose(Page page, String words) {
        page.click(".answers .choice:has-text('" + words + "')");
        page.click(".answers > .btn");
    }

    private static void answer(Page page) {
        for (String choice : new String[] {"Clouded", "Yes"}) {
            Locator found = page.locator(".answers .choice:has(input[type=radio]):has-text('" + choice + "')");
            if (found.count() > 0) {
                found.first().locator("input").focus();
                page.keyboard().press("Space");
                page.evaluate("document.activeElement.blur()");
            }
        }
        while (page.locator("text=The whole pass").count() > 0 && !heading(page).equals("Tighten the clamp")) {
            pass(page);
        }
    }

    private static void turnAFewBolts(Page page) {
        assertThat(page.locator(".next-bolt")).containsText("Bolt 1, to 30 %");
        page.keyboard().press("Space");
        assertThat(page.locator(".next-bolt")).containsText("Bolt 13, to 30 %");
        page.keyboard().press("Backspace");
        assertThat(page.locator(".next-bolt")).containsText("Bolt 1, to 30 %");
        Browsing.accessible(page);
        page.reload();
        while (page.locator("text=The whole pass").count() > 0) {
            pass(page);
        }
    }

    private static void pass(Page page) {
        String before = page.locator(".next-bolt").textContent();
        page.click("text=The whole pass");
        assertThat(page.locator(".next-bolt")).not().hasText(before);
        page.evaluate("document.activeElement.blur()");
    }

    private static String heading(Page page) {
        return page.locator("main h1").innerText();
    }

    @Test
    @Order(4)
    void aLineShowsItsReadingThenIsWrittenAndTakenBack() {
        Page page = browsing.keeper(1280, 800);
        page.keyboard().press("/");
        page.keyboard().type("egret vat hole");
        assertThat(page.locator("#quick-answer"))
                .containsText("Enter writes: Egret: vat inspected, not in order: hole or tear in the film.");
        page.keyboard().press("Enter");
        assertThat(page.locator("#quick-answer")).containsText("Written:");
        assertThat(page.locator("#m-egret")).containsText("Wet under the vat");
        Browsing.accessible(page);
        page.click("[data-undo]");
        assertThat(page.locator("#quick-answer")).containsText("Taken back:");
        assertThat(page.locator("#m-egret")).not().containsText("Wet under the vat");
        page.fill("#quick-line", "egret failed bareplte");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("egret failed bare-plate")))
                .click();
        assertThat(page.locator("#quick-answer")).containsText("Enter writes: Egret: failed, bare plate.");
        page.keyboard().press("Escape");
        assertThat(page.locator("#quick-answer")).isEmpty();
    }

    @Test
    @Order(5)
    void aScannedLabelOpensItsMachine() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/labels");
        String code = page.locator(".labels code").first().innerText();
        page.fill("#quick-line", code);
        page.press("#quick-line", "Enter");
        page.waitForURL("**/machines/avocet");
    }
}
