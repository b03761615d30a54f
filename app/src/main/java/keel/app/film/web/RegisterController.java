package keel.app.film.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.film.FilmLooks;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.fleet.ShopSettings;
import keel.app.standing.LifeStrip;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.film.ToneComparison;
import keel.core.standing.Defaults;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The bench: every vat with the films that were in it. */
@Controller
class RegisterController {

    private final Vats vats;
    private final FilmLooks looks;
    private final FilmTones tones;
    private final Parts parts;
    private final Shelf shelf;
    private final Fleet fleet;
    private final Standings standings;
    private final ShopSettings settings;
    private final Clock clock;

    RegisterController(
            Vats vats,
            FilmLooks looks,
            FilmTones tones,
            Parts parts,
            Shelf shelf,
            Fleet fleet,
            Standings standings,
            ShopSettings settings,
            Clock clock) {
        this.vats = vats;
        this.looks = looks;
        this.tones = tones;
        this.parts = parts;
        this.shelf = shelf;
        this.fleet = fleet;
        this.standings = standings;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * A vat in the register.
     *
     * @param chance that its film fails in a typical job, null without a film
     */
    record FilmStripLine(
            Vats.Vat vat,
            LifeStrip strip,
            FilmLooks.Look look,
            FilmTones.Tone tone,
            ToneComparison against,
            Double chance) {}

    /** The vats of one model. */
    record Group(Vats.Model model, List<FilmStripLine> lines, long spare) {}

    @GetMapping("/bench")
    String register(@RequestParam(defaultValue = "false") boolean ended, Model model) {
        List<Vats.Vat> all = vats.all(ended);
        Map<String, Double> pace =
                standings.all().stream().collect(Collectors.toMap(MachineNow::code, MachineNow::hoursPerDay));
        Defaults defaults = settings.defaults();
        CarrierStrips strips = CarrierStrips.of(
                all, vats.films(all), pace, defaults.value("uv.share"), clock.instant(), settings.zone());
        Map<Long, FilmLooks.Look> seen = looks.latest();
        Map<Long, FilmTones.Tone> heard = tones.latest();
        Map<String, FilmTones.Reference> references = tones.references();
        Map<Long, List<FilmStripLine>> byModel = new LinkedHashMap<>();
        for (Vats.Vat vat : all) {
            Long film = vat.film() == null ? null : vat.film().id();
            FilmTones.Tone tone = heard.get(film);
            FilmTones.Reference reference = film == null || vat.film().thicknessMm() == null
                    ? null
                    : references.get(FilmTones.key(vat.model().id(), vat.film().thicknessMm()));
            byModel.computeIfAbsent(vat.model().id(), id -> new ArrayList<>())
                    .add(new FilmStripLine(
                            vat,
                            strips.strips().get(vat.id()),
                            seen.get(film),
                            tone,
                            tone == null ? null : tone.against(reference),
                            chance(vat, defaults)));
        }
        model.addAttribute("ended", ended);
        model.addAttribute(
                "groups",
                byModel.values().stream()
                        .map(lines -> new Group(
                                lines.get(0).vat().model(),
                                lines,
                                lines.stream()
                                        .filter(l -> l.vat().machine() == null
                                                && l.vat().endedAt() == null)
                                        .count()))
                        .toList());
        model.addAttribute("strips", strips);
        model.addAttribute("models", fleet.models());
        return "film/register";
    }

    private static Double chance(Vats.Vat vat, Defaults defaults) {
        return vat.film() == null || vat.film().endedAt() != null
                ? null
                : Double.valueOf(vat.filmUse()
                        .failsWithin(
                                defaults.value("job.typicalHours"),
                                vat.film().usage().uvShare(defaults.value("uv.share"))));
    }

    @PostMapping("/bench/vats")
    String addVat(@RequestParam Map<String, String> typed, Model page, HttpServletResponse response) {
        page.addAttribute("typed", typed);
        try {
            Findings findings = new Findings();
            double thicknessMm = Typed.number(typed.get("thicknessMm"), 0.127, "thicknessMm", findings);
            double filmHours = Typed.number(typed.get("filmHours"), 0, "filmHours", findings);
            Refused.unless(findings);
            String material = typed.getOrDefault("material", "");
            return "redirect:/vats/"
                    + shelf.addVat(
                            typed.get("model"),
                            material.isBlank() ? null : new Parts.Sheet(material, thicknessMm),
                            new Parts.Baseline(filmHours, 0, 0, 0));
        } catch (Refused | Conflict e) {
            PageErrors.show(e, page, response);
            return register(false, page);
        }
    }

    @PostMapping("/bench/parts/{code}/condemn")
    String condemn(
            @PathVariable String code, @RequestParam String endReason, @RequestParam(required = false) String vat) {
        parts.condemn(code, endReason);
        return vat != null
                ? "redirect:/vats/" + vats.one(vat).code()
                : code.startsWith("S") ? "redirect:/bench/screens/" + code : "redirect:/bench";
    }
}
