package keel.app.screen.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Figures;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Instruments;
import keel.app.prints.Pair;
import keel.app.prints.Profiles;
import keel.app.screen.UvMaps;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.light.ExposureForLight;
import keel.core.light.LightAgeing;
import keel.core.light.UvMap;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A machine's UV map: readings over the plate, how even, how it fades, what exposure makes up for it. */
@Controller
class UvController {

    private static final int MOST_DEEP = 5;

    private final Standings standings;
    private final UvMaps maps;
    private final Profiles profiles;
    private final Instruments instruments;

    UvController(Standings standings, UvMaps maps, Profiles profiles, Instruments instruments) {
        this.standings = standings;
        this.maps = maps;
        this.profiles = profiles;
        this.instruments = instruments;
    }

    /** How many readings across and deep. */
    enum Grid {
        NINE(3, 3),
        FIFTEEN(5, 3),
        TWENTY_FIVE(5, 5);

        private final int across;
        private final int deep;

        Grid(int across, int deep) {
            this.across = across;
            this.deep = deep;
        }

        public int across() {
            return across;
        }

        public int deep() {
            return deep;
        }

        public String words() {
            return across * deep + " places";
        }
    }

    /** A place to put the meter, in the middle of its field; {@code name} that of its field in the form. */
    record Place(String name, double xMm, double yMm) {}

    /**
     * A profile with the exposure that gives its dose under the light of now; {@code thenAt} is the day of the map that
     * stands for the light of then.
     */
    record Compensated(Pair profile, Instant thenAt, ExposureForLight exposure) {}

    @GetMapping("/machines/{code}/uv")
    String uv(
            @PathVariable String code,
            @RequestParam(defaultValue = "NINE") Grid grid,
            @RequestParam(required = false) String take,
            Model model) {
        MachineNow m = standings.of(code);
        Map<String, String> form = new HashMap<>();
        if (take != null) {
            instruments.at(code).ifPresent(box -> places(m, grid).stream()
                    .flatMap(List::stream)
                    .forEach(p -> form.put(p.name(), Figures.exact(box.uv(p.xMm(), p.yMm(), false)))));
        }
        return show(m, grid, form, model);
    }

    @PostMapping("/machines/{code}/uv")
    String keep(
            @PathVariable String code,
            @RequestParam Grid grid,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        MachineNow m = standings.of(code);
        try {
            Findings findings = new Findings();
            List<UvMap.Reading> readings = new ArrayList<>();
            places(m, grid).stream().flatMap(List::stream).forEach(p -> {
                Double light = Typed.number(typed.get(p.name()), p.name(), findings);
                if (light != null) {
                    readings.add(new UvMap.Reading(p.xMm(), p.yMm(), light));
                }
            });
            Refused.unless(findings);
            maps.keep(m, readings);
            return "redirect:/machines/" + code + "/uv";
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return show(m, grid, typed, model);
        }
    }

    @PostMapping("/machines/{code}/uv/{id}/withdraw")
    String withdraw(@PathVariable String code, @PathVariable long id) {
        maps.withdraw(standings.of(code), id);
        return "redirect:/machines/" + code + "/uv";
    }

    /** Rows from the back of the plate to its front; each place is the middle of one of so many equal fields. */
    private static List<List<Place>> places(MachineNow m, Grid grid) {
        List<List<Place>> rows = new ArrayList<>();
        for (int row = grid.deep() - 1; row >= 0; row--) {
            List<Place> places = new ArrayList<>();
            for (int column = 0; column < grid.across(); column++) {
                places.add(new Place(
                        "r" + (row * MOST_DEEP + column),
                        (column + 0.5) * m.plateWidthMm() / grid.across(),
                        (row + 0.5) * m.plateDepthMm() / grid.deep()));
            }
            rows.add(places);
        }
        return rows;
    }

    private List<Compensated> compensated(MachineNow m, List<UvMaps.Kept> all) {
        if (all.isEmpty()) {
            return List.of();
        }
        return profiles.ofMachine(m.code()).stream()
                .flatMap(p -> then(all, p.since())
                        .map(then -> new Compensated(
                                p,
                                then.at(),
                                ExposureForLight.of(
                                        p.exposureS(),
                                        then.map().mean(),
                                        all.get(0).map(),
                                        m.hasScreen())))
                        .stream())
                .toList();
    }

    /** The map nearest to when the profile's version was written. */
    private static Optional<UvMaps.Kept> then(List<UvMaps.Kept> all, Instant since) {
        return all.stream()
                .min(Comparator.comparing(k -> Duration.between(k.at(), since).abs()));
    }

    private String show(MachineNow m, Grid grid, Map<String, String> form, Model model) {
        List<UvMaps.Kept> all = maps.of(m);
        LightAgeing ageing = UvMaps.ageing(all).orElse(null);
        model.addAttribute("m", m);
        model.addAttribute("grid", grid);
        model.addAttribute("grids", Grid.values());
        model.addAttribute("places", places(m, grid));
        model.addAttribute("form", form);
        model.addAttribute("maps", all);
        model.addAttribute("last", all.isEmpty() ? null : all.get(0));
        model.addAttribute("ageing", ageing);
        model.addAttribute("down", ageing == null ? null : ageing.reaches(0.8).orElse(null));
        model.addAttribute("compensated", compensated(m, all));
        model.addAttribute("drawing", UvDrawing.of(m.plateWidthMm(), m.plateDepthMm(), all));
        model.addAttribute("measurable", instruments.at(m.code()).isPresent());
        return "screen/uv";
    }
}
