package keel.app.failures.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.CsvFile;
import keel.app.base.PageErrors;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailurePhotos;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.failures.Seeing;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopTime;
import keel.core.Findings;
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
    private static final int CAUSES = 10;
    private static final Duration YEAR = Duration.ofDays(365);

    private final Failures failures;
    private final FailurePhotos failurePhotos;
    private final Seeing seeing;
    private final TakenPhotos taken;
    private final Fleet fleet;
    private final Knowledge knowledge;
    private final ShopTime times;
    private final Clock clock;

    FailuresController(
            Failures failures,
            FailurePhotos failurePhotos,
            Seeing seeing,
            TakenPhotos taken,
            Fleet fleet,
            Knowledge knowledge,
            ShopTime times,
            Clock clock) {
        this.clock = clock;
        this.failures = failures;
        this.failurePhotos = failurePhotos;
        this.seeing = seeing;
        this.taken = taken;
        this.fleet = fleet;
        this.knowledge = knowledge;
        this.times = times;
    }

    /** What is asked of the list, as it stands in the address. */
    record Filter(String machine, Boolean open, String cause, String from, String to) {

        Failures.Sought sought(ShopTime times) {
            Findings findings = new Findings();
            Failures.Sought sought = new Failures.Sought(
                    machine,
                    Boolean.TRUE.equals(open),
                    cause,
                    times.from(from, "from", findings),
                    times.to(to, "to", findings));
            Refused.unless(findings);
            return sought;
        }
    }

    @GetMapping("/failures")
    String list(Filter filter, @RequestParam(defaultValue = "0") int page, Model model, HttpServletResponse response) {
        List<FailureView> found = List.of();
        try {
            found = failures.list(filter.sought(times), Paging.of(page, ON_A_PAGE + 1));
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        model.addAttribute("failures", found.subList(0, Math.min(ON_A_PAGE, found.size())));
        model.addAttribute("more", found.size() > ON_A_PAGE);
        model.addAttribute("page", page);
        model.addAttribute("filter", filter);
        model.addAttribute("machines", fleet.machines());
        model.addAttribute("knowledge", knowledge);
        List<Failures.OfCause> causes =
                failures.causes(filter.machine(), clock.instant().minus(YEAR));
        model.addAttribute("causes", causes.stream().limit(CAUSES).toList());
        model.addAttribute(
                "most",
                causes.stream().mapToInt(Failures.OfCause::failures).max().orElse(0));
        return "failures/list";
    }

    @GetMapping(value = "/failures.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(Filter filter) {
        List<List<?>> rows = new ArrayList<>();
        failures.all(filter.sought(times))
                .forEach(f -> rows.add(Arrays.asList(
                        f.id(),
                        f.seenAt(),
                        f.machine(),
                        String.join(" ", f.symptoms()),
                        f.job(),
                        f.cause(),
                        f.certainty(),
                        String.join(" ", f.zones()),
                        f.note())));
        return CsvFile.of(
                "failures.csv",
                List.of("id", "seenAt", "machine", "symptoms", "print", "cause", "certainty", "zones", "note"),
                rows);
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
