package keel.app.stores.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.CsvFile;
import keel.app.base.EditedMeanwhile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.stores.Costs;
import keel.core.Findings;
import keel.core.cost.Prices;
import keel.core.cost.PrintCost;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Knowledge;
import keel.core.rate.SuccessRate;
import keel.core.standing.MachineKind;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What prints cost, what failures cost, and a helper for quotes. */
@Controller
class CostsController {

    private static final List<Integer> SPANS = List.of(30, 90, 365);
    private static final List<String> FIGURES = List.of(
            "resin.pricePerLitre",
            "run.labourMinutes",
            "labour.perHour",
            "run.others",
            "energy.kw",
            "energy.price",
            "film.price",
            "tank.price",
            "screen.price",
            "plate.price",
            "plate.lifeHours");

    private static final int MOST_JOBS = 15;

    /** By name upwards, by figures the largest first, what is not known last. */
    private static final Map<String, Comparator<Costs.Group>> SORTS = Map.of(
            "name", Comparator.comparing(Costs.Group::name),
            "prints", Comparator.comparing((Costs.Group g) -> -g.used().prints()),
            "good",
                    Comparator.comparing(
                            (Costs.Group g) ->
                                    g.rate() == null ? null : -g.rate().share(),
                            Comparator.nullsLast(Comparator.naturalOrder())),
            "cost", Comparator.comparing((Costs.Group g) -> -g.cost().perAttempt()),
            "attempt", Comparator.comparing((Costs.Group g) -> -g.perAttempt()),
            "perGood",
                    Comparator.comparing(
                            (Costs.Group g) -> g.perGood() == null ? null : -g.perGood(),
                            Comparator.nullsLast(Comparator.naturalOrder())),
            "lost", Comparator.comparing((Costs.Group g) -> -g.lost()));

    private final Costs costs;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Knowledge knowledge;

    CostsController(Costs costs, Fleet fleet, ShopSettings settings, Knowledge knowledge) {
        this.costs = costs;
        this.fleet = fleet;
        this.settings = settings;
        this.knowledge = knowledge;
    }

    /**
     * What a job would cost; the range follows from how sure the success rate is.
     *
     * @param rate null where nothing was printed in a year
     */
    record Quote(PrintCost cost, SuccessRate rate, double low, double high) {}

    @GetMapping("/costs")
    String costs(
            @RequestParam(defaultValue = "90") int days,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        int span = SPANS.contains(days) ? days : 90;
        Costs.Overview o = costs.overview(span);
        String by = SORTS.containsKey(typed.getOrDefault("sort", "")) ? typed.get("sort") : "";
        model.addAttribute("o", o);
        model.addAttribute("sort", by);
        model.addAttribute("byMachine", sorted(o.machines(), by, "name"));
        model.addAttribute("byMonth", sorted(o.months(), by, "name"));
        model.addAttribute("byJob", sorted(o.jobs(), by, "cost"));
        model.addAttribute("mostJobs", MOST_JOBS);
        model.addAttribute("drawing", CostDrawing.of(o.months(), o.boughtByMonth()));
        model.addAttribute("days", span);
        model.addAttribute("spans", SPANS);
        model.addAttribute(
                "causeNames", knowledge.causes().stream().collect(Collectors.toMap(Cause::code, Cause::name)));
        model.addAttribute(
                "machines", fleet.machines().stream().filter(m -> !m.retired()).toList());
        model.addAttribute(
                "models",
                fleet.models().stream()
                        .filter(m -> !m.retired() && m.entry().kind() != MachineKind.LASER_TANK)
                        .toList());
        model.addAttribute(
                "figures",
                settings.defaults().figures().stream()
                        .filter(f -> FIGURES.contains(f.code()))
                        .toList());
        model.addAttribute("form", typed);
        if (typed.containsKey("resinMl")) {
            try {
                model.addAttribute("quote", quote(typed));
            } catch (Refused e) {
                PageErrors.show(e, model, response);
            }
        }
        return "stores/costs";
    }

    private static List<Costs.Group> sorted(List<Costs.Group> groups, String by, String usual) {
        return groups.stream().sorted(SORTS.get(by.isEmpty() ? usual : by)).toList();
    }

    private Quote quote(Map<String, String> typed) {
        Findings findings = new Findings();
        Double ml = Typed.number(typed.get("resinMl"), "resinMl", findings);
        Double hours = Typed.number(typed.get("hours"), "hours", findings);
        Double minutes = Typed.number(typed.get("labourMinutes"), "labourMinutes", findings);
        double uv = Typed.number(
                typed.get("uvHours"),
                hours == null ? 0 : hours * settings.defaults().value("uv.share"),
                "uvHours",
                findings);
        findings.range(ml, 0, 20_000, "resinMl", "The resin", "ml");
        findings.range(hours, 0, 240, "hours", "The hours", "h");
        findings.range(uv, 0, 240, "uvHours", "The UV hours", "h");
        Refused.unless(findings);
        String machine = typed.getOrDefault("machine", "");
        SuccessRate rate = costs.rate(machine).orElse(null);
        double share = rate == null ? 1 : Math.max(1e-3, rate.share());
        PrintCost cost = costs.prices(machine, null)
                .of(
                        new Prices.Used(hours, uv, ml, 1),
                        minutes == null ? settings.defaults().value("run.labourMinutes") : minutes,
                        share);
        return new Quote(
                cost,
                rate,
                cost.perAttempt() / (rate == null ? 1 : Math.max(1e-3, rate.high())),
                cost.perAttempt() / (rate == null ? 1 : Math.max(1e-3, rate.low())));
    }

    @PostMapping("/costs/figures")
    String figures(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        try {
            settings.changeDefaults(typed);
            return "redirect:/costs";
        } catch (Refused | EditedMeanwhile e) {
            PageErrors.show(e, model, response);
            model.addAttribute("typed", typed);
            return costs(90, Map.of(), model, response);
        }
    }

    @GetMapping("/costs/runs/{id}")
    String run(@PathVariable long id, Model model) {
        Map.Entry<Costs.Run, PrintCost> run = costs.ofRun(id);
        model.addAttribute("run", run.getKey());
        model.addAttribute("cost", run.getValue());
        return "stores/run-cost";
    }

    @GetMapping(value = "/costs.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@RequestParam(defaultValue = "365") int days) {
        Costs.Overview o = costs.overview(SPANS.contains(days) ? days : 365);
        List<List<?>> rows = new ArrayList<>();
        Map.of("machine", o.machines(), "month", o.months(), "job", o.jobs(), "cause", o.causes())
                .forEach((kind, groups) -> groups.forEach(g -> rows.add(Arrays.asList(
                        kind,
                        g.name(),
                        g.used().prints(),
                        g.good(),
                        g.used().hours(),
                        g.used().uvHours(),
                        g.used().resinMl(),
                        g.cost().perAttempt(),
                        g.perGood(),
                        g.lost()))));
        return CsvFile.of(
                "costs.csv",
                List.of(
                        "kind",
                        "name",
                        "prints",
                        "good",
                        "hours",
                        "uvHours",
                        "resinMl",
                        "cost",
                        "perGoodPrint",
                        "lost"),
                rows);
    }
}
