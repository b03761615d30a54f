package keel.app.stores;

import jakarta.servlet.http.HttpServletResponse;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Parts;
import keel.app.problems.Conflict;
import keel.app.problems.PageErrors;
import keel.app.upkeep.Standings;
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
    String addItem(@RequestParam String name, @RequestParam String unit, @RequestParam(required = false) Double lowAt,
                   @RequestParam(required = false) Double quantity, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> stock.addItem(name, unit, lowAt, quantity), "/stores", model, response, () -> stores(model));
    }

    @PostMapping("/stores/resins")
    String addResin(@RequestParam String name, @RequestParam(required = false) Double densityGPerMl, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> resins.add(name, densityGPerMl), "/stores", model, response, () -> stores(model));
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
        return "stores/item";
    }

    @PostMapping("/stores/{item}/move")
    String move(@PathVariable String item, @RequestParam(required = false) Double quantity, @RequestParam String reason, Model model,
                HttpServletResponse response) {
        model.addAttribute("typedReason", reason);
        model.addAttribute("typedQuantity", quantity);
        return PageErrors.tried(() -> stock.move(item, quantity, reason), "/stores/" + item, model, response, () -> item(item, model));
    }

    @PostMapping("/stores/{item}/count")
    String count(@PathVariable String item, @RequestParam(required = false) Double counted, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> stock.count(item, counted), "/stores/" + item, model, response, () -> item(item, model));
    }

    @PostMapping("/stores/{item}/change")
    String change(@PathVariable String item, @RequestParam(required = false) Double lowAt, @RequestParam(defaultValue = "false") boolean retired) {
        stock.changeItem(item, lowAt, retired);
        return "redirect:/stores/" + item;
    }

    @GetMapping("/machines/{code}/pour")
    String pourForm(@PathVariable String code, Model model) {
        model.addAttribute("now", standings.of(code));
        model.addAttribute("resins", resins.all(false));
        return "stores/pour";
    }

    @PostMapping("/machines/{code}/pour")
    String pour(@PathVariable String code, @RequestParam(required = false) String resin, @RequestParam(required = false) Double ml, Model model,
                HttpServletResponse response) {
        model.addAttribute("typedResin", resin);
        model.addAttribute("typedMl", ml);
        return PageErrors.tried(() -> {
            MachineRef machine = fleet.machine(code);
            Parts.PartRef vat = parts.vatOn(machine.id());
            if (vat == null) {
                throw new Conflict("resin", "No vat is on " + machine.name() + ".");
            }
            resins.pour(vat.code(), resin, ml, null);
        }, "/machines/" + code, model, response, () -> pourForm(code, model));
    }

    @PostMapping("/pours/{id}/withdraw")
    String withdrawPour(@PathVariable long id, @RequestParam String reason, @RequestParam String back) {
        resins.withdraw(id, reason);
        return "redirect:/machines/" + fleet.machine(back).code();
    }
}
