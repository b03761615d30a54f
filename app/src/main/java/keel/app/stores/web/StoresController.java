package keel.app.stores.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import keel.app.base.CsvFile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.stores.Bottles;
import keel.app.stores.Buying;
import keel.app.stores.PerRun;
import keel.app.stores.ResinView;
import keel.app.stores.Resins;
import keel.app.stores.Sharing;
import keel.app.stores.Stock;
import keel.core.Findings;
import keel.core.stock.StockUnit;
import keel.core.wash.BathKind;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of the stores: stock with its movements, resins, pouring. */
@Controller
class StoresController {

    /** Orders of the list: by name, what runs out first, what is to be bought first, what is worth most first. */
    private static final Map<String, Comparator<Buying.BuyingLine>> ORDERS = Map.of(
            "lasts",
            Comparator.comparing((Buying.BuyingLine l) -> l.lastsDays() == null ? Double.MAX_VALUE : l.lastsDays()),
            "buy",
            Comparator.comparing((Buying.BuyingLine l) -> l.quantity() == 0),
            "worth",
            Comparator.comparing((Buying.BuyingLine l) -> l.worth() == null ? 0 : -l.worth()));

    private final Stock stock;
    private final Resins resins;
    private final Bottles bottles;
    private final Buying buying;
    private final PerRun perRun;
    private final Sharing sharing;
    private final Fleet fleet;

    StoresController(
            Stock stock, Resins resins, Bottles bottles, Buying buying, PerRun perRun, Sharing sharing, Fleet fleet) {
        this.stock = stock;
        this.resins = resins;
        this.bottles = bottles;
        this.buying = buying;
        this.perRun = perRun;
        this.sharing = sharing;
        this.fleet = fleet;
    }

    @GetMapping("/stores")
    String stores(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String by, Model model) {
        List<Buying.BuyingLine> all = buying.lines();
        model.addAttribute("any", !all.isEmpty());
        model.addAttribute(
                "retired",
                stock.all(true).stream().filter(Stock.ItemView::retired).toList());
        model.addAttribute("lines", found(all, q, by));
        model.addAttribute("resins", resins.all(true));
        model.addAttribute("q", q);
        model.addAttribute("units", StockUnit.words());
        model.addAttribute("by", by);
        return "stores/stores";
    }

    private static List<Buying.BuyingLine> found(List<Buying.BuyingLine> all, String q, String by) {
        String wanted = q.strip().toLowerCase(Locale.ROOT);
        return all.stream()
                .filter(l -> Stream.of(
                                l.item().name(),
                                l.terms().place(),
                                l.terms().supplier(),
                                l.item().spareModel())
                        .anyMatch(t -> t != null && t.toLowerCase(Locale.ROOT).contains(wanted)))
                .sorted(ORDERS.getOrDefault(by, (unusedA, unusedB) -> 0))
                .toList();
    }

    /** The same as a table of values. */
    @GetMapping(value = "/stores.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String by) {
        List<List<?>> rows = new ArrayList<>();
        found(buying.lines(), q, by)
                .forEach(l -> rows.add(Arrays.asList(
                        l.item().item(),
                        l.item().name(),
                        l.item().quantity(),
                        l.item().unit(),
                        l.onOrder(),
                        l.reorderPoint(),
                        l.demand().mean(),
                        l.lastsDays(),
                        l.terms().price(),
                        l.terms().supplier(),
                        l.terms().place())));
        return CsvFile.of(
                "stores.csv",
                List.of(
                        "item",
                        "name",
                        "quantity",
                        "unit",
                        "onOrder",
                        "reorderPoint",
                        "aDay",
                        "lastsDays",
                        "price",
                        "supplier",
                        "place"),
                rows);
    }

    @PostMapping("/stores/items")
    String addItem(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> stock.addItem(
                        typed.get("name"), typed.get("unit"), number(typed, "lowAt"), number(typed, "quantity")),
                "/stores",
                model,
                response,
                () -> stores("", "", model));
    }

    @PostMapping("/stores/resins")
    String addResin(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> resins.add(typed.get("name"), number(typed, "densityGPerMl"), typed.get("family")),
                "/stores",
                model,
                response,
                () -> stores("", "", model));
    }

    /** All that is known of a resin. */
    @GetMapping("/stores/resins/{code}")
    String resin(@PathVariable String code, Model model) {
        ResinView resin = resins.one(code);
        model.addAttribute("resin", resin);
        model.addAttribute("seen", Seen.of(resins.stands(code)).sum());
        model.addAttribute(
                "bottles",
                bottles.all(true).stream().filter(b -> b.resin().equals(code)).toList());
        model.addAttribute("items", stock.all(false));
        model.addAttribute("counts", bottles.counting(code).orElse(null));
        model.addAttribute("vats", resins.vatsWith(code));
        model.addAttribute("kinds", BathKind.values());
        return "stores/resin";
    }

    @PostMapping("/stores/resins/{code}")
    String changeResin(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    Resins.Nature nature = new Resins.Nature(
                            Typed.number(typed.get("densityGPerMl"), "densityGPerMl", findings),
                            typed.get("family"),
                            Typed.number(typed.get("temperatureFromC"), "temperatureFromC", findings),
                            Typed.number(typed.get("temperatureToC"), "temperatureToC", findings),
                            Typed.orNull(typed.get("nature")),
                            Typed.orNull(typed.get("washedIn")),
                            typed.get("safetySheet"),
                            Typed.number(typed.get("pricePerLitre"), "pricePerLitre", findings));
                    Refused.unless(findings);
                    resins.change(code, nature, Seen.sent(typed.get("seen")));
                    bottles.countedBy(code, typed.get("item"));
                },
                "/stores/resins/" + code,
                model,
                response,
                () -> resin(code, model));
    }

    @PostMapping("/stores/resins/{code}/retire")
    String retireResin(@PathVariable String code, @RequestParam boolean retired) {
        resins.retire(code, retired);
        return "redirect:/stores";
    }

    /** All items on one page, each with room for what is really there. */
    @GetMapping("/stores/count")
    String counting(Model model) {
        model.addAttribute("items", stock.all(false));
        return "stores/count";
    }

    /** What was counted; what stays empty stays as it is. All of it or nothing. */
    @PostMapping("/stores/count")
    String counted(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    Map<String, Double> counts = new LinkedHashMap<>();
                    stock.all(false).forEach(i -> {
                        Double counted = Typed.number(typed.get("n-" + i.item()), "n-" + i.item(), findings);
                        if (counted != null
                                && findings.range(counted, 0, 100_000, "n-" + i.item(), i.name(), i.unit())) {
                            counts.put(i.item(), counted);
                        }
                    });
                    findings.when(counts.isEmpty() && findings.none(), "count", "Nothing was counted.");
                    Refused.unless(findings);
                    stock.countAll(counts, typed.get("why"));
                },
                "/stores",
                model,
                response,
                () -> counting(model));
    }

    @GetMapping("/stores/{item}")
    String item(@PathVariable String item, Model model) {
        model.addAttribute("item", stock.one(item));
        model.addAttribute("units", StockUnit.words());
        model.addAttribute("seenItem", Seen.of(stock.stands(item)).sum());
        model.addAttribute("seenTerms", Seen.of(buying.stands(item)).sum());
        model.addAttribute("movements", stock.movements(item));
        model.addAttribute("line", buying.one(item));
        model.addAttribute("prices", buying.prices(item));
        model.addAttribute("shared", sharing.items().contains(item));
        model.addAttribute(
                "models", fleet.models().stream().filter(m -> !m.retired()).toList());
        return "stores/item";
    }

    @PostMapping("/stores/{item}/move")
    String move(
            @PathVariable String item,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Double quantity = number(typed, "quantity");
                    stock.move(item, quantity, reason(typed.get("reason"), quantity));
                },
                "/stores/" + item,
                model,
                response,
                () -> item(item, model));
    }

    /** Nobody has to say why a glove was taken. */
    private static String reason(String typed, Double quantity) {
        if (typed != null && !typed.isBlank()) {
            return typed;
        }
        return quantity != null && quantity < 0 ? "taken out" : "put in";
    }

    @PostMapping("/stores/{item}/count")
    String count(
            @PathVariable String item,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> stock.count(item, number(typed, "counted")),
                "/stores/" + item,
                model,
                response,
                () -> item(item, model));
    }

    @PostMapping("/stores/{item}/change")
    String change(
            @PathVariable String item,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    stock.changeItem(
                            item,
                            typed.get("name"),
                            typed.get("unit"),
                            number(typed, "lowAt"),
                            "true".equals(typed.get("retired")),
                            Seen.sent(typed.get("seen")));
                    perRun.change(item, number(typed, "perRun"));
                },
                "/stores/" + item,
                model,
                response,
                () -> item(item, model));
    }

    @PostMapping("/stores/{item}/spare")
    String spare(
            @PathVariable String item,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> stock.spare(item, typed.get("spareKind"), typed.get("spareModel")),
                "/stores/" + item,
                model,
                response,
                () -> item(item, model));
    }

    @PostMapping("/stores/{item}/terms")
    String terms(
            @PathVariable String item,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    buying.change(
                            item,
                            new Buying.Terms(
                                    number(typed, "packSize"),
                                    number(typed, "price"),
                                    typed.get("supplier"),
                                    typed.get("place"),
                                    number(typed, "leadDays"),
                                    number(typed, "leadDaysSd"),
                                    Typed.orNull(typed.get("hurts"))),
                            Seen.sent(typed.get("seen")));
                    sharing.change(item, typed.containsKey("shared"));
                },
                "/stores/" + item,
                model,
                response,
                () -> item(item, model));
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
