package keel.app.failures.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.EditedMeanwhile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.base.Typed;
import keel.app.failures.AlikeFailures;
import keel.app.failures.CaseChecks;
import keel.app.failures.CaseFacts;
import keel.app.failures.CasePage;
import keel.app.failures.Diagnoses;
import keel.app.failures.FailurePhotos;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.failures.LitStack;
import keel.app.failures.PrintedFiles;
import keel.app.failures.RecoveryPlan;
import keel.app.failures.Seeing;
import keel.app.failures.Verdicts;
import keel.app.fleet.ShopTime;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.Attempt;
import keel.app.prints.Attempts;
import keel.app.standing.MachineNow;
import keel.app.standing.Stacks;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.diagnosis.Diagnosis;
import keel.core.failure.Certainty;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The page of one failure: what it most likely is, what to look at next, the way back to a good print. */
@Controller
class CaseController {

    private final Failures failures;
    private final FailurePhotos failurePhotos;
    private final CaseFacts caseFacts;
    private final CaseChecks caseChecks;
    private final Verdicts verdicts;
    private final Seeing seeing;
    private final TakenPhotos taken;
    private final Stacks stacks;
    private final Diagnoses diagnoses;
    private final AlikeFailures alike;
    private final RecoveryPlan recovery;
    private final Attempts attempts;
    private final PrintedFiles files;
    private final Standings standings;
    private final Knowledge knowledge;
    private final Logbook logbook;
    private final ShopTime times;

    CaseController(
            Failures failures,
            FailurePhotos failurePhotos,
            CaseFacts caseFacts,
            CaseChecks caseChecks,
            Verdicts verdicts,
            Seeing seeing,
            TakenPhotos taken,
            Stacks stacks,
            Diagnoses diagnoses,
            AlikeFailures alike,
            RecoveryPlan recovery,
            Attempts attempts,
            PrintedFiles files,
            Standings standings,
            Knowledge knowledge,
            Logbook logbook,
            ShopTime times) {
        this.failures = failures;
        this.failurePhotos = failurePhotos;
        this.caseFacts = caseFacts;
        this.caseChecks = caseChecks;
        this.verdicts = verdicts;
        this.seeing = seeing;
        this.taken = taken;
        this.stacks = stacks;
        this.diagnoses = diagnoses;
        this.alike = alike;
        this.recovery = recovery;
        this.attempts = attempts;
        this.files = files;
        this.standings = standings;
        this.knowledge = knowledge;
        this.logbook = logbook;
        this.times = times;
    }

    /** @param look code of a check that somebody would rather do next */
    @GetMapping("/failures/{id}")
    String one(@PathVariable long id, @RequestParam(required = false) String look, Model model) {
        FailureView failure = failures.one(id);
        model.addAttribute("form", FailureForm.of(failure, times));
        return show(failure, look, model);
    }

    @PostMapping("/failures/{id}/correct")
    String correct(@PathVariable long id, FailureForm form, Model model, HttpServletResponse response) {
        try {
            failures.correct(
                    id, form.version(), form.entry(times), Boolean.TRUE.equals(form.withdrawn()), form.reason());
            return "redirect:/failures/" + id;
        } catch (EditedMeanwhile e) {
            response.setStatus(409);
            model.addAttribute("recorded", e.recorded());
            model.addAttribute(
                    "form",
                    new FailureForm(
                            form.machine(),
                            form.run(),
                            form.seenAt(),
                            form.symptoms(),
                            form.absent(),
                            form.zones(),
                            form.note(),
                            e.recorded(FailureView.class).version(),
                            form.reason(),
                            form.withdrawn(),
                            null));
            return show(failures.one(id), null, model);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("form", form);
            return show(failures.one(id), null, model);
        }
    }

    @PostMapping("/failures/{id}/cause")
    String cause(
            @PathVariable long id,
            @RequestParam(required = false) String cause,
            @RequestParam(required = false) String certainty,
            @RequestParam(required = false) String note,
            @RequestParam(required = false) String seen,
            Model model,
            HttpServletResponse response) {
        return act(id, () -> verdicts.nameCause(id, cause, certainty, note, Seen.sent(seen)), model, response);
    }

    @PostMapping("/failures/{id}/seen")
    String seen(
            @PathVariable long id,
            @RequestParam(required = false) String symptom,
            @RequestParam(defaultValue = "THERE") Seeing.Said said,
            FailureForm form,
            @RequestParam(required = false) List<MultipartFile> photos,
            Model model,
            RedirectAttributes after,
            HttpServletResponse response)
            throws IOException {
        Runnable says = symptom == null
                ? () -> seeing.add(id, form.symptoms(), form.absent(), form.zones(), form.note())
                : () -> seeing.say(id, symptom, said);
        String then = act(id, says, model, response);
        taken.keep(id, photos, after);
        return then;
    }

    @PostMapping("/failures/{id}/slip")
    String slip(@PathVariable long id, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> seeing.slip(id), "/failures", model, response, () -> one(id, null, model));
    }

    @PostMapping("/failures/{id}/mended")
    String mended(
            @PathVariable long id,
            @RequestParam(defaultValue = "true") boolean done,
            Model model,
            HttpServletResponse response) {
        return act(id, () -> verdicts.mended(id, done), model, response);
    }

    @PostMapping("/failures/{id}/reopen")
    String reopen(
            @PathVariable long id,
            @RequestParam(required = false) String reason,
            Model model,
            HttpServletResponse response) {
        return act(id, () -> verdicts.reopen(id, reason), model, response);
    }

    @PostMapping("/failures/{id}/checks")
    String check(
            @PathVariable long id,
            @RequestParam(required = false) String check,
            @RequestParam(required = false) List<String> found,
            Model model,
            HttpServletResponse response) {
        return act(
                id,
                () -> caseChecks.check(
                        id,
                        check,
                        found == null
                                ? null
                                : found.stream().filter(f -> !f.isBlank()).toList()),
                model,
                response);
    }

    @PostMapping("/failures/{id}/checks/{check}/withdraw")
    String withdrawCheck(@PathVariable long id, @PathVariable long check, Model model, HttpServletResponse response) {
        return act(id, () -> caseChecks.withdrawCheck(id, check), model, response);
    }

    @PostMapping("/failures/{id}/skip")
    String skip(
            @PathVariable long id,
            @RequestParam(required = false) String check,
            @RequestParam(defaultValue = "false") boolean again,
            Model model,
            HttpServletResponse response) {
        return act(id, () -> caseChecks.skip(id, check, again), model, response);
    }

    @PostMapping("/failures/{id}/facts")
    String facts(
            @PathVariable long id,
            @RequestParam(required = false) Set<String> facts,
            Model model,
            HttpServletResponse response) {
        return act(id, () -> caseFacts.tell(id, facts), model, response);
    }

    @PostMapping("/failures/{id}/parts")
    String parts(
            @PathVariable long id,
            @RequestParam(required = false) String partsPrinted,
            @RequestParam(required = false) String partsLost,
            Model model,
            HttpServletResponse response) {
        return act(
                id,
                () -> {
                    Findings findings = new Findings();
                    Integer printed = Typed.whole(partsPrinted, "partsPrinted", findings);
                    Integer lost = Typed.whole(partsLost, "partsLost", findings);
                    Refused.unless(findings);
                    caseFacts.count(id, printed, lost);
                },
                model,
                response);
    }

    @PostMapping("/failures/{id}/photos")
    String photo(
            @PathVariable long id,
            @RequestParam MultipartFile file,
            @RequestParam(required = false) String caption,
            Model model,
            HttpServletResponse response)
            throws IOException {
        byte[] bytes = file.getBytes();
        return act(id, () -> failurePhotos.addPhoto(id, bytes, caption), model, response);
    }

    private String act(long id, Runnable action, Model model, HttpServletResponse response) {
        return PageErrors.tried(action, "/failures/" + id, model, response, () -> one(id, null, model));
    }

    private String show(FailureView f, String look, Model model) {
        Diagnosis diagnosis = diagnoses.of(f);
        Set<String> skipped = caseChecks.skipped(f.id());
        CasePage page = CasePage.of(diagnosis, knowledge, skipped, look, f.cause() != null);
        String leading = f.cause() != null
                ? f.cause()
                : page.look() == null ? page.bars().get(0).code() : null;
        MachineNow machine = standings.of(f.machine());
        List<Attempt> chain = f.run() == null ? List.of() : attempts.of(f.run());
        model.addAttribute("f", f);
        model.addAttribute("empty", nothingKnown(f));
        model.addAttribute("more", FailureForm.nothing());
        model.addAttribute("seenWords", words(f));
        model.addAttribute("waits", verdicts.waitsFor(f));
        model.addAttribute("seen", Seen.of(verdicts.stands(f)).sum());
        model.addAttribute("m", machine);
        model.addAttribute(
                "file",
                f.run() == null ? null : files.at(f.run(), f.failedAtLayer()).orElse(null));
        model.addAttribute("knowledge", knowledge);
        model.addAttribute("looks", Symptom.Place.values());
        model.addAttribute("diagnosis", diagnosis);
        model.addAttribute("page", page);
        model.addAttribute("skipped", skipped);
        model.addAttribute(
                "leading", leading == null ? null : knowledge.cause(leading).orElseThrow());
        model.addAttribute("steps", recovery.of(f, machine, leading, f.certainty() == null ? page.also() : List.of()));
        model.addAttribute("recovery", leading == null ? null : recovery.recovery(leading, machine));
        model.addAttribute("attempts", chain);
        model.addAttribute("lost", CasePage.Lost.of(chain));
        model.addAttribute(
                "mine",
                chain.stream()
                        .filter(a -> a.failure() != null && a.failure() == f.id())
                        .findFirst()
                        .orElse(null));
        besides(f, model);
        model.addAttribute("lit", LitStack.of(stacks.of(machine), page.places(), diagnosis.unexplained()));
        return "failures/failure";
    }

    private boolean nothingKnown(FailureView f) {
        boolean nothingSeen = f.symptoms().isEmpty() && f.absent().isEmpty();
        return nothingSeen && f.cause() == null && caseChecks.checks(f.id()).isEmpty();
    }

    /** What was seen, for whoever cannot see the chips. */
    private String words(FailureView f) {
        return f.symptoms().isEmpty()
                ? "nothing noted yet"
                : f.symptoms().stream()
                        .map(c -> knowledge.symptom(c).orElseThrow().name().toLowerCase(Locale.ROOT))
                        .collect(Collectors.joining(", "));
    }

    /** What is kept with it, and what lies beside it. */
    private void besides(FailureView f, Model model) {
        model.addAttribute("alike", alike.to(f));
        model.addAttribute("tellable", diagnoses.tellable());
        model.addAttribute("told", caseFacts.facts(f.id()));
        model.addAttribute("checks", caseChecks.checks(f.id()));
        model.addAttribute("photos", failurePhotos.photos(f.id()));
        model.addAttribute("beside", failurePhotos.beside(f));
        model.addAttribute("fresh", !f.withdrawn() && seeing.isFresh(f.id()));
        model.addAttribute("certainties", Certainty.values());
        model.addAttribute("lines", logbook.lines(LogFilter.ofSubject("FAILURE", f.id())));
    }
}
