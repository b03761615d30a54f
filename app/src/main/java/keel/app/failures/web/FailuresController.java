package keel.app.failures.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailurePhotos;
import keel.app.failures.Failures;
import keel.app.failures.Seeing;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopTime;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Pages of failures: list, log, photos. */
@Controller
class FailuresController {

    private static final int ON_A_PAGE = 50;

    private final Failures failures;
    private final FailurePhotos failurePhotos;
    private final Seeing seeing;
    private final TakenPhotos taken;
    private final Fleet fleet;
    private final Knowledge knowledge;
    private final ShopTime times;

    FailuresController(
            Failures failures,
            FailurePhotos failurePhotos,
            Seeing seeing,
            TakenPhotos taken,
            Fleet fleet,
            Knowledge knowledge,
            ShopTime times) {
        this.failures = failures;
        this.failurePhotos = failurePhotos;
        this.seeing = seeing;
        this.taken = taken;
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
        return show(new FailureForm(machine, run, "", symptoms, null, null, "", null, "", null, null), model);
    }

    /** Asks before it writes down a second failure of one print; the same one, tapped twice, is written once. */
    @PostMapping("/failures")
    String log(
            FailureForm form,
            @RequestParam(required = false) List<MultipartFile> photos,
            Model model,
            RedirectAttributes after,
            HttpServletResponse response)
            throws IOException {
        try {
            FailureEntry entry = form.entry(times);
            boolean another = Boolean.TRUE.equals(form.another());
            Long same = another ? null : seeing.tappedTwice(entry);
            if (same != null) {
                return "redirect:/failures/" + same;
            }
            Long already = another ? null : seeing.ofRun(entry.run());
            if (already != null) {
                response.setStatus(HttpStatus.CONFLICT.value());
                model.addAttribute("already", already);
                return show(form, model);
            }
            long id = failures.log(entry).id();
            taken.keep(id, photos, after);
            return "redirect:/failures/" + id;
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
        model.addAttribute("prints", seeing.printsOf(form.machine()));
        model.addAttribute("knowledge", knowledge);
        model.addAttribute("looks", Symptom.Place.values());
        model.addAttribute(
                "machines", fleet.machines().stream().filter(m -> !m.retired()).toList());
        return "failures/new";
    }
}
