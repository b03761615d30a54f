package keel.app.stores;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Parts;
import keel.app.problems.Conflict;
import keel.app.problems.PageErrors;
import keel.app.problems.Refused;
import keel.app.problems.Typed;
import keel.app.upkeep.Standings;
import keel.core.Findings;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of the stores: stock with its movements, resins, pouring. */
@Controller
class StoresController {

    private final Stock stock;
    private final Resins resins;
    private final Fleet fleet;
    private final Parts parts;
    private final Standings standings;

    StoresController(Stock stock, Resins resins, Fleet fleet, Parts parts, Standings standings) {
        this.stock = stock;
        this.resins = resins;
        this.fleet = fleet;
        this.parts = parts;
        this.standings = standings;
    }

    @GetMapping("/stores")
    String stores(Model model) {
        model.addAttribute("items", stock.all(true));
        model.addAttribute("resins", resins.all(true));
        return "stores/stores";
    }

    @PostMapping("/stores/items")
    String addItem(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(() -> stock.addItem(typed.get("name"), typed.get("unit"), number(typed, "lowAt"), number(typed, "quantity")), "/stores", model,
                response, () -> stores(model));
    }

    @PostMapping("/stores/resins")
    String addResin(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(() -> resins.add(typed.get("name"), number(typed, "densityGPerMl"), typed.get("family")), "/stores", model, response, () -> stores(model));
    }

    @PostMapping("/stores/resins/{code}/retire")
    String retireResin(@PathVariable String code, @RequestParam boolean retired) {
        resins.retire(code, retired);
        return "redirect:/stores";
    }

    @GetMapping("/stores/{item}")
    String item(@PathVariable String item, Model model) {
        model.addAttribute("item", stock.one(item));
        model.addAttribute("movements", stock.movements(item));
        model.addAttribute("models", fleet.models().stream().filter(m -> !m.retired()).toList());
        return "stores/item";
    }

    @PostMapping("/stores/{item}/move")
    String move(@PathVariable String item, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(() -> stock.move(item, number(typed, "quantity"), typed.get("reason")), "/stores/" + item, model, response, () -> item(item, model));
    }

    @PostMapping("/stores/{item}/count")
    String count(@PathVariable String item, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(() -> stock.count(item, number(typed, "counted")), "/stores/" + item, model, response, () -> item(item, model));
    }

    @PostMapping("/stores/{item}/change")
    String change(@PathVariable String item, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(() -> stock.changeItem(item, number(typed, "lowAt"), "true".equals(typed.get("retired"))), "/stores/" + item, model, response,
                () -> item(item, model));
    }

    @PostMapping("/stores/{item}/spare")
    String spare(@PathVariable String item, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(() -> stock.spare(item, typed.get("spareKind"), typed.get("spareModel")), "/stores/" + item, model, response, () -> item(item, model));
    }

    @GetMapping("/machines/{code}/pour")
    String pourForm(@PathVariable String code, Model model) {
        model.addAttribute("now", standings.of(code));
        model.addAttribute("resins", resins.all(false));
        MachineRef machine = fleet.machine(code);
        Parts.PartRef vat = parts.vatOn(machine.id());
        model.addAttribute("family", vat == null ? null : resins.familyOf(vat.code()).orElse(null));
        model.addAttribute("changes", machine.traits().kind() != MachineKind.LASER_TANK);
        return "stores/pour";
    }

    @PostMapping("/machines/{code}/pour")
    String pour(@PathVariable String code, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(() -> {
            MachineRef machine = fleet.machine(code);
            Parts.PartRef vat = parts.vatOn(machine.id());
            if (vat == null) {
                throw new Conflict("resin", "No vat is on " + machine.name() + ".");
            }
            resins.pour(vat.code(), typed.get("resin"), number(typed, "ml"), null);
        }, "/machines/" + code, model, response, () -> pourForm(code, model));
    }

    @PostMapping("/pours/{id}/withdraw")
    String withdrawPour(@PathVariable long id, @RequestParam String reason, @RequestParam String back) {
        resins.withdraw(id, reason);
        return "redirect:/machines/" + fleet.machine(back).code();
    }

    /** A number as it was typed; what is none is refused at its field. */
    private static Double number(Map<String, String> typed, String field) {
        Findings findings = new Findings();
        Double number = Typed.number(typed.get(field), field, findings);
        Refused.unless(findings);
        return number;
    }
}
