package keel.app.floor.web;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a browser has to know to put the application beside others on a phone or tablet. */
@RestController
class ManifestController {

    /** An icon; {@code any} size for the drawn one. */
    record Icon(String src, String sizes, String type, String purpose) {}

    /** As the standard of web application manifests names it. */
    record Manifest(
            String id,
            String name,
            String short_name,
            String description,
            String lang,
            String start_url,
            String scope,
            String display,
            String background_color,
            String theme_color,
            List<Icon> icons) {}

    private static final Manifest MANIFEST = new Manifest(
            "/",
            "Vigilant Keel",
            "Keel",
            "Keeps a fleet of resin printers running.",
            "en",
            "/fleet",
            "/",
            "standalone",
            "#f5f0e5",
            "#0d535e",
            List.of(
                    new Icon("/static/icon-192.png", "192x192", "image/png", "any"),
                    new Icon("/static/icon-512.png", "512x512", "image/png", "any"),
                    new Icon("/static/icon-512.png", "512x512", "image/png", "maskable"),
                    new Icon("/static/icon.svg", "any", "image/svg+xml", "any")));

    @GetMapping(value = "/manifest.webmanifest", produces = "application/manifest+json")
    Manifest manifest() {
        return MANIFEST;
    }
}
