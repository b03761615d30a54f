package keel.app.guides.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.film.FilmLooks;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.guides.Guidebook;
import keel.app.guides.Guides;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.film.ChangeAsked;
import keel.core.guide.LearnedMinutes;
import keel.core.guide.Procedure;
import keel.core.guide.SittingTime;
import keel.core.standing.Defaults;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Several vats in one sitting: which of them, what to have at hand, how long it takes. */
@Controller
class SittingController {

    private final Guides guides;
    private final Guidebook guidebook;
    private final Vats vats;
    private final FilmLooks looks;
    private final Standings standings;
    private final Fleet fleet;
    private final ShopSettings settings;

    SittingController(
            Guides guides,
            Guidebook guidebook,
            Vats vats,
            FilmLooks looks,
            Standings standings,
            Fleet fleet,
            ShopSettings settings) {
        this.guides = guides;
        this.guidebook = guidebook;
        this.vats = vats;
        this.looks = looks;
        this.standings = standings;
        this.fleet = fleet;
        this.settings = settings;
    }

    /** A vat that may be among them; {@code why} is empty where nothing asks for it. */
    record Choice(Vats.Vat vat, String why, boolean running, boolean chosen) {}

    @GetMapping("/bench/batch")
    String choose(
            @RequestParam(defaultValue = "film-change") String procedure,
            @RequestParam(required = false) List<String> vats,
            Model model) {
        Procedure p = guidebook.called(procedure);
        List<Choice> choices = choices(vats);
        SittingTime time = SittingTime.of(
                guidebook.usually(p.code()).map(LearnedMinutes::minutes).orElse((double) p.minutes()),
                guidebook.minutesAVat(p.code()).map(LearnedMinutes::minutes).orElse(null));
        int chosen = (int) choices.stream().filter(Choice::chosen).count();
        model.addAttribute("p", p);
        model.addAttribute("choices", choices);
        model.addAttribute("time", time);
        model.addAttribute("chosen", chosen);
        model.addAttribute("follows", follows(p, choices));
        if (p.code().equals("film-change") && chosen > 0) {
            model.addAttribute("lampMinutes", chosen * settings.defaults().value("vat.cureMinutes"));
            model.addAttribute("daylightMinutes", settings.defaults().value("vat.daylightMinutes"));
        }
        return "guides/sitting";
    }

    /** What must follow for those that are chosen; on the shelf nothing is level or not. */
    private List<String> follows(Procedure p, List<Choice> choices) {
        return Stream.concat(
                        choices.stream()
                                .filter(c -> c.chosen() && c.vat().machine() != null)
                                .flatMap(c -> p
                                        .mustFollow(
                                                fleet.machine(c.vat().machine()).traits())
                                        .stream()),
                        p.follows().stream())
                .distinct()
                .toList();
    }

    @PostMapping("/bench/batch")
    String begin(
            @RequestParam String procedure,
            @RequestParam(required = false) List<String> vats,
            Model model,
            HttpServletResponse response) {
        try {
            return "redirect:/guides/" + guides.beginSitting(procedure, vats == null ? List.of() : vats);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return choose(procedure, vats == null ? List.of() : vats, model);
        }
    }

    /** The guide for one vat: that of the machine it is on, or a sitting of its own. */
    @GetMapping("/vats/{code}/guides/{procedure}")
    String forVat(@PathVariable String code, @PathVariable String procedure) {
        Vats.Vat vat = vats.one(code);
        guidebook.called(procedure);
        return vat.machine() != null
                ? "redirect:/machines/" + vat.machine() + "/guides/" + procedure
                : "redirect:/bench/batch?procedure=" + procedure + "&vats=" + vat.code();
    }

    private List<Choice> choices(List<String> wanted) {
        Map<Long, FilmLooks.Look> seen = looks.latest();
        Map<String, MachineNow> machines = standings.all().stream().collect(Collectors.toMap(MachineNow::code, m -> m));
        Defaults defaults = settings.defaults();
        List<Choice> choices = new ArrayList<>();
        for (Vats.Vat vat : vats.all(false)) {
            if (!vat.tank()) {
                String why = why(
                        vat,
                        vat.film() == null ? null : seen.get(vat.film().id()),
                        machines.get(vat.machine()),
                        defaults);
                boolean running = vat.machine() != null
                        && machines.get(vat.machine()) != null
                        && machines.get(vat.machine()).run() != null;
                choices.add(new Choice(
                        vat, why, running, wanted != null ? wanted.contains(vat.code()) : !why.isEmpty() && !running));
            }
        }
        choices.sort(Comparator.comparing((Choice c) -> c.why().isEmpty()));
        return choices;
    }

    private static String why(Vats.Vat vat, FilmLooks.Look look, MachineNow machine, Defaults defaults) {
        if (vat.film() == null) {
            return "no film in it";
        }
        boolean stopGap = machine != null
                && machine.standing().concerns().stream()
                        .anyMatch(c -> c.about().equals("stop-gap"));
        return new ChangeAsked(
                        vat.film().endedAt() == null
                                ? null
                                : String.valueOf(vat.film().endReason()),
                        stopGap,
                        vat.filmUse(),
                        look == null ? null : look.grade())
                .why(defaults, vat.film().usage().uvShare(defaults.value("uv.share")));
    }
}
