package keel.app.stores.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopSettings;
import keel.app.stores.Baths;
import keel.app.stores.Finishing;
import keel.app.stores.Stock;
import keel.core.Findings;
import keel.core.stock.StockUnit;
import keel.core.wash.BathKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The wash place: prints that are to be finished, and the baths. */
@Controller
class WashController {

    private static final int SHOWN_DONE = 8;

    private final Finishing finishing;
    private final Baths baths;
    private final Stock stock;
    private final ShopSettings settings;

    WashController(Finishing finishing, Baths baths, Stock stock, ShopSettings settings) {
        this.finishing = finishing;
        this.baths = baths;
        this.stock = stock;
        this.settings = settings;
    }

    @GetMapping("/wash")
    String wash(Model model) {
        List<Baths.Bath> all = baths.all();
        model.addAttribute("open", finishing.open());
        model.addAttribute("done", finishing.done(SHOWN_DONE));
        model.addAttribute("baths", all);
        model.addAttribute("kinds", BathKind.values());
        model.addAttribute("places", Baths.Place.values());
        model.addAttribute("schools", finishing.schools());
        model.addAttribute(
                "alcohols",
                stock.all(false).stream()
                        .filter(i -> StockUnit.millilitresIn(i.unit()).isPresent())
                        .toList());
        model.addAttribute("limit", settings.defaults().value("wash.limitShare"));
        model.addAttribute("leastStrength", settings.defaults().value("wash.leastStrength"));
        model.addAttribute("dryingHours", settings.defaults().value("drying.hours"));
        return "stores/wash";
    }

    /** The next step of a print; into a bath where only the bath is named. */
    @PostMapping("/wash/runs/{run}")
    String step(
            @PathVariable long run,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        String what = typed.getOrDefault("do", typed.containsKey("bath") ? "wash" : "");
        String then = what.equals("done") && !"CLEAN".equals(typed.get("finish"))
                ? failed(run, typed.get("finish"))
                : "/wash";
        return PageErrors.tried(
                () -> {
                    switch (what) {
                        case "wash" -> finishing.wash(run, typed.get("bath"), typed.get("supports"));
                        case "dry" -> finishing.dries(run, typed.get("drying"));
                        case "cure" -> finishing.cures(run);
                        case "done" -> finishing.finished(run, typed.get("finish"));
                        case "back" -> finishing.back(run);
                        default -> throw new Refused("do", "Say what is done with it.");
                    }
                },
                then,
                model,
                response,
                () -> wash(model));
    }

    /** What is tacky or white is a failure to look into. */
    private String failed(long run, String finish) {
        return "/failures/new?machine=" + finishing.one(run).machine() + "&run=" + run + "&symptoms="
                + ("BLOOM".equals(finish) ? "white-bloom" : "tacky");
    }

    @PostMapping("/wash/baths")
    String add(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    Double litres = Typed.number(typed.get("litres"), "volumeMl", findings);
                    Refused.unless(findings);
                    baths.add(
                            typed.get("kind"),
                            typed.get("place"),
                            litres == null ? null : Double.valueOf(1000 * litres));
                },
                "/wash",
                model,
                response,
                () -> wash(model));
    }

    @PostMapping("/wash/baths/{code}")
    String bath(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    switch (typed.getOrDefault("do", "")) {
                        case "fill" -> {
                            Double litres = Typed.number(typed.get("litres"), "volumeMl", findings);
                            Double fresh = Typed.number(typed.get("fresh"), "freshDensity", findings);
                            Refused.unless(findings);
                            baths.fill(
                                    code,
                                    new Baths.Filling(
                                            litres == null ? null : Double.valueOf(1000 * litres),
                                            fresh,
                                            typed.get("fromStores"),
                                            typed.containsKey("swaps")));
                        }
                        case "read" -> {
                            Double density = Typed.number(typed.get("density"), "density", findings);
                            Refused.unless(findings);
                            baths.read(code, density);
                        }
                        case "retire" -> baths.retire(code);
                        default -> throw new Refused("do", "Say what is done with the bath.");
                    }
                },
                "/wash",
                model,
                response,
                () -> wash(model));
    }

    @GetMapping("/api/v1/baths")
    @ResponseBody
    List<Baths.Bath> api() {
        return baths.all();
    }
}
