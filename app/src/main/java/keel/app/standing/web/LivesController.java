package keel.app.standing.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import keel.app.base.EditedMeanwhile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.app.standing.ChangeSchools;
import keel.app.standing.PartLives;
import keel.core.life.ChangeSchool;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** How long parts last here, and when to change them. */
@Controller
class LivesController {

    private final PartLives lives;
    private final ChangeSchools schools;
    private final ShopSettings settings;

    LivesController(PartLives lives, ChangeSchools schools, ShopSettings settings) {
        this.lives = lives;
        this.schools = schools;
        this.settings = settings;
    }

    /** A group with its drawing. */
    record Shown(PartLives.Group g, LifeDrawing drawing) {}

    /** A kind with its groups and the figures that its costs are made of. */
    record ShownKind(PartLives.LivesOfKind k, List<Shown> groups, List<Defaults.Figure> figures) {}

    @GetMapping("/bench/lives")
    String lives(Model model) {
        Defaults defaults = settings.defaults();
        model.addAttribute(
                "kinds",
                lives.kinds().stream()
                        .map(k -> new ShownKind(
                                k,
                                k.groups().stream()
                                        .map(g -> new Shown(g, LifeDrawing.of(g)))
                                        .toList(),
                                figures(k.costs(), defaults)))
                        .toList());
        return "standing/lives";
    }

    private static List<Defaults.Figure> figures(ChangeCosts costs, Defaults defaults) {
        List<String> codes = Stream.concat(costs.planned().stream(), costs.besides().stream())
                .flatMap(l -> l.figures().stream())
                .distinct()
                .toList();
        return defaults.figures().stream().filter(f -> codes.contains(f.code())).toList();
    }

    /** By which school a kind is changed from now on. */
    @PostMapping("/bench/lives/{kind}/school")
    String school(@PathVariable PartUse.UsedPart kind, @RequestParam ChangeSchool school) {
        schools.choose(kind, school);
        return "redirect:/bench/lives#" + kind.prefix();
    }

    /** What a change of a kind costs. */
    @PostMapping("/bench/lives/{kind}/costs")
    String costs(
            @PathVariable PartUse.UsedPart kind,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            settings.changeDefaults(typed);
            return "redirect:/bench/lives#" + kind.prefix();
        } catch (Refused | EditedMeanwhile e) {
            PageErrors.show(e, model, response);
            model.addAttribute("typed", typed);
            model.addAttribute("open", kind);
            return lives(model);
        }
    }
}
