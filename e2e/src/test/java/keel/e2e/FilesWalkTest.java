package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A sliced file: brought, refused, read, looked through, decided, started with; and one that a failure points to. */
class FilesWalkTest extends DemoWalk {

    private static final int LAYERS = 60;

    @TempDir
    private Path folder;

    /** A block with a piece beside it that begins on layer 31 and hangs on nothing. */
    private Path island() throws IOException {
        Path file = folder.resolve("Bow fender.zip");
        try (OutputStream out = Files.newOutputStream(file);
                ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("sheet.json"));
            zip.write("{\"layerMm\":0.05,\"widthMm\":144,\"depthMm\":81}".getBytes(StandardCharsets.UTF_8));
            for (int k = 1; k <= LAYERS; k++) {
                BufferedImage image = new BufferedImage(288, 162, BufferedImage.TYPE_BYTE_GRAY);
                for (int i = 0; i < 288 * 162; i++) {
                    int x = i % 288;
                    int y = i / 288;
                    boolean block = x >= 100 && x < 180 && y >= 60 && y < 110;
                    if (block || k > 30 && x >= 220 && x < 236 && y >= 20 && y < 36) {
                        image.setRGB(x, y, 0xffffffff);
                    }
                }
                zip.putNextEntry(new ZipEntry(k + ".png"));
                ImageIO.write(image, "png", zip);
            }
        }
        return file;
    }

    @Test
    void aFileIsReadLookedThroughDecidedAndStartedWith() throws IOException {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/runs");
        page.click("main a:has-text('Files')");
        page.waitForURL("**/files");
        Browsing.accessible(page);
        page.setInputFiles("#f-file", Files.writeString(folder.resolve("note.zip"), "not a file of layers"));
        page.click("button:has-text('Read it')");
        assertThat(page.locator("main .errors")).containsText("That is no ZIP");
        page.click("text=Choose another");
        page.setInputFiles("#f-file", island());
        page.selectOption("#f-machine", "avocet");
        page.click("button:has-text('Read it')");
        page.waitForURL(Pattern.compile("/files/[0-9a-f]{64}$"));
        assertThat(page.locator(".big-words")).containsText("spoils the print");
        Browsing.accessible(page);

        Locator output = page.locator(".pager output");
        page.click("[data-next]");
        assertThat(output).containsText("31 of 60");
        assertThat(page.locator(".here").first()).isVisible();
        page.click("[data-step='-1']");
        assertThat(output).containsText("30 of 60");
        assertThat(page.locator(".here").first()).isHidden();
        page.locator(".pager input").press("End");
        assertThat(output).containsText("60 of 60");
        page.click("[data-closer]");
        assertThat(page.locator("[data-closer]")).hasAttribute("aria-pressed", "true");

        page.click("summary:has-text('Print it as it is')");
        page.click("button:has-text('Accept it')");
        assertThat(page.locator("main .errors")).containsText("Say why it may be printed");
        Browsing.accessible(page);
        page.fill("#why1", "It is cut off afterwards.");
        page.click("button:has-text('Accept it')");
        assertThat(page.locator(".big-words")).containsText("accepted");
        page.click("button:has-text('Open again')");
        assertThat(page.locator(".big-words")).containsText("spoils the print");
        page.click("button:has-text('Slice it anew')");
        assertThat(page.locator(".big-words")).containsText("sliced anew");

        String file = page.url().replaceAll(".*/files/([0-9a-f]{64}).*", "$1");
        page.navigate("/machines/avocet/start?file=" + file);
        assertThat(page.locator("#gate")).containsText("It is to be sliced anew.");
        assertThat(page.locator("#f-layers")).hasValue("60");
        assertThat(page.locator("#f-footprint")).hasValue(Pattern.compile("\\d+ x \\d+"));
        Browsing.accessible(page);
    }

    @Test
    void filesFitAPhoneAndAFailurePointsToItsFile() {
        Page page = browsing.keeper(390, 844);
        page.navigate("/files?q=core box");
        Locator first = page.locator(".files-rows a").first();
        Browsing.accessible(page);
        first.click();
        page.waitForURL(Pattern.compile("/files/[0-9a-f]{64}$"));
        assertThat(page.locator(".findings li").first()).isVisible();
        org.assertj.core.api.Assertions.assertThat((Integer) page.evaluate("document.documentElement.scrollWidth"))
                .isLessThanOrEqualTo(390);
        Browsing.accessible(page);
        page.locator("#printed + ul a").first().click();
        page.waitForURL(Pattern.compile("/runs/\\d+$"));
    }
}
