package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopTime;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.LookInView;
import keel.app.prints.LookIns;
import keel.app.prints.Releases;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.order.OrderPlates;
import keel.app.standing.MachineNow;
import keel.app.standing.Stacks;
import keel.app.standing.Standings;
import keel.app.starting.Gates;
import keel.core.Findings;
import keel.core.run.Outcome;
import keel.core.watch.LookAdvice;
import keel.core.watch.Progress;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of a run that is going on: where it should be, what somebody sees, and how it ends. */
@Controller
class WatchController {

    private final Runs runs;
    private final LookIns lookIns;
    private final Standings standings;
    private final Stacks stacks;
    private final Releases releases;
    private final Gates gates;
    private final OrderPlates orders;
    private final Logbook logbook;
    private final ShopTime times;
    private final Clock clock;

    WatchController(
            Runs runs,
            LookIns lookIns,
            Standings standings,
            Stacks stacks,
            Releases releases,
            Gates gates,
            OrderPlates orders,
            Logbook logbook,
            ShopTime times,
            Clock clock) {
        this.runs = runs;
        this.lookIns = lookIns;
        this.standings = standings;
        this.stacks = stacks;
        this.releases = releases;
        this.gates = gates;
        this.orders = orders;
        this.logbook = logbook;
        this.times = times;
        this.clock = clock;
    }

    /** How it ended, as typed; {@code reachedLayer} is null before anybody typed, and not read for a good one. */
    record EndForm(String outcome, String endedAt, String reachedLayer, String resinMl) {}

    /** The reminder at the top of every page: runs that somebody should look at by now. */
    @GetMapping("/looks-due")
    String due(Model model) {
        model.addAttribute("due", lookIns.due(clock.instant()));
        return "starting/due :: due";
    }

    /** The run that is going on on a machine, or the machine where there is none. */
    @GetMapping("/machines/{code}/run")
    String onMachine(@PathVariable String code) {
        MachineNow m = standings.of(code);
        return "redirect:"
                + (m.run() == null
                        ? "/machines/" + m.code()
                        : "/runs/" + m.run().id() + "/now");
    }

    @GetMapping("/runs/{id}/now")
    String now(@PathVariable long id, @RequestParam(required = false) String outcome, Model model) {
        RunView run = runs.one(id);
        return run.open() ? show(run, new EndForm(outcome, "", null, ""), model) : "redirect:/runs/" + id;
    }

    /** Writes down what was seen, and shows what to do about it. */
    @PostMapping("/runs/{id}/look")
    String look(
            @PathVariable long id,
            @RequestParam(required = false) String seen,
            @RequestParam(defaultValue = "false") boolean loose,
            Model model,
            HttpServletResponse response) {
        RunView run = runs.one(id);
        try {
            model.addAttribute("advice", lookIns.look(run, seen, loose));
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        }
        return run.open() ? show(run, new EndForm(null, "", null, ""), model) : "redirect:/runs/" + id;
    }

    @PostMapping("/runs/{id}/finish")
    String finish(@PathVariable long id, EndForm form, Model model, HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            Instant endedAt = times.read(form.endedAt(), "endedAt", findings);
            boolean whole = Outcome.GOOD.name().equals(form.outcome());
            Integer reached = whole ? null : Typed.whole(form.reachedLayer(), "reachedLayer", findings);
            Double resinMl = Typed.number(form.resinMl(), "resinMl", findings);
            Refused.unless(findings);
            RunView run = runs.finish(id, endedAt, form.outcome(), reached, resinMl);
            boolean count = run.outcome() == Outcome.PARTIAL && orders.ofRun(id).isPresent();
            return "redirect:"
                    + (count
                            ? "/runs/" + id + "/parts"
                            : run.outcome().wentWrong()
                                    ? "/failures/new?machine=" + run.machine() + "&run=" + id
                                    : "/runs/" + id + "/after");
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            RunView run = runs.one(id);
            return run.open() ? show(run, form, model) : "redirect:/runs/" + id;
        }
    }

    /** Fast or slow release from a layer on; the time that is left follows. */
    @PostMapping("/runs/{id}/release")
    String release(
            @PathVariable long id,
            @RequestParam(defaultValue = "false") boolean slow,
            @RequestParam(required = false) String fromLayer,
            Model model,
            HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            Integer layer = Typed.whole(fromLayer, "fromLayer", findings);
            Refused.unless(findings);
            releases.switchTo(id, slow, layer);
            return "redirect:/runs/" + id + "/now";
        } catch (Refused | Conflict e) {
            model.addAttribute("fromLayer", fromLayer);
            PageErrors.show(e, model, response);
            RunView run = runs.one(id);
            return run.open() ? show(run, new EndForm(null, "", null, ""), model) : "redirect:/runs/" + id;
        }
    }

    private String show(RunView run, EndForm form, Model model) {
        MachineNow m = standings.of(run.machine());
        Progress progress = lookIns.progress(m);
        List<LookInView> looks = lookIns.of(run.id());
        Instant now = clock.instant();
        model.addAttribute("run", run);
        model.addAttribute("m", m);
        model.addAttribute("form", form);
        model.addAttribute("drawing", stacks.of(m));
        model.addAttribute("progress", progress);
        model.addAttribute("slowly", progress != null && gates.mayReleaseSlowly(m));
        model.addAttribute("slow", releases.slow(run.id()));
        model.addAttribute(
                "line",
                progress == null
                        ? null
                        : TimeLine.of(run.startedAt(), now, m.run().timing(), progress, looks));
        model.addAttribute(
                "next", looks.stream().filter(LookInView::open).findFirst().orElse(null));
        model.addAttribute("seen", LookAdvice.Seen.values());
        model.addAttribute("outcomes", Outcome.values());
        model.addAttribute("lines", logbook.lines(LogFilter.ofSubject("RUN", run.id())));
        return "starting/now";
    }
}
