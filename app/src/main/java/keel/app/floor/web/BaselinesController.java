package keel.app.floor.web;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.floor.Baselines;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.standing.Baseline;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Machines by baselines: when each was taken, and where it is. */
@Controller
class BaselinesController {

    private final Baselines baselines;
    private final Standings standings;

    BaselinesController(Baselines baselines, Standings standings) {
        this.baselines = baselines;
        this.standings = standings;
    }

    @GetMapping("/bench/baselines")
    String grid(Model model) {
        List<Baselines.Line> lines = baselines.of(standings.all());
        model.addAttribute("lines", lines);
        model.addAttribute(
                "paths",
                lines.stream().collect(Collectors.toMap(l -> l.machine().code(), l -> paths(l.machine()))));
        model.addAttribute(
                "kinds",
                Baselines.kinds().stream()
                        .filter(b -> lines.isEmpty() || lines.stream().anyMatch(l -> l.isFor(b)))
                        .toList());
        model.addAttribute("waived", baselines.waived());
        return "floor/baselines";
    }

    @PostMapping("/bench/baselines/{about}")
    String waive(@PathVariable String about, @RequestParam boolean waived) {
        baselines.waive(
                Arrays.stream(Baseline.values())
                        .filter(b -> b.name().equals(about))
                        .findFirst()
                        .orElseThrow(() -> new NotThere("There is no baseline called " + about + ".")),
                waived);
        return "redirect:/bench/baselines";
    }

    private static Map<Baseline, String> paths(MachineNow m) {
        Map<Baseline, String> paths = new EnumMap<>(Baseline.class);
        Baseline.of(m.kind()).forEach(b -> paths.put(b, path(m, b)));
        return paths;
    }

    /** Where it is taken; null where it cannot be: no vat is on. */
    private static String path(MachineNow m, Baseline about) {
        String machine = "/machines/" + m.code();
        return switch (about) {
            case STANCE -> machine + "/stance";
            case PICTURE -> machine + "/screen";
            case UV_MAP -> machine + "/uv";
            case TONE -> m.vat() == null ? null : "/vats/" + m.vat().code() + "/tone";
            case TIMING -> machine + "/guides/dry-run";
            case SCALE -> machine + "/profiles";
        };
    }
}
