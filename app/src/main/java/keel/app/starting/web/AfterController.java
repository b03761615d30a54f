package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Fleet;
import keel.app.fleet.Instruments;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.order.OrderPlates;
import keel.app.standing.Standings;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of what is done between a print that came out and the next one: plate, vat, resin, parts. */
@Controller
class AfterController {

    private final Runs runs;
    private final Bench bench;
    private final Fleet fleet;
    private final Standings standings;
    private final ShopSettings settings;
    private final Instruments instruments;
    private final OrderPlates orders;

    AfterController(
            Runs runs,
            Bench bench,
            Fleet fleet,
            Standings standings,
            ShopSettings settings,
            Instruments instruments,
            OrderPlates orders) {
        this.runs = runs;
        this.bench = bench;
        this.fleet = fleet;
        this.standings = standings;
        this.settings = settings;
        this.instruments = instruments;
        this.orders = orders;
    }

    /** After the last run of a machine; the plain form of a cleared plate where it has printed nothing. */
    @GetMapping("/machines/{code}/after")
    String afterLast(@PathVariable String code) {
        String machine = fleet.machine(code).code();
        return "redirect:"
                + runs.last(machine)
                        .map(r -> "/runs/" + r.id() + "/after")
                        .orElse("/machines/" + machine + "/services/PLATE_CLEARED");
    }

    @GetMapping("/runs/{id}/after")
    String after(@PathVariable long id, @RequestParam(required = false) String take, Model model) {
        RunView run = runs.one(id);
        return run.open()
                ? "redirect:/runs/" + id + "/now"
                : show(run, take == null ? Map.of() : weighed(run.machine()), model);
    }

    /** What the demo's scale shows of the resin in the vat. */
    private Map<String, String> weighed(String machine) {
        return instruments
                .at(machine)
                .map(tools -> Map.of("resinLeftMl", Long.toString(Math.round(tools.resinMl()))))
                .orElse(Map.of());
    }

    /** Writes down that the plate is clear, with what else was seen to; a burr leads on to the plate. */
    @PostMapping("/runs/{id}/after")
    String done(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        RunView run = runs.one(id);
        try {
            if (!typed.containsKey("clear")) {
                throw new Refused("clear", "Is the plate clear? Nothing else counts before that.");
            }
            bench.record(new ServiceEntry(
                    run.machine(), "PLATE_CLEARED", null, typed.get("note"), new LinkedHashMap<>(typed)));
            return "redirect:/machines/" + run.machine() + (typed.containsKey("burr") ? "/do/PLATE_WORK" : "");
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(run, typed, model);
        }
    }

    private String show(RunView run, Map<String, String> typed, Model model) {
        MachineRef machine = fleet.machine(run.machine());
        model.addAttribute("run", run);
        model.addAttribute("machine", machine);
        model.addAttribute("laser", machine.traits().kind() == MachineKind.LASER_TANK);
        model.addAttribute("m", standings.of(run.machine()));
        model.addAttribute("typed", typed);
        model.addAttribute("plate", orders.ofRun(run.id()).orElse(null));
        model.addAttribute("dryingHours", settings.defaults().value("drying.hours"));
        return "starting/after";
    }
}
