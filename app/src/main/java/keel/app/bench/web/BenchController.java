package keel.app.bench.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Shelf;
import keel.app.fleet.ShopTime;
import keel.app.standing.OpenCases;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.app.standing.Standings;
import keel.app.stores.Bottles;
import keel.app.stores.FilmPacks;
import keel.app.stores.Stock;
import keel.core.Findings;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** One form for every service. */
@Controller
class BenchController {

    private final Bench bench;
    private final Fleet fleet;
    private final PartsReading reading;
    private final Shelf shelf;
    private final Stock stock;
    private final FilmPacks packs;
    private final Standings standings;
    private final OpenCases cases;
    private final Bottles bottles;
    private final ShopTime times;

    BenchController(
            Bench bench,
            Fleet fleet,
            PartsReading reading,
            Shelf shelf,
            Stock stock,
            FilmPacks packs,
            Standings standings,
            OpenCases cases,
            Bottles bottles,
            ShopTime times) {
        this.bench = bench;
        this.fleet = fleet;
        this.reading = reading;
        this.shelf = shelf;
        this.stock = stock;
        this.packs = packs;
        this.standings = standings;
        this.cases = cases;
        this.bottles = bottles;
        this.times = times;
    }

    @GetMapping("/machines/{code}/services/{kind}")
    String form(@PathVariable String code, @PathVariable String kind, Model model) {
        return show(fleet.machine(code), kind(kind), new LinkedHashMap<>(), model);
    }

    @PostMapping("/machines/{code}/services/{kind}")
    String record(
            @PathVariable String code,
            @PathVariable String kind,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            var at = times.readOrEntered(typed.get("at"), "at", findings);
            Refused.unless(findings);
            bench.record(new ServiceEntry(code, kind, at, typed.get("note"), new LinkedHashMap<>(typed)));
            return "redirect:/machines/" + code;
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(fleet.machine(code), kind(kind), typed, model);
        }
    }

    @PostMapping("/services/{id}/withdraw")
    String withdraw(@PathVariable long id, @RequestParam String reason, @RequestParam String back) {
        bench.withdraw(id, reason);
        return "redirect:/machines/" + fleet.machine(back).code();
    }

    private String show(MachineRef machine, ServiceKind kind, Map<String, String> typed, Model model) {
        Map<String, String> form = new LinkedHashMap<>(typed);
        form.putIfAbsent("material", "FEP");
        form.putIfAbsent("thicknessMm", "0.127");
        form.putIfAbsent("school", machine.levellingSchool());
        model.addAttribute("machine", machine);
        model.addAttribute("kind", kind);
        model.addAttribute("form", form);
        model.addAttribute("now", standings.of(machine.code()));
        model.addAttribute("vats", vatsFor(kind, machine));
        model.addAttribute(
                "rooms", fleet.rooms().stream().filter(r -> !r.retired()).toList());
        model.addAttribute("items", stock.all(false));
        model.addAttribute("packs", packs.inUse());
        model.addAttribute(
                "spares",
                shelf.spares(
                        machine.id(), kind == ServiceKind.LIGHT_CHANGE ? ComponentKind.LIGHT : ComponentKind.SCREEN));
        model.addAttribute(
                "bottles", bottles.withRoom(standings.of(machine.code()).resin()));
        model.addAttribute("cases", kind == ServiceKind.DRY_RUN ? cases.of(machine.code()) : List.of());
        return "bench/service";
    }

    private List<PartView> vatsFor(ServiceKind kind, MachineRef machine) {
        return reading.all(ComponentKind.VAT, false).stream()
                .filter(v -> kind == ServiceKind.VAT_REMOVED
                        ? machine.code().equals(v.carrier())
                        : v.carrier() == null && v.endedAt() == null)
                .toList();
    }

    private static ServiceKind kind(String name) {
        try {
            return ServiceKind.valueOf(name);
        } catch (IllegalArgumentException e) {
            throw new NotThere("There is no service called " + name + ".");
        }
    }
}
