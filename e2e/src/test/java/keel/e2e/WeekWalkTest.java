package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Test;

/** The week: a job is asked for, refused, planned, dragged, left free, dropped and called back; hours; the phone. */
class WeekWalkTest extends DemoWalk {

    private static final String JOB = "Stickleback mould";

    @Test
    void aJobIsAskedForDraggedAndDropped() {
        Page page = browsing.keeper(1280, 800);
        page.keyboard().press("g");
        page.keyboard().press("w");
        page.waitForURL("**/week");
        Browsing.accessible(page);
        page.click("text=New job");
        page.waitForURL("**/jobs/new");
        page.fill("#f-name", JOB);
        page.fill("#f-hours", "soon");
        page.click("button:has-text('Put it into the week')");
        assertThat(page.locator("main .errors")).containsText("no number");
        assertThat(page.locator("#f-name")).hasValue(JOB);
        Browsing.accessible(page);
        page.fill("#f-hours", "5:30");
        page.click("button:has-text('Put it into the week')");
        page.waitForURL("**/week");
        Locator bar = page.locator(".bar:has(title:has-text('" + JOB + "'))");
        assertThat(bar).hasCount(1);

        page.evaluate("document.querySelector('figure.lanes').scrollIntoView({ block: 'center' })");
        BoundingBox from = bar.locator(".print").boundingBox();
        BoundingBox lane = page.locator("[data-lane=avocet] .lane-name").boundingBox();
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(from.x + from.width / 2 + 400, lane.y + 4);
        page.mouse().move(from.x + from.width / 2 + 420, lane.y + 6);
        page.mouse().up();
        assertThat(bar.locator(".pin")).hasCount(1);
        assertThat(bar.locator("title")).containsText("Avocet");

        page.evaluate("document.querySelector('figure.lanes').scrollIntoView({ block: 'center' })");
        page.context().setOffline(true);
        BoundingBox there = bar.locator(".print").boundingBox();
        page.mouse().move(there.x + 5, there.y + 8);
        page.mouse().down();
        page.mouse().move(there.x + 60, there.y + 8);
        page.mouse().move(there.x + 65, there.y + 9);
        page.mouse().up();
        assertThat(page.locator(".offline")).containsText("No connection");
        assertThat(page.locator(".bar.held")).hasCount(0);
        page.context().setOffline(false);

        page.click(".plan a.work:has-text('" + JOB + "')");
        page.waitForURL("**/jobs/*");
        Browsing.accessible(page);
        page.click("button:has-text('Leave it free again')");
        assertThat(page.locator("button:has-text('Leave it free again')")).hasCount(0);
        page.click("button:has-text('Not wanted any more')");
        assertThat(page.locator("main")).containsText("is not wanted any more");
        page.click("button:has-text('It is wanted after all')");
        assertThat(page.locator("h1 + .soft")).containsText("waits");
        page.click("button:has-text('It is done already')");
        assertThat(page.locator("h1 + .soft")).containsText("came out");
    }

    @Test
    void whatFindsNoPlaceSaysWhyAndTheRoundSaysWhatIsStarted() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/week");
        assertThat(page.locator(".no-place")).containsText("No plate in use takes 260 × 60 mm");
        page.navigate("/round");
        assertThat(page.locator("main")).containsText("Start ");
        Page phone = browsing.keeper(390, 844);
        for (String path : new String[] {
            "/week", "/jobs", "/jobs/new", "/week/hours", "/week/calendar", "/week/brought", "/reminders/choose"
        }) {
            phone.navigate(path);
            assertThat((Integer) phone.evaluate("document.documentElement.scrollWidth"))
                    .as(path)
                    .isLessThanOrEqualTo(390);
            Browsing.accessible(phone);
        }
    }

    @Test
    void hoursAreRefusedAndKeptAndDaysAwayTakenBack() {
        Page page = browsing.operator(1280, 800);
        page.navigate("/week/hours");
        Browsing.accessible(page);
        Locator mine = page.locator(".week-row");
        assertThat(mine).hasCount(1);
        mine.locator("[name=sunday]").fill("late");
        mine.locator("button").click();
        assertThat(page.locator("main .errors")).containsText("Hours are written like");
        assertThat(mine.locator("[name=sunday]")).hasValue("late");
        mine.locator("[name=sunday]").fill("");
        mine.locator("button").click();
        assertThat(page.locator("main .errors")).hasCount(0);
        page.fill("#f-from", "2031-05-02");
        page.fill("#f-why", "wedding");
        page.click(".fix-form button");
        assertThat(page.locator(".away-row:has-text('wedding')")).containsText("Elin");
        page.click(".away-row:has-text('wedding') button");
        assertThat(page.locator(".away-row:has-text('wedding')")).hasCount(0);
    }

    @Test
    void remindersAreRefusedKeptAndSaidInTheTitle() {
        Page page = browsing.operator(1280, 800);
        page.navigate("/reminders/choose");
        Browsing.accessible(page);
        page.fill("#f-mail", "elin@saltmarsh.example");
        page.fill("#f-quietFrom", "21:00");
        page.click("main form .keep");
        assertThat(page.locator("main .errors")).containsText("a begin and an end");
        page.fill("#f-mail", "");
        page.fill("#f-quietFrom", "");
        page.check("input[value=HOLDS]");
        page.click("main form .keep");
        assertThat(page.locator("main .caution")).containsText("Kept");
        page.navigate("/fleet");
        page.waitForFunction("fetch('/reminders').then(a => a.json()).then(a => a.notes.length > 0)");
        page.navigate("/reminders/choose");
        page.uncheck("input[value=HOLDS]");
        page.click("main form .keep");
        assertThat(page.locator("main .caution")).containsText("Kept");
    }
}
