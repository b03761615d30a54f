package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * The plate: a place found for a job, moved by hand, kept with the run; where an old run lay drawn afterwards; how long
 * parts last.
 */
class PlateWalkTest extends DemoWalk {

    @Test
    void aPlaceIsFoundForTheNextJobAndTheGateTakesIt() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/fulmar");
        page.click("text=Where it is worn, and where to put a job");
        page.fill("#f-footprint", "60 x 40");
        page.keyboard().press("Enter");
        assertThat(page.locator(".wearmap .place")).hasCount(1);
        assertThat(page.locator("main .verdict")).containsText("less worn than the middle");
        Browsing.accessible(page);
        page.click("main a:has-text('Start with it there')");
        assertThat(page.locator("#onplate .choice:has-text('As drawn') input")).isChecked();
        assertThat(page.locator("#onplate .place")).hasCount(1);
        page.fill("#f-footprint", "60 x 40, 2 of 20 x 20");
        page.keyboard().press("Tab");
        assertThat(page.locator("#onplate .place")).hasCount(3);
        assertThat(page.locator("#onplate .choice:has-text('Least worn') input"))
                .isChecked();
        BoundingBox first =
                Browsing.restingPlace(page.locator("#onplate .place polygon").first());
        page.mouse().move(first.x + first.width / 2, first.y + first.height / 2);
        page.mouse().down();
        page.mouse().move(first.x + first.width / 2 - 40, first.y + first.height / 2 - 15);
        page.mouse().up();
        assertThat(page.locator("#onplate .choice:has-text('As drawn') input")).isChecked();
        String drawn = page.locator("#f-parts").inputValue();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#f-parts").inputValue()).isNotEqualTo(drawn);
        assertThat(page.locator("#f-parts").inputValue().lines().count()).isEqualTo(3);
        for (Locator ask : page.locator(".gate-row .choice").all()) {
            ask.click();
        }
        page.fill("#f-job", "Placed by hand");
        page.click("text=Start the run");
        page.waitForURL(Pattern.compile("/runs/\\d+/now$"));
        String run = page.url().replaceAll("\\D+$", "").replaceAll(".*/", "");
        page.navigate("/runs/" + run.replaceAll("/now", "") + "/footprint");
        assertThat(page.locator(".wearmap .place")).hasCount(3);
        page.navigate("/machines/fulmar/run");
        page.click("#ended .choice:has-text('Stopped')");
        page.click("#ended button:has-text('Finish the run')");
    }

    @Test
    void whereAnOldRunLayIsDrawnByMouseAndByKeys() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/runs/12/footprint");
        page.click("button:has-text('One in the middle')");
        assertThat(page.locator(".wearmap .place")).hasCount(1);
        BoundingBox map = Browsing.restingPlace(page.locator(".wearmap .floor"));
        page.mouse().move(map.x + 20, map.y + 20);
        page.mouse().down();
        page.mouse().move(map.x + 120, map.y + 90);
        page.mouse().up();
        assertThat(page.locator(".wearmap .place")).hasCount(2);
        page.keyboard().press("r");
        assertThat(page.locator("[data-plate-text]").inputValue()).endsWith(" 45");
        page.keyboard().press("n");
        page.keyboard().press("Delete");
        assertThat(page.locator(".wearmap .place")).hasCount(1);
        Browsing.accessible(page);
        page.click("button:has-text('Keep where it lay')");
        page.waitForURL(Pattern.compile("/runs/12$"));
        assertThat(page.locator("main")).containsText("Where on the plate it lay: 1 rectangle");
    }

    @Test
    void theSchoolByWhichFilmsAreChangedIsChosen() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/bench/lives");
        assertThat(page.locator(".lives-index")).containsText("ended");
        page.click("#screen .choice:has-text('On signs only')");
        page.waitForResponse(
                r -> r.url().endsWith("/bench/lives/SCREEN/school"),
                () -> page.click("#screen button:has-text('Change them so')"));
        page.navigate("/bench/lives");
        assertThat(page.locator("#screen .choice:has-text('On signs only') input"))
                .isChecked();
        assertThat(page.locator("#film .life-curve").first())
                .hasAttribute("aria-label", Pattern.compile("Half of them last .* h"));
    }
}
