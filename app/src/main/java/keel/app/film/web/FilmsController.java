package keel.app.film.web;

import jakarta.servlet.http.HttpServletResponse;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.CsvFile;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.film.FilmLives;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.stores.FilmPacks;
import keel.app.stores.Seats;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.film.FilmRoll;
import keel.core.film.FilmSeat;
import keel.core.film.SpareAdvice;
import keel.core.standing.Defaults;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All films, the packs that they come from, and what the shop's record advises for each model. */
@Controller
class FilmsController {

    private static final double USUAL_CHANGE_MINUTES = 50;
    private static final Map<String, Comparator<FilmLives.FilmLine>> ORDERS = Map.of(
            "hours",
            Comparator.comparing(FilmLives.FilmLine::hours).reversed(),
            "since",
            Comparator.comparing(FilmLives.FilmLine::since).reversed(),
            "end",
            Comparator.comparing(FilmLives.FilmLine::endReason, Comparator.nullsLast(Comparator.naturalOrder())),
            "pack",
            Comparator.comparing(FilmLives.FilmLine::pack, Comparator.nullsLast(Comparator.naturalOrder())));

    private final FilmLives lives;
    private final FilmPacks packs;
    private final Seats seats;
    private final Vats vats;
    private final Fleet fleet;
    private final ShopSettings settings;

    FilmsController(FilmLives lives, FilmPacks packs, Seats seats, Vats vats, Fleet fleet, ShopSettings settings) {
        this.lives = lives;
        this.packs = packs;
        this.seats = seats;
        this.vats = vats;
        this.fleet = fleet;
        this.settings = settings;
    }

    @GetMapping("/bench/films")
    String films(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String by, Model model) {
        model.addAttribute("films", wanted(q, by));
        model.addAttribute("q", q);
        model.addAttribute("by", by);
        return "film/films";
    }

    @GetMapping(value = "/bench/films.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String by) {
        return CsvFile.of(
                "films.csv",
                List.of(
                        "film",
                        "material",
                        "thicknessMm",
                        "vat",
                        "model",
                        "pack",
                        "supplier",
                        "since",
                        "endedAt",
                        "endReason",
                        "hours",
                        "peels"),
                wanted(q, by).stream()
                        .<List<?>>map(f -> Arrays.asList(
                                f.code(),
                                f.material(),
                                f.thicknessMm(),
                                f.vat(),
                                f.model(),
                                f.pack(),
                                f.supplier(),
                                f.since(),
                                f.endedAt(),
                                f.endReason(),
                                f.hours(),
                                f.peels()))
                        .toList());
    }

    private List<FilmLives.FilmLine> wanted(String q, String by) {
        return lives.all().stream()
                .filter(f -> f.matches(q.strip()))
                .sorted(ORDERS.getOrDefault(by, (unusedA, unusedB) -> 0))
                .toList();
    }

    /** A pack, with the models whose rings its sheets cover; none is dead stock. */
    record PackLine(FilmPacks.Pack pack, List<String> covers, boolean known) {}

    @GetMapping("/bench/packs")
    String packs(Model model) {
        List<Vats.Model> models = vats.all(false).stream()
                .filter(v -> !v.tank())
                .map(Vats.Vat::model)
                .distinct()
                .toList();
        Function<Long, FilmSeat> measured = seats.all();
        Map<Long, FilmSeat> seat =
                models.stream().collect(Collectors.toMap(Vats.Model::id, m -> measured.apply(m.id()), (a, b) -> a));
        boolean known = seat.values().stream().anyMatch(s -> s.sheetLengthMm() != null && s.sheetWidthMm() != null);
        model.addAttribute(
                "packs",
                packs.all().stream()
                        .map(p -> new PackLine(
                                p,
                                models.stream()
                                        .filter(m -> covers(p, seat.get(m.id())))
                                        .map(Vats.Model::name)
                                        .toList(),
                                known))
                        .toList());
        model.addAttribute("known", known);
        return "film/packs";
    }

    /** What a roll gives for a model; null where nobody said how large its sheet is. */
    record RollLine(String model, Double longMm, Double shortMm, FilmRoll.Cut cut) {}

    /** The same page with what a roll gives; a model that is taken over stands in the form for the pack. */
    @GetMapping("/bench/packs/roll")
    String roll(
            @RequestParam(required = false) String rollWidthMm,
            @RequestParam(required = false) String rollLengthMm,
            @RequestParam(required = false) String take,
            Model model,
            HttpServletResponse response) {
        if (rollWidthMm == null && rollLengthMm == null) {
            return "redirect:/bench/packs";
        }
        model.addAttribute("rollWidthMm", rollWidthMm);
        model.addAttribute("rollLengthMm", rollLengthMm);
        try {
            Findings findings = new Findings();
            Double width = Typed.number(rollWidthMm, "rollWidthMm", findings);
            Double length = Typed.number(rollLengthMm, "rollLengthMm", findings);
            findings.range(width, 20, 5000, "rollWidthMm", "The width of the roll", "mm");
            findings.range(length, 20, 200_000, "rollLengthMm", "The length of the roll", "mm");
            Refused.unless(findings);
            List<RollLine> lines = rolled(new FilmRoll(width, length));
            model.addAttribute("roll", lines);
            lines.stream()
                    .filter(l ->
                            l.model().equals(take) && l.cut() != null && l.cut().sheets() > 0)
                    .findFirst()
                    .ifPresent(l -> model.addAttribute(
                            "form",
                            Map.of(
                                    "lengthMm", Plain.number(l.longMm()),
                                    "widthMm", Plain.number(l.shortMm()),
                                    "sheets", Integer.toString(l.cut().sheets()),
                                    "thicknessMm", "0.127",
                                    "material", "FEP")));
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return packs(model);
    }

    private List<RollLine> rolled(FilmRoll roll) {
        Function<Long, FilmSeat> measured = seats.all();
        return vats.all(false).stream()
                .filter(v -> !v.tank())
                .map(Vats.Vat::model)
                .distinct()
                .map(m -> rolled(roll, m.name(), measured.apply(m.id())))
                .toList();
    }

    private static RollLine rolled(FilmRoll roll, String model, FilmSeat seat) {
        if (seat.sheetLengthMm() == null || seat.sheetWidthMm() == null) {
            return new RollLine(model, null, null, null);
        }
        double longMm = Math.max(seat.sheetLengthMm(), seat.sheetWidthMm());
        double shortMm = Math.min(seat.sheetLengthMm(), seat.sheetWidthMm());
        return new RollLine(model, longMm, shortMm, roll.into(longMm, shortMm));
    }

    private static boolean covers(FilmPacks.Pack pack, FilmSeat seat) {
        return seat.sheetLengthMm() != null
                && seat.sheetWidthMm() != null
                && pack.covers(
                        Math.max(seat.sheetLengthMm(), seat.sheetWidthMm()),
                        Math.min(seat.sheetLengthMm(), seat.sheetWidthMm()));
    }

    @PostMapping("/bench/packs")
    String add(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("form", typed);
        try {
            Findings findings = new Findings();
            FilmPacks.PackEntry entry = new FilmPacks.PackEntry(
                    typed.get("supplier"),
                    typed.get("lot"),
                    typed.get("material"),
                    Typed.number(typed.get("thicknessMm"), "thicknessMm", findings),
                    Typed.number(typed.get("lengthMm"), "lengthMm", findings),
                    Typed.number(typed.get("widthMm"), "widthMm", findings),
                    Typed.whole(typed.get("sheets"), "sheets", findings),
                    Typed.number(typed.get("price"), "price", findings));
            Refused.unless(findings);
            packs.add(entry);
            return "redirect:/bench/packs";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return packs(model);
        }
    }

    @PostMapping("/bench/packs/{code}/spoiled")
    String spoiled(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            Integer sheets = Typed.whole(typed.get("spoiled"), "spoiled", findings);
            Refused.unless(findings);
            packs.spoil(code, sheets, typed.get("why"));
            return "redirect:/bench/packs";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return packs(model);
        }
    }

    @PostMapping("/bench/packs/{code}/retire")
    String retire(@PathVariable String code, @RequestParam boolean retired) {
        packs.retire(code, retired);
        return "redirect:/bench/packs";
    }

    @GetMapping("/bench/models/{code}")
    String model(@PathVariable String code, Model model) {
        return show(of(code), null, model);
    }

    @PostMapping("/bench/models/{code}")
    String measure(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Vats.Model of = of(code);
        try {
            Findings findings = new Findings();
            FilmSeat seat = new FilmSeat(
                    number(typed, "cornerScrewMm", findings),
                    number(typed, "sideScrewMm", findings),
                    number(typed, "spacerMm", findings),
                    number(typed, "pressMm", findings),
                    number(typed, "lipMm", findings),
                    number(typed, "sheetLengthMm", findings),
                    number(typed, "sheetWidthMm", findings),
                    number(typed, "vatPrice", findings));
            Refused.unless(findings);
            seats.measure(of.id(), of.name(), seat);
            return "redirect:/bench/models/" + of.code() + "?kept";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(of, typed, model);
        }
    }

    private String show(Vats.Model of, Map<String, String> typed, Model page) {
        FilmSeat seat = seats.of(of.id());
        Defaults d = settings.defaults();
        double minutes = lives.changeMinutes().orElse(USUAL_CHANGE_MINUTES);
        double changes = lives.changesPerYear(of.id());
        page.addAttribute("m", of);
        page.addAttribute("seat", seat);
        page.addAttribute("form", typed != null ? typed : typed(seat));
        page.addAttribute("changes", changes);
        page.addAttribute("minutes", minutes);
        page.addAttribute(
                "advice",
                SpareAdvice.of(
                        changes,
                        minutes,
                        d.value("vat.swapMinutes"),
                        d.value("film.waitHours"),
                        d.value("machine.hourValue"),
                        seat.vatPrice(),
                        d.value("vat.lifeYears")));
        page.addAttribute(
                "spares",
                vats.all(false).stream()
                        .filter(v -> v.model().id() == of.id() && v.machine() == null)
                        .toList());
        page.addAttribute(
                "machines",
                fleet.machines().stream()
                        .filter(m -> !m.retired() && m.model().equals(of.code()))
                        .count());
        page.addAttribute(
                "sheets",
                packs.inUse().stream()
                        .filter(p -> covers(p, seat))
                        .mapToInt(FilmPacks.Pack::left)
                        .sum());
        page.addAttribute("thin", lives.thinOrThick());
        page.addAttribute(
                "slack",
                of.frame().windowWidthMm() == null
                        ? null
                        : seat.slack(of.frame().windowWidthMm(), 0.127));
        return "film/model";
    }

    private static Map<String, String> typed(FilmSeat s) {
        Map<String, String> typed = new HashMap<>();
        typed.put("cornerScrewMm", text(s.cornerScrewMm()));
        typed.put("sideScrewMm", text(s.sideScrewMm()));
        typed.put("spacerMm", text(s.spacerMm()));
        typed.put("pressMm", text(s.pressMm()));
        typed.put("lipMm", text(s.lipMm()));
        typed.put("sheetLengthMm", text(s.sheetLengthMm()));
        typed.put("sheetWidthMm", text(s.sheetWidthMm()));
        typed.put("vatPrice", text(s.vatPrice()));
        return typed;
    }

    private static String text(Double number) {
        return number == null
                ? ""
                : BigDecimal.valueOf(number).stripTrailingZeros().toPlainString();
    }

    private Vats.Model of(String code) {
        return vats.all(true).stream()
                .map(Vats.Vat::model)
                .filter(m -> m.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no vat for a model called " + code + "."));
    }

    private static Double number(Map<String, String> typed, String field, Findings findings) {
        return Typed.number(typed.get(field), field, findings);
    }

    @PostMapping("/vats/{code}/experiments")
    String experiment(@PathVariable String code, @RequestParam String what) {
        lives.experiment(vats.one(code), what);
        return "redirect:/vats/" + code + "?kept";
    }

    @PostMapping("/vats/{code}/experiments/{id}/withdraw")
    String withdrawExperiment(@PathVariable String code, @PathVariable long id) {
        lives.withdrawExperiment(vats.one(code), id);
        return "redirect:/vats/" + code;
    }
}
