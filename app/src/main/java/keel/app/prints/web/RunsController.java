package keel.app.prints.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.CsvFile;
import keel.app.base.EditedMeanwhile;
import keel.app.base.PageErrors;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopTime;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.RunChange;
import keel.app.prints.RunEntry;
import keel.app.prints.RunFiles;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.order.OrderPlates;
import keel.app.standing.Footprints;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.run.Outcome;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of runs: list, start or log, finish, correct. */
@Controller
class RunsController {

    private static final int ON_A_PAGE = 50;
    private static final double SECONDS_AN_HOUR = 3600;
    private static final Duration SLACK = Duration.ofMinutes(15);

    private final Runs runs;
    private final Fleet fleet;
    private final Standings standings;
    private final Footprints footprints;
    private final RunFiles files;
    private final OrderPlates orders;
    private final Logbook logbook;
    private final ShopTime times;

    RunsController(
            Runs runs,
            Fleet fleet,
            Standings standings,
            Footprints footprints,
            RunFiles files,
            OrderPlates orders,
            Logbook logbook,
            ShopTime times) {
        this.runs = runs;
        this.fleet = fleet;
        this.standings = standings;
        this.footprints = footprints;
        this.files = files;
        this.orders = orders;
        this.logbook = logbook;
        this.times = times;
    }

    /** What stands in the form, as it was typed. */
    record RunForm(
            String machine,
            String job,
            String startedAt,
            String endedAt,
            String hours,
            String layers,
            String layerExposureS,
            String resinMl,
            String outcome,
            String reachedLayer,
            String usedMl,
            String reason,
            Boolean withdrawn,
            Integer version) {

        static RunForm of(RunView run, ShopTime times) {
            return new RunForm(
                    run.machine(),
                    run.job(),
                    times.field(run.startedAt()),
                    times.field(run.endedAt()),
                    "",
                    Integer.toString(run.layers()),
                    plain(run.layerExposureS()),
                    plain(run.resinMl()),
                    run.outcome() == null ? "" : run.outcome().name(),
                    run.reachedLayer() == null ? "" : run.reachedLayer().toString(),
                    run.measuredMl() == null ? "" : plain(run.measuredMl()),
                    "",
                    run.withdrawn(),
                    run.version());
        }

        /** The same, to be put over what somebody else wrote meanwhile. */
        RunForm over(int newer) {
            return new RunForm(
                    machine,
                    job,
                    startedAt,
                    endedAt,
                    hours,
                    layers,
                    layerExposureS,
                    resinMl,
                    outcome,
                    reachedLayer,
                    usedMl,
                    reason,
                    withdrawn,
                    newer);
        }

        private static String plain(double number) {
            return number == Math.rint(number) ? Long.toString((long) number) : Double.toString(number);
        }
    }

    /** What is asked of the list, as it stands in the address. */
    record Filter(String machine, String text, String from, String to) {

        Instant first(ShopTime times, Findings findings) {
            return times.from(from, "from", findings);
        }

        Instant last(ShopTime times, Findings findings) {
            return times.to(to, "to", findings);
        }
    }

    @GetMapping("/runs")
    String list(Filter filter, @RequestParam(defaultValue = "0") int page, Model model, HttpServletResponse response) {
        List<RunView> found = List.of();
        try {
            Findings findings = new Findings();
            Instant from = filter.first(times, findings);
            Instant to = filter.last(times, findings);
            Refused.unless(findings);
            found = runs.list(filter.machine(), from, to, filter.text(), Paging.of(page, ON_A_PAGE + 1));
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        model.addAttribute("runs", found.subList(0, Math.min(ON_A_PAGE, found.size())));
        model.addAttribute("more", found.size() > ON_A_PAGE);
        model.addAttribute("page", page);
        model.addAttribute("filter", filter);
        model.addAttribute("machines", fleet.machines());
        return "prints/runs";
    }

    @GetMapping(value = "/runs.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(Filter filter) {
        Findings findings = new Findings();
        Instant from = filter.first(times, findings);
        Instant to = filter.last(times, findings);
        Refused.unless(findings);
        List<List<?>> rows = new ArrayList<>();
        runs.all(filter.machine(), from, to, filter.text())
                .forEach(r -> rows.add(Arrays.asList(
                        r.id(),
                        r.startedAt(),
                        r.endedAt(),
                        r.machine(),
                        r.job(),
                        r.outcome(),
                        r.layers(),
                        r.reachedLayer(),
                        r.layerExposureS(),
                        r.resinMl(),
                        r.hours())));
        return CsvFile.of(
                "runs.csv",
                List.of(
                        "id",
                        "startedAt",
                        "endedAt",
                        "machine",
                        "job",
                        "outcome",
                        "layers",
                        "reachedLayer",
                        "layerExposureS",
                        "resinMl",
                        "hours"),
                rows);
    }

    /** Logs a run that has ended; without that, leads to the start gate of a machine. */
    @GetMapping("/runs/new")
    String form(
            @RequestParam(required = false) String machine,
            @RequestParam(defaultValue = "false") boolean after,
            Model model) {
        if (!after) {
            model.addAttribute("standing", standings.all());
            return machine == null || machine.isBlank()
                    ? "prints/which"
                    : "redirect:/machines/" + fleet.machine(machine).code() + "/start";
        }
        RunForm form = runs.last(machine)
                .map(last -> new RunForm(
                        last.machine(),
                        "",
                        "",
                        "",
                        "",
                        "",
                        RunForm.plain(last.layerExposureS()),
                        "",
                        "GOOD",
                        "",
                        "",
                        "",
                        null,
                        null))
                .orElse(new RunForm(machine, "", "", "", "", "", "", "", "GOOD", "", "", "", null, null));
        return show(form, model);
    }

    @PostMapping("/runs")
    String enter(RunForm form, Model model, HttpServletResponse response) {
        try {
            RunView run = runs.enterRemembered(read(form, true));
            return "redirect:"
                    + (run.outcome().wentWrong()
                            ? "/failures/new?machine=" + run.machine() + "&run=" + run.id()
                            : "/runs/" + run.id() + "/after");
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(form, model);
        }
    }

    /** The page that puts a run right, also one that is going on. */
    @GetMapping("/runs/{id}/correct")
    String correct(@PathVariable long id, Model model) {
        RunView run = runs.one(id);
        model.addAttribute("form", RunForm.of(run, times));
        model.addAttribute("correcting", true);
        return show(run, model);
    }

    @GetMapping("/runs/{id}")
    String one(@PathVariable long id, Model model) {
        RunView run = runs.one(id);
        if (run.open() && !run.withdrawn()) {
            return "redirect:/runs/" + id + "/now";
        }
        model.addAttribute("form", RunForm.of(run, times));
        return show(run, model);
    }

    @PostMapping("/runs/{id}/correct")
    String correct(@PathVariable long id, RunForm form, Model model, HttpServletResponse response) {
        try {
            runs.correct(id, change(runs.one(id), form), form.reason());
            return "redirect:/runs/" + id;
        } catch (EditedMeanwhile e) {
            response.setStatus(409);
            model.addAttribute("recorded", e.recorded());
            model.addAttribute("form", form.over(e.recorded(RunView.class).version()));
            return show(runs.one(id), model);
        } catch (Refused | Conflict e) {
            return again(id, form, e, model, response);
        }
    }

    /** A time that nobody touched stays as it is: the form shows whole minutes only. */
    private RunChange change(RunView run, RunForm form) {
        RunEntry entry = read(form, form.endedAt() != null && !form.endedAt().isBlank());
        return new RunChange(
                entry.machine(),
                entry.job(),
                times.field(run.startedAt()).equals(form.startedAt()) ? null : entry.startedAt(),
                times.field(run.endedAt()).equals(form.endedAt()) ? null : entry.endedAt(),
                entry.layers(),
                entry.layerExposureS(),
                entry.resinMl(),
                entry.outcome(),
                Optional.ofNullable(entry.reachedLayer()),
                Boolean.TRUE.equals(form.withdrawn()),
                form.version(),
                Optional.ofNullable(entry.usedMl()));
    }

    private String again(long id, RunForm form, RuntimeException e, Model model, HttpServletResponse response) {
        PageErrors.show(e, model, response);
        model.addAttribute("form", form);
        return show(runs.one(id), model);
    }

    private String show(RunView run, Model model) {
        model.addAttribute("run", run);
        model.addAttribute("lay", footprints.of(run.id()).map(Runs::words).orElse(null));
        model.addAttribute("failures", runs.failuresOf(run.id()));
        model.addAttribute("plate", orders.ofRun(run.id()).orElse(null));
        model.addAttribute("file", files.fileOf(run.id()).orElse(null));
        model.addAttribute("outcomes", Outcome.values());
        model.addAttribute("machines", fleet.machines());
        model.addAttribute("lines", logbook.lines(LogFilter.ofSubject("RUN", run.id())));
        return "prints/run";
    }

    private String show(RunForm form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute(
                "machines", fleet.machines().stream().filter(m -> !m.retired()).toList());
        model.addAttribute("outcomes", Outcome.values());
        return "prints/run-new";
    }

    private RunEntry read(RunForm form, boolean after) {
        Findings findings = new Findings();
        Spell spell =
                after ? spell(form, findings) : new Spell(times.read(form.startedAt(), "startedAt", findings), null);
        Integer layers = Typed.whole(form.layers(), "layers", findings);
        Double exposure = Typed.number(form.layerExposureS(), "layerExposureS", findings);
        Double resin = Typed.number(form.resinMl(), "resinMl", findings);
        Integer reached = Typed.whole(form.reachedLayer(), "reachedLayer", findings);
        Double used = Typed.number(form.usedMl(), "usedMl", findings);
        Refused.unless(findings);
        return new RunEntry(
                form.machine(),
                form.job(),
                spell.from(),
                spell.to(),
                layers,
                exposure,
                resin,
                form.outcome(),
                reached,
                null,
                null,
                null,
                null,
                used,
                null);
    }

    /** When it began and ended. */
    private record Spell(Instant from, Instant to) {}

    /** Of start, end and length any two; with the length alone it has ended just now. */
    private Spell spell(RunForm form, Findings findings) {
        Instant from = times.read(form.startedAt(), "startedAt", findings);
        Instant to = times.read(form.endedAt(), "endedAt", findings);
        Double hours = Typed.hours(form.hours(), "hours", findings);
        findings.when(hours != null && hours <= 0, "hours", "How long it went is more than nothing.");
        findings.when(
                hours == null && to == null && findings.none(),
                "endedAt",
                "When the run ended, or how long it went, is missing.");
        if (hours == null || !findings.none()) {
            return new Spell(from, to);
        }
        Duration length = Duration.ofSeconds(Math.round(hours * SECONDS_AN_HOUR));
        if (from != null && to != null) {
            Duration told = Duration.between(from, to);
            findings.when(
                    told.minus(length).abs().compareTo(SLACK) > 0,
                    "hours",
                    "That is not the time between its start and its end. Leave one of the three empty.");
            return new Spell(from, to);
        }
        Instant end = to != null ? to : from != null ? from.plus(length) : times.now();
        return new Spell(from != null ? from : end.minus(length), end);
    }
}
