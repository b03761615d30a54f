package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Setting up and starting: through the gate with four taps, a look, the end, the plate cleared; settings; a machine
 * commissioned.
 */
class StartWalkTest extends DemoWalk {

    @Test
    void aRunStartsWithFourTapsIsLookedAtStoppedAndThePlateIsCleared() {
        Page page = browsing.keeper(1280, 800);
        page.click("#m-egret .btn:has-text('Start')");
        page.waitForURL("**/machines/egret/start");
        Locator asked = page.locator(".gate-row .choice");
        assertThat(asked.count()).as("taps with everything in order").isLessThanOrEqualTo(4);
        page.click("main button:has-text('Start the run')");
        assertThat(page.locator("main .errors")).containsText("Not looked at yet");
        Browsing.accessible(page);
        for (int i = 0; i < asked.count(); i++) {
            asked.nth(i).click();
        }
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile("/runs/\\d+/now$"));
        assertThat(page.locator(".where")).containsText("1 of");
        assertThat(page.locator("#look")).containsText("Nothing stands out of the resin before layer");
        page.click("#look .choice:has-text('Nothing hangs on the plate')");
        page.click("text=I looked in");
        assertThat(page.locator(".advice")).containsText("Compare first. It is too early");
        page.click("#look .choice:has-text('A slab')");
        page.click("text=I looked in");
        assertThat(page.locator(".advice.is-stop")).containsText("Stop it.");
        Browsing.accessible(page);
        assertThat(page.locator("#ended input[value=STOPPED]")).isChecked();
        page.click("#ended summary");
        page.fill("#f-reachedLayer", "0");
        page.click("text=Finish the run");
        page.waitForURL(Pattern.compile("/failures/new"));
        page.navigate("/machines/egret");
        page.click("main .tasks a.btn-main");
        page.waitForURL(Pattern.compile("/runs/\\d+/after$"));
        page.click(".choice:has-text('The plate is off')");
        page.fill("#f-resinLeftMl", "131");
        page.keyboard().press("Enter");
        page.waitForURL("**/machines/egret");
        assertThat(page.locator("main .verdict")).containsText("Ready");
        assertThat(page.locator(".facts")).containsText("131 ml");
    }

    @Test
    void aSettingIsChangedAloneTwoAskWhyAndTheLastGoodVersionComesBack() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/curlew/profiles/reed-grey");
        String before = page.locator(".verdict strong").innerText();
        String exposure = page.inputValue("#f-exposureS");
        String lift = page.inputValue("#f-liftMmPerMin");
        String longer = exposure.equals("2.55") ? "2.65" : "2.55";
        String typed = longer.replace('.', ',');
        page.fill("#f-exposureS", typed);
        page.fill("#f-liftMmPerMin", lift.equals("60") ? "70" : "60");
        page.click("text=Make version");
        assertThat(page.locator("main .errors")).containsText("layer exposure and lift speed");
        assertThat(page.locator("#f-exposureS")).hasValue(typed);
        page.fill("#f-liftMmPerMin", lift);
        page.click("text=Make version");
        assertThat(page.locator("main [role=status]")).containsText("Load it into the machine");
        assertThat(page.locator(".verdict strong")).not().hasText(before);
        assertThat(page.locator(".versions li").first())
                .containsText("layer exposure " + exposure + " → " + longer + " s");
        page.click("text=the last good one");
        assertThat(page.locator(".versions li").first()).containsText("back to");
        assertThat(page.locator("#f-exposureS")).not().hasValue(longer);
    }

    @Test
    void aMachineIsCommissionedStepByStepWithItsStanceMeasured() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/egret/guides/commissioning");
        page.click("main .btn-tall");
        page.waitForURL(Pattern.compile("/guides/\\d+$"));
        String guide = page.url();
        for (int i = 0; i < 20 && !page.locator("main h1").innerText().equals("Write it down"); i++) {
            String title = page.locator("main h1").innerText();
            if (title.startsWith("Does it stand")) {
                measureTheStance(page, guide);
            }
            for (String answer : new String[] {"Yes", "Right"}) {
                Locator choice = page.locator(".answers .choice:has-text('" + answer + "')");
                if (choice.count() > 0) {
                    choice.first().click();
                }
            }
            page.click(".answers button");
            assertThat(page.locator("main h1")).not().hasText(title);
        }
        page.click("main button.btn-tall");
        assertThat(page.locator("main h1")).hasText("Commissioned.");
        page.navigate("/logbook?machine=egret");
        for (String entry : new String[] {"commissioned", "stance checked", "lubricated"}) {
            assertThat(page.locator("main .lines")).containsText(entry);
        }
    }

    private static void measureTheStance(Page page, String guide) {
        page.click("text=Which foot, how thick a shim");
        page.click(".corners .choice:has-text('front right')");
        page.fill("#f-gapMm", "0,8");
        page.click("text=How thick a shim?");
        assertThat(page.locator(".verdict-line")).containsText("0.8 mm under the front right foot.");
        Browsing.accessible(page);
        page.navigate(guide);
    }

    /** Where a person would type what an instrument shows, the demo's own takes the reading. */
    @Test
    void readingsAreTakenWithTheDemosInstruments() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/fulmar/level");
        page.click("text=Take the readings");
        assertThat(page.locator(".readings input").first()).hasValue(Pattern.compile("-?0(\\.\\d+)?"));
        page.click("button:has-text('Judge it')");
        assertThat(page.locator(".verdict-line")).isVisible();
        page.navigate("/machines/fulmar/profiles/cast-amber/curve");
        page.click("text=Cure and measure four patches");
        assertThat(page.locator("[name=depth3]")).hasValue(Pattern.compile("0\\.\\d+"));
        page.click("button:has-text('Fit it')");
        assertThat(page.locator(".verdict-line")).containsText("s cure 0.12 mm");
        page.navigate("/instruments/curlew");
        page.click("main button:has-text('Write it down')");
        page.waitForURL("**/instruments/curlew?kept");
        assertThat(page.locator(".airs")).containsText("Long Room");
        for (String file : List.of(
                "/instruments/curlew/centre.wav", "/instruments/curlew/white.png", "/instruments/rooms/annexe.csv")) {
            var answer = page.request().get(file);
            assertThat(answer.status()).as(file).isEqualTo(200);
            assertThat(answer.body().length).as(file).isGreaterThan(10_000);
        }
        assertThat(page.request().get("/instruments/godwit/centre.wav").status())
                .isEqualTo(404);
    }
}
