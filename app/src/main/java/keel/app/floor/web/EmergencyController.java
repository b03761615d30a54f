package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.floor.Aftermath;
import keel.app.standing.Standings;
import keel.core.emergency.Emergencies;
import keel.core.emergency.Emergency;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.resource.ResourceUrlProvider;

/**
 * What to do at once. The pages say nothing of the shop and need no sign-in; a small service worker keeps them on the
 * device, so that they open without a network. Writing down afterwards does.
 */
@Controller
class EmergencyController {

    private static final CacheControl A_DAY = CacheControl.maxAge(Duration.ofDays(1));
    private static final List<String> LOOKS =
            List.of("/static/css/emergency.css", "/static/fonts/next-latin.woff2", "/static/icon.svg");

    private final Emergencies emergencies = Emergencies.shipped();
    private final Standings standings;
    private final Aftermath aftermath;
    private final ResourceUrlProvider resources;

    EmergencyController(Standings standings, Aftermath aftermath, ResourceUrlProvider resources) {
        this.standings = standings;
        this.aftermath = aftermath;
        this.resources = resources;
    }

    @GetMapping("/emergency")
    String home() {
        return "redirect:/emergency/";
    }

    @GetMapping("/emergency/")
    String all(Model model, HttpServletResponse response) {
        kept(response);
        model.addAttribute("all", emergencies.all());
        return "floor/emergencies";
    }

    @GetMapping("/emergency/{code}")
    String one(@PathVariable String code, Model model, HttpServletResponse response) {
        kept(response);
        model.addAttribute("e", called(code));
        model.addAttribute("all", emergencies.all());
        return "floor/emergency";
    }

    /** Where there is no service worker, the browser's own memory keeps them for a day. */
    private static void kept(HttpServletResponse response) {
        response.setHeader(HttpHeaders.CACHE_CONTROL, A_DAY.getHeaderValue());
    }

    /** Keeps these pages on the device: from its memory at once, and anew in the background. */
    @GetMapping(value = "/emergency/worker.js", produces = "text/javascript")
    ResponseEntity<String> worker() {
        String files = Stream.of(
                        Stream.of("/emergency/"),
                        emergencies.all().stream().map(e -> "/emergency/" + e.code()),
                        LOOKS.stream().map(this::address))
                .flatMap(s -> s)
                .map(f -> "'" + f + "'")
                .collect(Collectors.joining(", "));
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("text/javascript"))
                .cacheControl(CacheControl.noCache())
                .body(
                        """
                        const FILES = [%s];
                        const NAME = 'emergency';
                        self.addEventListener('install', e => {
                          self.skipWaiting();
                          e.waitUntil(caches.open(NAME).then(c => c.addAll(FILES)));
                        });
                        self.addEventListener('activate', e => e.waitUntil(self.clients.claim()));
                        self.addEventListener('fetch', e => {
                          const path = new URL(e.request.url).pathname;
                          if (e.request.method !== 'GET' || !FILES.includes(path)) return;
                          e.respondWith(caches.open(NAME).then(async c => {
                            const fresh = fetch(e.request).then(r => { if (r.ok) c.put(path, r.clone()); return r; });
                            const kept = await c.match(path);
                            if (kept) { fresh.catch(() => {}); return kept; }
                            return fresh;
                          }));
                        });
                        """
                                .formatted(files));
    }

    private String address(String file) {
        String hashed = resources.getForLookupPath(file);
        return hashed == null ? file : hashed;
    }

    /** As it is typed. */
    record AfterForm(String machine, String who, Boolean eye, String happened) {

        AfterForm {
            eye = Boolean.TRUE.equals(eye);
        }

        static final AfterForm EMPTY = new AfterForm("", "", false, "");

        Aftermath.Said said() {
            return new Aftermath.Said(machine, who, eye, happened);
        }
    }

    @GetMapping("/emergency/{code}/after")
    String after(@PathVariable String code, Model model) {
        return show(called(code), AfterForm.EMPTY, model);
    }

    @PostMapping("/emergency/{code}/after")
    String write(@PathVariable String code, AfterForm form, Model model, HttpServletResponse response) {
        Emergency e = called(code);
        try {
            return "redirect:" + aftermath.write(e.writes(), form.said());
        } catch (Refused | Conflict refused) {
            PageErrors.show(refused, model, response);
            return show(e, form, model);
        }
    }

    private String show(Emergency e, AfterForm form, Model model) {
        model.addAttribute("e", e);
        model.addAttribute("form", form);
        model.addAttribute("machines", standings.all());
        return "floor/aftermath";
    }

    private Emergency called(String code) {
        return emergencies.called(code).orElseThrow(() -> new NotThere("There is no emergency called " + code + "."));
    }
}
