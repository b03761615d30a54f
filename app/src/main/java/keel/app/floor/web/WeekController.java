package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.fleet.ShopTime;
import keel.app.floor.week.Reasons;
import keel.app.floor.week.ResinAhead;
import keel.app.floor.week.SittingParts;
import keel.app.floor.week.WeekPlanned;
import keel.app.floor.week.Weeks;
import keel.app.floor.week.WhatItBrought;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.starting.JobFiles;
import keel.app.stores.Resins;
import keel.core.Findings;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The week, and the jobs that wait for it. */
@Controller
class WeekController {

    private static final Duration SOON = Duration.ofMinutes(15);

    private final Weeks weeks;
    private final WantedJobs jobs;
    private final Reasons reasons;
    private final SittingParts parts;
    private final ResinAhead resinAhead;
    private final WhatItBrought brought;
    private final Fleet fleet;
    private final JobFiles files;
    private final Resins resins;
    private final ShopSettings settings;
    private final ShopTime times;

    WeekController(
            Weeks weeks,
            WantedJobs jobs,
            Reasons reasons,
            SittingParts parts,
            ResinAhead resinAhead,
            WhatItBrought brought,
            Fleet fleet,
            JobFiles files,
            Resins resins,
            ShopSettings settings,
            ShopTime times) {
        this.weeks = weeks;
        this.jobs = jobs;
        this.reasons = reasons;
        this.parts = parts;
        this.resinAhead = resinAhead;
        this.brought = brought;
        this.fleet = fleet;
        this.files = files;
        this.resins = resins;
        this.settings = settings;
        this.times = times;
    }

    @GetMapping("/week")
    String week(Model model) {
        WeekPlanned week = weeks.now();
        WeekPage page = WeekPage.of(week, reasons, parts.of(week), settings.zone());
        model.addAttribute("w", week);
        model.addAttribute("page", page);
        model.addAttribute("resins", resinAhead.of(week));
        model.addAttribute("drawing", WeekDrawing.of(week, page, settings.zone()));
        return "floor/week";
    }

    @GetMapping("/week/brought")
    String brought(Model model) {
        WhatItBrought.Gone gone = brought.weeks();
        model.addAttribute("gone", gone);
        model.addAttribute("drawing", WeeksDrawing.of(gone));
        return "floor/brought";
    }

    @GetMapping("/jobs")
    String all(Model model) {
        model.addAttribute("waiting", jobs.waiting());
        model.addAttribute("over", jobs.over());
        return "floor/jobs";
    }

    @GetMapping("/jobs/new")
    String fresh(Model model) {
        return form(JobForm.EMPTY, null, model);
    }

    private String form(JobForm typed, WantedView job, Model model) {
        model.addAttribute("f", typed);
        model.addAttribute("job", job);
        model.addAttribute("resins", resins.all(false));
        model.addAttribute(
                "models", fleet.models().stream().filter(m -> !m.retired()).toList());
        return "floor/job-form";
    }

    @PostMapping("/jobs/new")
    String ask(JobForm typed, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> jobs.ask(typed.read(times)), "/week", model, response, () -> form(typed, null, model));
    }

    @GetMapping("/jobs/{id}")
    String one(@PathVariable long id, Model model) {
        WantedView job = jobs.one(id);
        WeekPlanned week = weeks.now();
        model.addAttribute("j", job);
        model.addAttribute("takes", jobs.takesMl(List.of(id)).get(id));
        model.addAttribute("machines", fleet.refs());
        JobFiles.JobFile file = files.named(job.name()).orElse(null);
        model.addAttribute("file", file);
        model.addAttribute(
                "fileSays", file == null ? null : files.verdict(file, null).words());
        model.addAttribute("onMachine", job.fixedMachine());
        model.addAttribute("fromTyped", times.field(job.fixedAt()));
        model.addAttribute("soon", times.now().plus(SOON));
        model.addAttribute(
                "entry",
                week.plan().slots().stream()
                        .filter(s -> week.job(s.id()).filter(w -> w.id() == id).isPresent())
                        .findFirst()
                        .map(s -> WeekPage.entry(s, week, reasons, SittingParts.Said.NOTHING))
                        .orElse(null));
        model.addAttribute(
                "left",
                week.plan().left().stream()
                        .filter(l -> week.job(l.id()).filter(w -> w.id() == id).isPresent())
                        .findFirst()
                        .map(l -> reasons.of(l, job, week))
                        .orElse(null));
        return "floor/job";
    }

    @GetMapping("/jobs/{id}/change")
    String change(@PathVariable long id, Model model) {
        WantedView job = jobs.one(id);
        return form(JobForm.of(job.entry(), times), job, model);
    }

    @PostMapping("/jobs/{id}/change")
    String changed(
            @PathVariable long id,
            JobForm typed,
            @RequestParam(required = false) Integer version,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> jobs.change(id, typed.read(times), version),
                "/jobs/" + id,
                model,
                response,
                () -> form(typed, jobs.one(id), model));
    }

    /**
     * Where and when somebody wants it.
     *
     * @param machine empty to leave it free
     * @param at a date and time of the shop, or epoch seconds as the drawing sends them; empty for whenever it is free
     * @param then where to go on to
     */
    @PostMapping("/jobs/{id}/fix")
    String fix(
            @PathVariable long id,
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) String at,
            @RequestParam(required = false) String then,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> jobs.fix(id, machine == null || machine.isBlank() ? null : machine, moment(at)),
                "week".equals(then) ? "/week" : "/jobs/" + id,
                model,
                response,
                () -> asTyped(id, machine, at, model));
    }

    /** The page of a job with the wish as somebody typed it. */
    private String asTyped(long id, String machine, String at, Model model) {
        String page = one(id, model);
        model.addAttribute("onMachine", machine);
        model.addAttribute("fromTyped", at);
        return page;
    }

    private Instant moment(String at) {
        if (at != null && at.strip().matches("\\d{9,11}")) {
            return Instant.ofEpochSecond(Long.parseLong(at.strip()));
        }
        Findings findings = new Findings();
        Instant read = times.read(at, "at", findings);
        Refused.unless(findings);
        return read;
    }

    /** @param as "done" or "dropped" */
    @PostMapping("/jobs/{id}/close")
    String close(@PathVariable long id, @RequestParam String as) {
        jobs.close(id, as.equals("done"));
        return "redirect:/jobs/" + id;
    }

    @PostMapping("/jobs/{id}/back")
    String back(@PathVariable long id) {
        jobs.putBack(id);
        return "redirect:/jobs/" + id;
    }
}
