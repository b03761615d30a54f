package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** One key or one tap from anywhere, without a network too; afterwards the machine is held. */
class EmergencyWalkTest extends DemoWalk {

    @Test
    void theFirstInstructionComesWithoutANetwork() {
        Page page = browsing.keeperWithoutNetwork(390, 844);
        page.navigate("/machines/egret");
        page.waitForFunction("async () => (await caches.keys()).includes('emergency')"
                + " && (await (await caches.open('emergency')).keys()).length > 7");
        page.context().setOffline(true);
        page.keyboard().press("!");
        assertThat(page.locator("h1")).hasText("What has happened?");
        long tapped = System.nanoTime();
        page.click("text=Leak now");
        assertThat(page.locator(".steps li").first()).containsText("Gloves on");
        System.out.printf("first instruction %d ms after the tap, offline%n", (System.nanoTime() - tapped) / 1_000_000);
        page.context().setOffline(false);
        Browsing.accessible(page);
        page.click("text=something else");
        Browsing.accessible(page);
    }

    @Test
    void aFallIsWrittenDownAfterwardsAndHoldsTheMachine() {
        Page page = browsing.keeper(1024, 768);
        page.navigate("/fleet");
        page.click("a.btn-alarm");
        page.click("text=Something fell");
        page.click("text=It is over");
        page.click("main button:has-text('Write it down')");
        assertThat(page.locator("main")).containsText("Say at which machine.");
        Browsing.accessible(page);
        page.locator("label.choice:has-text('Godwit')").click();
        page.fill("#f-happened", "A spatula fell into the vat.");
        page.click("main button:has-text('Write it down')");
        page.waitForURL(Pattern.compile("/machines/godwit$"));
        assertThat(page.locator("main")).containsText("Hold");
        assertThat(page.content()).contains("A spatula fell into the vat.");
    }
}
