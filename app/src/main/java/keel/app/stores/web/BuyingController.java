package keel.app.stores.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import keel.app.base.CsvFile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.stores.Buying;
import keel.core.Findings;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The buying list, what was ordered, and what came. */
@Controller
class BuyingController {

    private static final int SHOWN = 30;

    private final Buying buying;

    BuyingController(Buying buying) {
        this.buying = buying;
    }

    @GetMapping("/stores/buying")
    String list(Model model) {
        List<Buying.BuyingLine> lines = buying.lines();
        model.addAttribute(
                "buy",
                lines.stream()
                        .filter(l -> l.quantity() > 0)
                        .sorted(Comparator.comparing((Buying.BuyingLine l) -> l.runsOut() == null ? -1 : -l.runsOut()))
                        .toList());
        model.addAttribute(
                "later",
                lines.stream()
                        .filter(l -> l.quantity() == 0 && l.lastsDays() != null)
                        .sorted(Comparator.comparing(Buying.BuyingLine::lastsDays))
                        .toList());
        model.addAttribute("orders", buying.orders(SHOWN));
        return "stores/buying";
    }

    @GetMapping(value = "/stores/buying.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv() {
        return CsvFile.of(
                "buying-list.csv",
                List.of("item", "name", "quantity", "unit", "supplier", "price", "why"),
                buying.lines().stream()
                        .filter(l -> l.quantity() > 0)
                        .<List<?>>map(l -> Arrays.asList(
                                l.item().item(),
                                l.item().name(),
                                l.quantity(),
                                l.item().unit(),
                                l.terms().supplier(),
                                l.terms().price(),
                                l.why()))
                        .toList());
    }

    @PostMapping("/stores/orders")
    String order(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return tried(
                () -> buying.order(typed.getOrDefault("item", ""), number(typed, "quantity"), number(typed, "price")),
                model,
                response);
    }

    @PostMapping("/stores/orders/{id}/receive")
    String receive(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return tried(() -> buying.receive(id, number(typed, "quantity")), model, response);
    }

    @PostMapping("/stores/orders/{id}/cancel")
    String cancel(@PathVariable long id, Model model, HttpServletResponse response) {
        return tried(() -> buying.cancel(id), model, response);
    }

    private String tried(Runnable action, Model model, HttpServletResponse response) {
        return PageErrors.tried(action, "/stores/buying", model, response, () -> list(model));
    }

    private static Double number(Map<String, String> typed, String field) {
        Findings findings = new Findings();
        Double number = Typed.number(typed.get(field), field, findings);
        Refused.unless(findings);
        return number;
    }
}
