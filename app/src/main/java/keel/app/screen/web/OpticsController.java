package keel.app.screen.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.CsvFile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.TimeScale;
import keel.app.base.Typed;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.PartModels;
import keel.app.fleet.Shelf;
import keel.app.fleet.ShopSettings;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.screen.Optics;
import keel.app.screen.ScreenVerdicts;
import keel.app.standing.LifeStrip;
import keel.app.standing.MachineNow;
import keel.app.standing.PartSpan;
import keel.app.standing.PartsReading;
import keel.app.standing.RestOfLife;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The register of screens, light engines and windows, with the spares on the shelf and the models that there are. */
@Controller
class OpticsController {

    private final Optics optics;
    private final PartModels models;
    private final Shelf shelf;
    private final PartsReading reading;
    private final Standings standings;
    private final ScreenVerdicts verdicts;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final Clock clock;

    OpticsController(
            Optics optics,
            PartModels models,
            Shelf shelf,
            PartsReading reading,
            Standings standings,
            ScreenVerdicts verdicts,
            Fleet fleet,
            ShopSettings settings,
            Logbook logbook,
            Clock clock) {
        this.optics = optics;
        this.models = models;
        this.shelf = shelf;
        this.reading = reading;
        this.standings = standings;
        this.verdicts = verdicts;
        this.fleet = fleet;
        this.settings = settings;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * A machine with its screen, or where it has none its light engine; {@code windowSeen} is when the window of its
     * tank was last looked at or uncovered.
     */
    record CarrierLine(
            MachineNow m,
            Optics.OpticalPart part,
            LifeStrip strip,
            ScreenVerdict verdict,
            Optics.Heat heat,
            Instant windowSeen) {

        boolean screen() {
            return m.hasScreen();
        }
    }

    /** The machines of one model, and what lies on the shelf for them. */
    record Group(String model, MachineKind kind, List<CarrierLine> lines, List<Optics.OpticalPart> spares) {}

    @GetMapping("/bench/screens")
    String register(@RequestParam(defaultValue = "") String q, Model model) {
        List<Optics.OpticalPart> all = optics.all();
        List<MachineNow> machines = standings.all().stream()
                .filter(m -> m.standing().state() != MachineState.OFF || m.screen() != null || m.light() != null)
                .toList();
        Instant now = clock.instant();
        TimeScale scale = TimeScale.past(
                machines.stream().map(MachineNow::since).min(Instant::compareTo).orElse(now.minusSeconds(86_400)), now);
        Map<String, List<CarrierLine>> byModel = lines(machines, all, scale, now).stream()
                .collect(Collectors.groupingBy(l -> l.m().model(), LinkedHashMap::new, Collectors.toList()));
        List<Optics.OpticalPart> shelf =
                all.stream().filter(Optics.OpticalPart::onShelf).toList();
        model.addAttribute(
                "groups",
                byModel.entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(e -> new Group(
                                e.getKey(),
                                e.getValue().get(0).m().kind(),
                                e.getValue(),
                                shelf.stream()
                                        .filter(p -> Arrays.asList(p.fits().split(", "))
                                                .contains(e.getKey()))
                                        .toList()))
                        .toList());
        model.addAttribute("now", scale.x(now));
        model.addAttribute("dates", scale.dates(now, settings.zone()));
        model.addAttribute(
                "parts", all.stream().filter(p -> p.matches(q.strip())).toList());
        model.addAttribute("q", q);
        model.addAttribute("today", LocalDate.ofInstant(now, settings.zone()));
        model.addAttribute("partModels", models.all());
        model.addAttribute(
                "machineModels",
                fleet.models().stream().filter(m -> !m.retired()).toList());
        return "screen/register";
    }

    private List<CarrierLine> lines(
            List<MachineNow> machines, List<Optics.OpticalPart> all, TimeScale scale, Instant now) {
        Map<Long, Optics.OpticalPart> byId =
                all.stream().collect(Collectors.toMap(Optics.OpticalPart::id, Function.identity()));
        Map<Long, Optics.Heat> heat = optics.heat();
        Map<Long, ScreenVerdict> verdict = verdicts.all(machines);
        Map<Long, List<PartSpan>> screens = reading.spans(ComponentKind.SCREEN);
        Map<Long, List<PartSpan>> lights = reading.spans(ComponentKind.LIGHT);
        Map<Long, Instant> windows = optics.windows();
        List<CarrierLine> lines = new ArrayList<>();
        for (MachineNow m : machines) {
            var fitted = m.hasScreen() ? m.screen() : m.light();
            PartUse use = m.hasScreen() ? m.screenUse() : m.worn(PartUse.UsedPart.LIGHT);
            List<LifeStrip.Bar> bars = (m.hasScreen() ? screens : lights)
                    .getOrDefault(m.id(), List.of()).stream()
                            .map(s -> LifeStrip.Bar.of(
                                    s.code(), s.from(), s.to(), s.endedAt(), s.endReason(), scale, now))
                            .toList();
            RestOfLife rest = use == null
                    ? null
                    : RestOfLife.of(use, m.hoursPerDay(), m.uvShare(), scale, now)
                            .orElse(null);
            lines.add(new CarrierLine(
                    m,
                    fitted == null ? null : byId.get(fitted.id()),
                    new LifeStrip(bars, rest),
                    verdict.get(m.id()),
                    fitted == null ? null : heat.get(fitted.id()),
                    windows.get(m.id())));
        }
        return lines;
    }

    @GetMapping(value = "/bench/screens.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@RequestParam(defaultValue = "") String q) {
        Map<Long, Optics.Heat> heat = optics.heat();
        return CsvFile.of(
                "screens.csv",
                List.of(
                        "part",
                        "kind",
                        "model",
                        "serial",
                        "batch",
                        "fits",
                        "boughtOn",
                        "warrantyUntil",
                        "price",
                        "machine",
                        "fittedAt",
                        "endedAt",
                        "endReason",
                        "hours",
                        "uvHours",
                        "meanRoomC",
                        "warmUvHours"),
                optics.all().stream()
                        .filter(p -> p.matches(q.strip()))
                        .<List<?>>map(p -> {
                            Optics.Heat h = heat.get(p.id());
                            return Arrays.asList(
                                    p.code(),
                                    p.kind(),
                                    p.model(),
                                    p.serial(),
                                    p.batch(),
                                    p.fits(),
                                    p.boughtOn(),
                                    p.warrantyUntil(),
                                    p.price(),
                                    p.lastOn(),
                                    p.fittedAt(),
                                    p.endedAt(),
                                    p.endReason(),
                                    p.hours(),
                                    p.uvHours(),
                                    h == null ? null : h.meanC(),
                                    h == null ? null : h.warmUvHours());
                        })
                        .toList());
    }

    @GetMapping("/bench/screens/{code}")
    String one(@PathVariable String code, Model model) {
        Optics.OpticalPart part = optics.one(code);
        model.addAttribute("p", part);
        model.addAttribute("heat", optics.heat().get(part.id()));
        model.addAttribute("warmFrom", settings.defaults().value("resin.highC"));
        model.addAttribute("today", LocalDate.ofInstant(clock.instant(), settings.zone()));
        model.addAttribute(
                "partModels",
                models.all().stream()
                        .filter(m -> m.kind() == part.kind()
                                && (!m.retired() || m.words().equals(part.model())))
                        .toList());
        model.addAttribute("log", logbook.lines(LogFilter.ofSubject("PART", part.id())));
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", typed(part));
        }
        return "screen/part";
    }

    private static Map<String, String> typed(Optics.OpticalPart p) {
        Map<String, String> form = new HashMap<>();
        form.put("partModel", p.modelCode());
        form.put("serial", p.serial());
        form.put("batch", p.batch());
        form.put("boughtOn", p.boughtOn() == null ? null : p.boughtOn().toString());
        form.put(
                "warrantyUntil",
                p.warrantyUntil() == null ? null : p.warrantyUntil().toString());
        form.put("price", p.price() == null ? null : p.price().toString());
        return form;
    }

    @PostMapping("/bench/screens/{code}/origin")
    String origin(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            shelf.originOf(code, origin(typed));
            return "redirect:/bench/screens/" + code;
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("form", typed);
            return one(code, model);
        }
    }

    @PostMapping("/bench/screens/spares")
    String addSpare(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        try {
            Shelf.Origin origin = origin(typed);
            ComponentKind kind = typed.getOrDefault("partModel", "").isBlank()
                    ? ComponentKind.SCREEN
                    : models.called(typed.get("partModel")).kind();
            return "redirect:/bench/screens/" + shelf.addSpare(kind, origin);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("spare", typed);
            return register("", model);
        }
    }

    private Shelf.Origin origin(Map<String, String> typed) {
        Findings findings = new Findings();
        Double price = Typed.number(typed.get("price"), "price", findings);
        LocalDate bought = day(typed.get("boughtOn"), "boughtOn", findings);
        LocalDate warranty = day(typed.get("warrantyUntil"), "warrantyUntil", findings);
        Refused.unless(findings);
        String model = typed.getOrDefault("partModel", "");
        return new Shelf.Origin(
                model.isBlank() ? null : models.called(model).id(),
                typed.get("serial"),
                typed.get("batch"),
                bought,
                warranty,
                price);
    }

    private static LocalDate day(String text, String field, Findings findings) {
        try {
            return text == null || text.isBlank() ? null : LocalDate.parse(text.strip());
        } catch (DateTimeParseException e) {
            findings.add(field, "This is no day: " + text + ". Like 2026-03-14.");
            return null;
        }
    }

    @PostMapping("/bench/screens/models")
    String addModel(
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) List<String> fits,
            Model model,
            HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            PartModels.Entry entry = new PartModels.Entry(
                    "LIGHT".equals(typed.get("kind")) ? ComponentKind.LIGHT : ComponentKind.SCREEN,
                    typed.get("name"),
                    typed.get("revision"),
                    typed.get("source"),
                    Typed.whole(typed.get("pixelsX"), "pixelsX", findings),
                    Typed.whole(typed.get("pixelsY"), "pixelsY", findings),
                    Typed.number(typed.get("widthMm"), "widthMm", findings),
                    Typed.number(typed.get("depthMm"), "depthMm", findings),
                    Typed.number(typed.get("price"), "price", findings),
                    fits == null ? List.of() : fits);
            Refused.unless(findings);
            models.add(entry);
            return "redirect:/bench/screens#models";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("newModel", typed);
            model.addAttribute("newFits", fits == null ? List.of() : fits);
            return register("", model);
        }
    }

    @PostMapping("/bench/screens/models/{code}/retire")
    String retire(@PathVariable String code, @RequestParam boolean retired) {
        models.retire(code, retired);
        return "redirect:/bench/screens#models";
    }
}
