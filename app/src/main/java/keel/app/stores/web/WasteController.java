package keel.app.stores.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.app.base.CsvFile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopSettings;
import keel.app.fleet.ShopTime;
import keel.app.stores.IncidentKind;
import keel.app.stores.Incidents;
import keel.app.stores.Waste;
import keel.app.stores.WasteKind;
import keel.core.Findings;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of waste and of incidents. */
@Controller
class WasteController {

    private final Waste waste;
    private final Incidents incidents;
    private final ShopSettings settings;
    private final ShopTime times;
    private final Clock clock;

    WasteController(Waste waste, Incidents incidents, ShopSettings settings, ShopTime times, Clock clock) {
        this.waste = waste;
        this.incidents = incidents;
        this.settings = settings;
        this.times = times;
        this.clock = clock;
    }

    /** A lot, how many days it waits, and whether it lies too deep or waits too long. */
    record WasteRow(Waste.Lot lot, long days, boolean tooDeep, boolean overdue) {}

    @GetMapping("/waste")
    String page(Model model) {
        double most = settings.defaults().value("waste.days");
        Instant now = clock.instant();
        model.addAttribute(
                "rows",
                waste.here().stream()
                        .map(l -> {
                            Duration waits = Duration.between(l.at(), now);
                            return new WasteRow(
                                    l, waits.toDays(), waste.tooDeep(l), l.raw() && waits.toMinutes() > most * 1440);
                        })
                        .toList());
        model.addAttribute("gone", waste.gone(12));
        model.addAttribute("kinds", WasteKind.values());
        model.addAttribute("rules", waste.rules());
        model.addAttribute("layerMm", settings.defaults().value("waste.layerMm"));
        return "stores/waste";
    }

    @PostMapping("/waste")
    String keep(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    Waste.Entry entry = new Waste.Entry(
                            typed.get("kind"),
                            Typed.number(typed.get("amount"), "amount", findings),
                            typed.get("place"),
                            Typed.number(typed.get("layerMm"), "layerMm", findings),
                            typed.get("note"));
                    Refused.unless(findings);
                    waste.keep(entry);
                },
                "/waste",
                model,
                response,
                () -> page(model));
    }

    @PostMapping("/waste/{id}")
    String change(
            @PathVariable long id,
            @RequestParam(name = "do", defaultValue = "") String what,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> {
                    switch (what) {
                        case "cured" -> waste.cured(id, true);
                        case "raw" -> waste.cured(id, false);
                        case "back" -> waste.takenBack(id);
                        default -> throw new Refused("do", "Say what became of it.");
                    }
                },
                "/waste",
                model,
                response,
                () -> page(model));
    }

    @PostMapping("/waste/rules")
    String rules(@RequestParam(defaultValue = "") String rules, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> waste.rules(rules), "/waste", model, response, () -> page(model));
    }

    /** The sheet that goes along, to print; what is ticked on it is handed in. */
    @GetMapping("/waste/sheet")
    String sheet(Model model) {
        model.addAttribute("lots", waste.here());
        model.addAttribute("rules", waste.rules());
        model.addAttribute("today", times.words(clock.instant()));
        return "stores/waste-sheet";
    }

    @PostMapping("/waste/sheet")
    String handIn(@RequestParam MultiValueMap<String, String> typed, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> {
                    List<Long> ids = new ArrayList<>();
                    typed.getOrDefault("lot", List.of()).stream()
                            .filter(t -> t.matches("\\d{1,18}"))
                            .forEach(t -> ids.add(Long.valueOf(t)));
                    waste.handedIn(ids, typed.getFirst("to"));
                },
                "/waste",
                model,
                response,
                () -> sheet(model));
    }

    @GetMapping(value = "/waste.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv() {
        List<List<?>> rows = new ArrayList<>();
        List<Waste.Lot> all = new ArrayList<>(waste.here());
        all.addAll(waste.gone(10_000));
        all.forEach(l -> rows.add(Arrays.asList(
                l.id(),
                l.kind().name(),
                l.amount(),
                l.unit(),
                l.place(),
                l.layerMm(),
                l.at(),
                l.curedAt(),
                l.handedAt(),
                l.handedTo(),
                l.note())));
        return CsvFile.of(
                "waste.csv",
                List.of(
                        "id",
                        "kind",
                        "amount",
                        "unit",
                        "place",
                        "layerMm",
                        "at",
                        "curedAt",
                        "handedAt",
                        "handedTo",
                        "note"),
                rows);
    }

    @GetMapping("/incidents")
    String incidents(Model model) {
        model.addAttribute("incidents", incidents.all());
        model.addAttribute("kinds", IncidentKind.values());
        return "stores/incidents";
    }

    /** First measures first, then the form. */
    @GetMapping("/incidents/{kind}")
    String incident(@PathVariable IncidentKind kind, Model model) {
        model.addAttribute("kind", kind);
        return "stores/incident";
    }

    @PostMapping("/incidents/{kind}")
    String write(
            @PathVariable IncidentKind kind,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    Instant at = times.read(typed.get("at"), "at", findings);
                    Refused.unless(findings);
                    incidents.write(new Incidents.Entry(
                            kind.name(), at, typed.get("who"), typed.get("happened"), typed.get("done")));
                },
                "/incidents",
                model,
                response,
                () -> incident(kind, model));
    }

    @PostMapping("/incidents/{id}/after")
    String follow(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String after,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> incidents.follow(id, after), "/incidents", model, response, () -> incidents(model));
    }
}
