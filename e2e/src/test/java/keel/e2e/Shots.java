package keel.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Takes the pictures of the documentation, from the demo at a fixed moment, so that they can be taken again. */
@Tag("shots")
class Shots {

    private static final Path TO = Path.of("..", "docs", "screenshots");

    @Test
    void takeThem(@TempDir Path home) throws Exception {
        Map<String, String> views = new LinkedHashMap<>();
        views.put("fleet", "/fleet");
        views.put("round", "/round");
        views.put("week", "/week");
        views.put("machine", "/machines/curlew");
        views.put("start-gate", "/machines/avocet/start");
        views.put("run", "/machines/dunlin/run");
        views.put("order", "/orders/1");
        views.put("patterns", "/patterns");
        views.put("lives", "/bench/lives");
        views.put("stores", "/stores");
        views.put("wash", "/wash");
        Files.createDirectories(TO);
        try (KeelProcess keel = KeelProcess.start("demo", home.resolve("shop"), "--clock", Demo.MOMENT.toString());
                Browsing browsing = new Browsing(keel.address())) {
            Page page = browsing.keeper(1280, 800);
            browsing.theme(page, "day");
            for (Map.Entry<String, String> view : views.entrySet()) {
                shoot(page, view.getValue(), view.getKey());
            }
            page.navigate("/fleet");
            page.click("main a:has-text('Log a failure')");
            page.click("#sheet .choice:has-text('Egret')");
            page.click("#sheet .choice:has-text('Layers split')");
            page.fill("#sheet #note", "Three of eight came off, the rest split near the top.");
            page.click("#sheet .choice:has-text('Parts missing')");
            page.keyboard().press("Enter");
            page.waitForURL(Pattern.compile("/failures/\\d+$"));
            picture(page, "failure");
            page.navigate("/files?q=gate keep");
            page.click(".files-rows a");
            picture(page, "file");
            page.navigate("/vats/V3/inspect?take=uv");
            page.click(".grade-choices .choice:has-text('Clouded')");
            page.locator(".film-map").click(new Locator.ClickOptions().setPosition(180, 110));
            page.click(".mark-kinds .choice:has-text('Scratch')");
            page.locator(".film-map").click(new Locator.ClickOptions().setPosition(300, 170));
            page.click("[data-mark-list] li:last-child button:has-text('+')");
            picture(page, "film-inspection");
            page.navigate("/machines/curlew/plate?footprint=60x40");
            picture(page, "plate");
            page.navigate("/machines/curlew/screen?photo=2");
            picture(page, "screen");
            page.navigate("/machines/egret/guides/film-change");
            goToTheClamp(page);
            picture(page, "guide-bolts");
            browsing.theme(page, "amber");
            shoot(page, "/air/rooms/long-room/plan", "air-plan-amber");
            Page phone = browsing.keeper(390, 844);
            browsing.theme(phone, "day");
            shoot(phone, "/fleet", "fleet-phone");
        }
    }

    private static void goToTheClamp(Page page) {
        page.click("main .btn-tall");
        page.waitForURL(Pattern.compile("/guides/\\d+$"));
        while (!page.locator("main h1").innerText().startsWith("Tighten")) {
            String title = page.locator("main h1").innerText();
            if (page.locator("input[name=endReason]").count() > 0) {
                page.click(".choice:has-text('Clouded')");
            }
            page.click(".answers button");
            PlaywrightAssertions.assertThat(page.locator("main h1")).not().hasText(title);
        }
        for (int bolt = 1; bolt <= 7; bolt++) {
            page.click("text=This bolt is done");
            PlaywrightAssertions.assertThat(page.locator(".bolts .done")).hasCount(bolt);
        }
    }

    private static void shoot(Page page, String path, String name) {
        page.navigate(path);
        picture(page, name);
    }

    private static void picture(Page page, String name) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.evaluate(
                "Promise.all([document.fonts.ready, ...[...document.images].map(i => i.complete || new Promise(done "
                        + "=> i.onload = done))])");
        page.screenshot(new Page.ScreenshotOptions().setPath(TO.resolve(name + ".png")));
    }
}
