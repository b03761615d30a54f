package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;

/** The air as a keeper sees to it: a path planned and kept, the fan switched, a sensor that speaks and is hung. */
class AirWalkTest extends DemoWalk {

    @Test
    void aPathIsPlannedComparedAndKept() {
        Page page = browsing.keeper(1280, 800);
        page.keyboard().press("g");
        page.keyboard().press("a");
        page.waitForURL("**/air");
        page.click("a[aria-label='Plan the air of Annexe']");
        String before = page.locator(".verdict strong").textContent();
        assertThat(page.locator(".changes li").first()).containsText("m³/h");
        page.selectOption("#f-fan", "inline-125");
        page.fill("#f-diameterMm", "125");
        page.fill("#f-reducerMm", "");
        page.click("button:has-text('Reckon')");
        page.waitForURL("**/plan?**");
        assertThat(page.locator(".verdict strong")).not().hasText(before);
        Browsing.accessible(page);
        page.click("button:has-text('Keep this plan')");
        page.waitForURL("**/air/rooms/annexe/plan");
        assertThat(page.locator("#f-fan")).hasValue("inline-125");
    }

    @Test
    void theFanIsSwitchedByATap() {
        Page page = browsing.keeper(390, 844);
        page.navigate("/air");
        page.click("button[aria-label='Fan on: Annexe']");
        assertThat(page.locator("button[aria-label='Fan off: Annexe']")).isVisible();
        page.click("button[aria-label='Fan off: Annexe']");
        assertThat(page.locator("button[aria-label='Fan on: Annexe']")).isVisible();
    }

    @Test
    void theMeshIsCleanedStepByStep() {
        Page page = browsing.keeper(1024, 768);
        page.navigate("/air");
        page.click("a[aria-label='Step by step: Mesh of the Long Room window']");
        assertThat(page.locator("main")).containsText("Have at hand");
        page.click("main button:has-text('Begin')");
        page.waitForURL("**/guides/*");
        assertThat(page.locator("main .caution")).containsText("unplug it");
        page.keyboard().press("Space");
        page.check("label.choice:has-text('Most of it') input");
        Browsing.accessible(page);
        for (String title : new String[] {"Brush, wash, dry", "Flaps", "Mesh in, fan on"}) {
            page.click("main form.answers button");
            assertThat(page.locator("main h1")).containsText(title);
        }
        page.check("label.choice:has-text('Yes') input");
        page.click("main form.answers button");
        assertThat(page.locator("main h1")).containsText("Clean it sooner next time");
        page.click("main form.answers button");
        assertThat(page.locator("main h1")).containsText("Write it down");
        page.click("main button:has-text('Mesh cleaned')");
        assertThat(page.locator("main h1")).hasText("Mesh cleaned.");
        page.click("main a:has-text('To the air')");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Mesh of the Long Room window")))
                .containsText("0 days");
    }

    @Test
    void aSensorThatSpeaksIsHungInARoom() throws Exception {
        String body = "[{\"at\":\"" + Demo.now().minusSeconds(60)
                + "\",\"tvoc\":140,\"temperatureC\":19.5,\"humidityPercent\":50}]";
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(Demo.keel().address() + "/api/v1/sensors/shelf-7/readings"))
                                .header("Authorization", "Bearer " + Demo.keel().token())
                                .header("Content-Type", "application/json")
                                .POST(HttpRequest.BodyPublishers.ofString(body))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        Page page = browsing.keeper(1024, 768);
        page.navigate("/air");
        page.selectOption("select[aria-label='Room of shelf-7']", "annexe");
        page.click("button:has-text('It hangs here')");
        assertThat(page.locator("select[aria-label='Room of shelf-7']")).hasCount(0);
        page.navigate("/air/rooms/annexe");
        assertThat(page.locator("main")).containsText("shelf-7");
    }
}
