package keel.app.failures;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopTime;
import keel.app.logbook.LogFilter;
import keel.app.logbook.Logbook;
import keel.app.problems.Conflict;
import keel.app.problems.PageErrors;
import keel.app.problems.Paging;
import keel.app.problems.Refused;
import keel.core.Findings;
import keel.core.failure.Certainty;
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
import org.springframework.web.multipart.MultipartFile;

/** Pages of failures: list, log, look into, name the cause. */
@Controller
class FailuresController {

    private static final int ON_A_PAGE = 50;

    private final Failures failures;
    private final Diagnoses diagnoses;
    private final Fleet fleet;
    private final Knowledge knowledge;
    private final Logbook logbook;
    private final ShopTime times;

    FailuresController(Failures failures, Fleet fleet, Knowledge knowledge, Logbook logbook, ShopTime times, Diagnoses diagnoses) {
        this.diagnoses = diagnoses;
        this.failures = failures;
        this.fleet = fleet;
        this.knowledge = knowledge;
        this.logbook = logbook;
        this.times = times;
    }

    /** What stands in the form, as it was typed. */
    record FailureForm(String machine, Long run, String seenAt, List<String> symptoms, List<String> absent, List<String> zones, String note,
                       Integer version, String reason, Boolean withdrawn) {

        FailureForm {
            symptoms = symptoms == null ? List.of() : symptoms;
            absent = absent == null ? List.of() : absent;
            zones = zones == null ? List.of() : zones;
        }

        static FailureForm of(FailureView f, ShopTime times) {
            return new FailureForm(f.machine(), f.run(), times.field(f.seenAt()), f.symptoms(), f.absent(), f.zones(), f.note(), f.version(), "",
                    f.withdrawn());
        }
    }

    @GetMapping("/failures")
    String list(@RequestParam(required = false) String machine, @RequestParam(defaultValue = "false") boolean open,
                @RequestParam(defaultValue = "0") int page, Model model) {
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
    String form(@RequestParam(required = false) String machine, @RequestParam(required = false) Long run, Model model) {
        return show(new FailureForm(machine, run, "", null, null, null, "", null, "", null), model);
    }

    @PostMapping("/failures")
    String log(FailureForm form, Model model, HttpServletResponse response) {
        try {
            return "redirect:/failures/" + failures.log(read(form)).id();
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(form, model);
        }
    }

    @GetMapping("/failures/{id}")
    String one(@PathVariable long id, Model model) {
        FailureView failure = failures.one(id);
        model.addAttribute("form", FailureForm.of(failure, times));
        return show(failure, model);
    }

    @PostMapping("/failures/{id}/correct")
    String correct(@PathVariable long id, FailureForm form, Model model, HttpServletResponse response) {
        try {
            failures.correct(id, form.version(), read(form), Boolean.TRUE.equals(form.withdrawn()), form.reason());
            return "redirect:/failures/" + id;
        } catch (EditedMeanwhile e) {
            response.setStatus(409);
            model.addAttribute("recorded", e.recorded());
            model.addAttribute("form", new FailureForm(form.machine(), form.run(), form.seenAt(), form.symptoms(), form.absent(), form.zones(),
                    form.note(), e.recorded().version(), form.reason(), form.withdrawn()));
            return show(failures.one(id), model);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("form", form);
            return show(failures.one(id), model);
        }
    }

    @PostMapping("/failures/{id}/cause")
    String cause(@PathVariable long id, @RequestParam(required = false) String cause, @RequestParam(required = false) String certainty,
                 @RequestParam(required = false) String note, Model model, HttpServletResponse response) {
        return act(id, () -> failures.nameCause(id, cause, certainty, note), model, response);
    }

    @PostMapping("/failures/{id}/checks")
    String check(@PathVariable long id, @RequestParam(required = false) String check, @RequestParam(required = false) List<String> found, Model model,
                 HttpServletResponse response) {
        return act(id, () -> failures.check(id, check, found), model, response);
    }

    @PostMapping("/failures/{id}/photos")
    String photo(@PathVariable long id, @RequestParam MultipartFile file, @RequestParam(required = false) String caption, Model model,
                 HttpServletResponse response) throws IOException {
        byte[] bytes = file.getBytes();
        return act(id, () -> failures.addPhoto(id, bytes, caption), model, response);
    }

    @GetMapping("/photos/{id}")
    ResponseEntity<byte[]> photo(@PathVariable long id) {
        return picture(failures.picture(id, false));
    }

    @GetMapping("/photos/{id}/small")
    ResponseEntity<byte[]> small(@PathVariable long id) {
        return picture(failures.picture(id, true));
    }

    private static ResponseEntity<byte[]> picture(Map.Entry<String, byte[]> picture) {
        return ResponseEntity.ok().contentType(MediaType.parseMediaType(picture.getKey())).header("Content-Security-Policy", "default-src 'none'")
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate()).body(picture.getValue());
    }

    private String act(long id, Runnable action, Model model, HttpServletResponse response) {
        try {
            action.run();
            return "redirect:/failures/" + id;
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return one(id, model);
        }
    }

    private String show(FailureView failure, Model model) {
        model.addAttribute("f", failure);
        model.addAttribute("knowledge", knowledge);
        model.addAttribute("looks", Symptom.Place.values());
        model.addAttribute("diagnosis", diagnoses.of(failure));
        model.addAttribute("checks", failures.checks(failure.id()));
        model.addAttribute("photos", failures.photos(failure.id()));
        model.addAttribute("certainties", Certainty.values());
        model.addAttribute("lines", logbook.lines(LogFilter.ofSubject("FAILURE", failure.id())));
        return "failures/failure";
    }

    private String show(FailureForm form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("knowledge", knowledge);
        model.addAttribute("looks", Symptom.Place.values());
        model.addAttribute("machines", fleet.machines().stream().filter(m -> !m.retired()).toList());
        return "failures/new";
    }

    private FailureEntry read(FailureForm form) {
        Findings findings = new Findings();
        var seenAt = times.read(form.seenAt(), "seenAt", findings);
        Refused.unless(findings);
        return new FailureEntry(form.machine(), form.run(), seenAt, form.symptoms(), form.absent(), form.zones(), form.note());
    }
}
