package keel.e2e;

import com.microsoft.playwright.Page;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Takes the pictures of the documentation, from the demo at a fixed moment, so that they can be taken again. */
@Tag("shots")
class Shots {

    private static final String MOMENT = "2026-03-12T14:20:00Z";
    private static final Path TO = Path.of("..", "docs", "screenshots");

    @Test
    void takeThem(@TempDir Path home) throws Exception {
        Map<String, String> views = new LinkedHashMap<>();
        views.put("fleet", "/fleet");
        views.put("machine", "/machines/curlew");
        views.put("run", "/runs/new?machine=avocet");
        views.put("failure-log", "/failures/new?machine=egret");
        views.put("failure", "/failures/1");
        views.put("film-change", "/machines/curlew/services/FILM_CHANGE");
        views.put("bench", "/bench");
        views.put("stores", "/stores");
        views.put("logbook", "/logbook");
        views.put("setup", "/setup");
        Files.createDirectories(TO);
        try (KeelProcess keel = KeelProcess.start("demo", home.resolve("shop"), "--clock", MOMENT); Browsing browsing = new Browsing(keel.address())) {
            Page page = browsing.keeper(1280, 800);
            browsing.theme(page, "day");
            for (Map.Entry<String, String> view : views.entrySet()) {
                shoot(page, view.getValue(), view.getKey());
            }
            browsing.theme(page, "amber");
            shoot(page, "/fleet", "fleet-amber");
            shoot(page, "/machines/bittern", "machine-amber");
            Page phone = browsing.keeper(390, 844);
            browsing.theme(phone, "day");
            shoot(phone, "/fleet", "fleet-phone");
        }
    }

    private static void shoot(Page page, String path, String name) {
        page.navigate(path);
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions().setPath(TO.resolve(name + ".png")));
    }
}
