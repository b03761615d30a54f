package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** From a pattern to two things compared and to the paper for whoever made it. */
class EvidenceWalkTest extends DemoWalk {

    @Test
    void twoMachinesAreComparedAndOneIsNotComparedWithItself() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/patterns");
        page.click("main a:text-is('Compare two')");
        page.selectOption("select[name=one]", "curlew");
        page.selectOption("select[name=other]", "dunlin");
        page.click("main button:text-is('Compare')");
        assertThat(page.locator("main .verdict")).containsText(Pattern.compile("\\d+ of \\d+ failed"));
        Browsing.accessible(page);
        page.selectOption("select[name=other]", "curlew");
        page.click("main button:text-is('Compare')");
        assertThat(page.locator("main")).containsText("Choose two that differ.");
    }

    @Test
    void aMachinesPaperIsWrittenWithItsSerialNumber() throws IOException {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/bittern/bench");
        page.click("main a:has-text('Evidence for its maker')");
        page.fill("input[name=serial]", "SM-0042");
        page.fill("input[name=boughtOn]", "2025-06-01");
        page.fill("input[name=warrantyUntil]", "2025-01-01");
        page.click("main button:text-is('Write it down')");
        assertThat(page.locator("main")).containsText("A warranty cannot end before the machine was bought.");
        assertThat(page.locator("input[name=serial]")).hasValue("SM-0042");
        page.fill("input[name=warrantyUntil]", "2027-06-01");
        page.click("main button:text-is('Write it down')");
        assertThat(page.locator(".evidence-facts")).containsText("SM-0042");
        Browsing.accessible(page);
        Download paper = page.waitForDownload(() -> page.click("main a:text-is('The paper (PDF)')"));
        try (InputStream in = paper.createReadStream()) {
            Assertions.assertThat(new String(in.readNBytes(5))).isEqualTo("%PDF-");
        }
    }
}
