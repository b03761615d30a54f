package keel.app.film.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.Figures;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.film.FilmExposure;
import keel.app.film.FilmLives;
import keel.app.film.FilmLooks;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.Instruments;
import keel.app.fleet.ShopSettings;
import keel.app.standing.Conditions;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.standing.WearMaps;
import keel.core.Findings;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.film.MarksCompared;
import keel.core.life.HoursLeft;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** One vat with its film: how it looks and looked, how it sounds, where it was; and the inspection. */
@Controller
class VatController {

    private final Vats vats;
    private final WearMaps wear;
    private final FilmLooks looks;
    private final FilmTones tones;
    private final FilmExposure exposure;
    private final FilmLives lives;
    private final Fleet fleet;
    private final Standings standings;
    private final Conditions conditions;
    private final ShopSettings settings;
    private final Instruments instruments;
    private final Clock clock;

    VatController(
            Vats vats,
            WearMaps wear,
            FilmLooks looks,
            FilmTones tones,
            FilmExposure exposure,
            FilmLives lives,
            Fleet fleet,
            Standings standings,
            Conditions conditions,
            ShopSettings settings,
            Instruments instruments,
            Clock clock) {
        this.vats = vats;
        this.wear = wear;
        this.looks = looks;
        this.tones = tones;
        this.exposure = exposure;
        this.lives = lives;
        this.fleet = fleet;
        this.standings = standings;
        this.conditions = conditions;
        this.settings = settings;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** Print hours until half such films have ended, and until one in ten and nine in ten have. */
    private static String left(Vats.Vat vat, double uvShare) {
        HoursLeft left = vat.filmUse().hoursLeft(vat.film().usage().uvShare(uvShare));
        return String.format(
                Locale.ROOT, "%.0f h of printing, 8 of 10 after %.0f to %.0f", left.median(), left.low(), left.high());
    }

    @GetMapping("/vats/{code}")
    String vat(@PathVariable String code, Model model) {
        Vats.Vat vat = vats.one(code);
        List<FilmLooks.Look> seen =
                vat.film() == null ? List.of() : looks.of(vat.film().id());
        List<FilmTones.Tone> heard =
                vat.film() == null ? List.of() : tones.of(vat.film().id());
        FilmTones.Reference reference = tones.reference(vat).orElse(null);
        List<MarksCompared.Compared> marks = FilmLooks.compared(seen);
        model.addAttribute("v", vat);
        model.addAttribute("looks", seen);
        model.addAttribute(
                "map",
                FilmMap.of(
                        vat.model(),
                        marks,
                        vat.film() == null
                                ? Optional.empty()
                                : wear.of(vat.film().id()).map(WearMaps.Known::map)));
        model.addAttribute("marks", marks);
        if (vat.film() != null) {
            Conditions.Course course = conditions.course(
                    new Conditions.Film(vat.film().id(), vat.film().usage()));
            model.addAttribute("clarity", ClarityDrawing.of(course.course(), course.seen(), course.madeUp()));
        }
        model.addAttribute("grades", Clouding.values());
        model.addAttribute("tones", heard);
        model.addAttribute("reference", reference);
        model.addAttribute("against", heard.isEmpty() ? null : heard.get(0).against(reference));
        model.addAttribute("exposure", exposure.of(vat, seen).orElse(null));
        model.addAttribute("experiments", lives.experiments(vat));
        MachineNow now = vat.machine() == null ? null : standings.of(vat.machine());
        model.addAttribute("now", now);
        model.addAttribute(
                "left",
                vat.film() == null ? null : left(vat, settings.defaults().value("uv.share")));
        Map<String, Double> pace = now == null ? Map.of() : Map.of(vat.machine(), now.hoursPerDay());
        model.addAttribute(
                "strips",
                CarrierStrips.of(
                        List.of(vat),
                        vats.films(List.of(vat)),
                        pace,
                        settings.defaults().value("uv.share"),
                        clock.instant(),
                        settings.zone()));
        model.addAttribute("where", vats.machines(List.of(vat)).getOrDefault(vat.id(), List.of()));
        model.addAttribute(
                "fits",
                fleet.machines().stream()
                        .filter(m ->
                                !m.retired() && m.model().equals(vat.model().code()))
                        .toList());
        return "film/vat";
    }

    @GetMapping("/vats/{code}/inspect")
    String inspect(@PathVariable String code, @RequestParam(required = false) String take, Model model) {
        Vats.Vat vat = vats.one(code);
        Map<String, String> form = new LinkedHashMap<>();
        List<FilmLooks.Look> seen =
                vat.film() == null ? List.of() : looks.of(vat.film().id());
        form.put("marks", seen.isEmpty() ? "" : MarkLines.text(seen.get(0).marks()));
        if (take != null && vat.machine() != null) {
            instruments.at(vat.machine()).ifPresent(box -> {
                double x = vat.model().plateWidthMm() / 2;
                double y = vat.model().plateDepthMm() / 2;
                form.put("uvBare", Figures.exact(box.uv(x, y, false)));
                form.put("uvThrough", Figures.exact(box.uv(x, y, true)));
            });
        }
        return inspecting(vat, seen, form, model);
    }

    @PostMapping("/vats/{code}/inspect")
    String inspected(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Vats.Vat vat = vats.one(code);
        try {
            Findings findings = new Findings();
            FilmLooks.LookEntry entry = new FilmLooks.LookEntry(
                    choice(Clouding.values(), typed.get("clouding")),
                    Typed.number(typed.get("uvBare"), "uvBare", findings),
                    Typed.number(typed.get("uvThrough"), "uvThrough", findings),
                    choice(FilmLooks.Leak.values(), typed.get("leak")),
                    MarkLines.read(typed.get("marks"), findings),
                    typed.get("note"));
            Refused.unless(findings);
            looks.write(
                    vat.code(), entry, vat.model().plateWidthMm(), vat.model().plateDepthMm());
            return "redirect:/vats/" + vat.code() + "?looked";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return inspecting(
                    vat, vat.film() == null ? List.of() : looks.of(vat.film().id()), typed, model);
        }
    }

    @PostMapping("/vats/{code}/looks/{id}/withdraw")
    String withdraw(@PathVariable String code, @PathVariable long id, @RequestParam String reason) {
        Vats.Vat vat = vats.one(code);
        looks.withdraw(vat, id, reason);
        return "redirect:/vats/" + vat.code();
    }

    private String inspecting(Vats.Vat vat, List<FilmLooks.Look> seen, Map<String, String> form, Model model) {
        model.addAttribute("v", vat);
        model.addAttribute("form", form);
        model.addAttribute("last", seen.isEmpty() ? null : seen.get(0));
        model.addAttribute("grades", Clouding.values());
        model.addAttribute("kinds", FilmMark.MarkKind.values());
        model.addAttribute("map", FilmMap.of(vat.model(), List.of(), Optional.empty()));
        model.addAttribute(
                "measurable",
                vat.machine() != null && instruments.at(vat.machine()).isPresent());
        return "film/inspect";
    }

    private static <T extends Enum<T>> T choice(T[] values, String name) {
        return Arrays.stream(values)
                .filter(v -> v.name().equals(name))
                .findFirst()
                .orElse(null);
    }
}
