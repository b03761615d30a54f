package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** An order from the wish to a plate that waits, what the failures say, and a table that is brought in. */
class OrdersWalkTest extends DemoWalk {

    @Test
    void anOrderIsRefusedMadeLaidOutAndWaits() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/orders/new");
        Browsing.accessible(page);
        page.fill("#f-name", "Punt, a set of parts");
        row(page, 0, "Plank", "many", "60", "9", "30");
        page.click("main form .btn-main");
        assertThat(page.locator("main .errors")).containsText("whole number");
        row(page, 0, "Plank", "14", "60", "9", "30");
        row(page, 1, "Pole", "3", "140", "7", "20");
        page.click("main form .btn-main");
        page.waitForURL(Pattern.compile("/orders/\\d+$"));
        assertThat(page.locator("main")).containsText("0 of 17 came out, 17 to print");
        assertThat(page.locator(".next-plates figure").first()).containsText("Plank");
        Browsing.accessible(page);
        page.locator(".let-wait summary").first().click();
        page.locator(".let-wait [name=hours]").first().fill("5,5");
        page.locator(".let-wait button").first().click();
        assertThat(page.locator(".part-rows")).containsText("of which");
        page.click("text=It is not wanted any more");
        assertThat(page.locator("main")).containsText("Open it again");
        page.click("text=Open it again");
        assertThat(page.locator("main")).containsText("It is not wanted any more");
    }

    private static void row(Page page, int at, String name, String wanted, String wide, String deep, String high) {
        String[][] cells = {{"parts", name}, {"wanted", wanted}, {"widths", wide}, {"depths", deep}, {"heights", high}};
        for (String[] cell : cells) {
            page.locator(".part-table [name=" + cell[0] + "]").nth(at).fill(cell[1]);
        }
    }

    @Test
    void whatWasCountedAfterwardsCounts() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/orders");
        Browsing.accessible(page);
        page.click(".order-rows a:has-text('the set')");
        page.locator(".order-prints a").first().click();
        page.click("text=Count what came out");
        Browsing.accessible(page);
        Locator first = page.locator(".count-row").first();
        String before = first.locator("input[name=pieces]").inputValue();
        first.locator("[data-step='1']").click();
        assertThat(first.locator("input[name=pieces]")).hasValue(Integer.toString(Integer.parseInt(before) + 1));
        first.locator("[data-step='-1']").click();
        assertThat(first.locator("input[name=pieces]")).hasValue(before);
        page.click(".count-parts .btn-tall");
        page.waitForURL(Pattern.compile("/(runs/\\d+|failures/new.*)$"));
    }

    @Test
    void aPatternIsExplainedDeniedAndOpenedAgain() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/fleet");
        page.keyboard().press("g");
        page.keyboard().press("k");
        page.waitForURL("**/patterns");
        Browsing.accessible(page);
        Locator pattern = page.locator(".pattern").first();
        assertThat(pattern.locator("h2")).containsText("failed");
        pattern.locator("summary:has-text('Why')").click();
        assertThat(pattern).containsText("luck would bring");
        pattern.locator("button:has-text('Watch it')").click();
        assertThat(page.locator(".pattern .decided").first()).containsText("Watched");
        page.locator(".pattern-more summary").first().click();
        page.locator(".pattern-more [name=reason]").first().fill("it was moved in that time");
        page.locator(".pattern-more button:has-text('Not so')").first().click();
        assertThat(page.locator(".verdict")).containsText("Nothing new stands out");
        page.click("summary:has-text('settled')");
        page.locator("button:has-text('Open again')").first().click();
        assertThat(page.locator(".verdict")).containsText("stands out");
    }

    @Test
    void aTableIsLookedAtRefusedWrittenAndTakenBack() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/setup/bring");
        Browsing.accessible(page);
        table(page, "name;unit;quantity\nDrip tray;piece;four\n");
        assertThat(page.locator("main")).containsText("Nothing can be written yet");
        assertThat(page.locator("main")).containsText("This is no number: four.");
        Browsing.accessible(page);
        page.navigate("/setup/bring");
        table(page, "name;unit;quantity\nDrip tray;piece;4\n");
        page.click("button:has-text('Write one row')");
        assertThat(page.locator(".brought-row").first()).containsText("One row of stock.csv");
        page.locator(".brought-row button").first().click();
        assertThat(page.locator(".brought-row").first()).containsText("Taken back");
    }

    private static void table(Page page, String text) {
        page.setInputFiles("#f-file", new FilePayload("stock.csv", "text/csv", text.getBytes(StandardCharsets.UTF_8)));
        page.selectOption("#f-kind", "STOCK");
        page.click("main form .btn-main");
    }
}
