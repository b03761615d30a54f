package keel.app.failures.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.failures.FailurePhotos;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopTime;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of failures: list, log, photos. */
@Controller
class FailuresController {

    private static final int ON_A_PAGE = 50;

    private final Failures failures;
    private final FailurePhotos failurePhotos;
    private final Fleet fleet;
    private final Knowledge knowledge;
    private final ShopTime times;

    FailuresController(
            Failures failures, FailurePhotos failurePhotos, Fleet fleet, Knowledge knowledge, ShopTime times) {
        this.failures = failures;
        this.failurePhotos = failurePhotos;
        this.fleet = fleet;
        this.knowledge = knowledge;
        this.times = times;
    }

    @GetMapping("/failures")
    String list(
            @RequestParam(required = false) String machine,
            @RequestParam(defaultValue = "false") boolean open,
            @RequestParam(defaultValue = "0") int page,
            Model model) {
        var found = failures.list(machine, open, Paging.of(page, ON_A_PAGE + 1));
        model.addAttribute("failures", found.subList(0, Math.min(ON_A_PAGE, found.size())));
        model.addAttribute("more", found.size() > ON_A_PAGE);
        model.addAttribute("page", page);
        model.addAttribute("machine", machine);
        model.addAttribute("open", open);
        model.addAttribute("machines", fleet.machines());
        model.addAttribute("knowledge", knowledge);
        return "failures/list";
    }

    @GetMapping("/failures/new")
    String form(
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) Long run,
            @RequestParam(required = false) List<String> symptoms,
            Model model) {
        return show(new FailureForm(machine, run, "", symptoms, null, null, "", null, "", null), model);
    }

    @PostMapping("/failures")
    String log(FailureForm form, Model model, HttpServletResponse response) {
        try {
            return "redirect:/failures/" + failures.log(form.entry(times)).id();
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(form, model);
        }
    }

    @GetMapping("/photos/{id}")
    ResponseEntity<byte[]> photo(@PathVariable long id) {
        return picture(failurePhotos.picture(id, false));
    }

    @GetMapping("/photos/{id}/small")
    ResponseEntity<byte[]> small(@PathVariable long id) {
        return picture(failurePhotos.picture(id, true));
    }

    private static ResponseEntity<byte[]> picture(Map.Entry<String, byte[]> picture) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(picture.getKey()))
                .header("Content-Security-Policy", "default-src 'none'")
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(picture.getValue());
    }

    private String show(FailureForm form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("knowledge", knowledge);
        model.addAttribute("looks", Symptom.Place.values());
        model.addAttribute(
                "machines", fleet.machines().stream().filter(m -> !m.retired()).toList());
        return "failures/new";
    }
}
