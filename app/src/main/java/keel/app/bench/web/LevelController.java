package keel.app.bench.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Figures;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.bench.Levels;
import keel.app.bench.Screws;
import keel.app.fleet.Fleet;
import keel.app.fleet.Instruments;
import keel.app.fleet.MachineRef;
import keel.core.Findings;
import keel.core.plate.PaperDrag;
import keel.core.plate.PlateLevel;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * The page that judges a plate from gauge readings: nine places from above, what they say, and what to press or sand.
 */
@Controller
class LevelController {

    private static final double FIRST = 0.08;
    private static final double LAST = 0.92;
    private static final List<String> ROWS = List.of("front", "near the front", "middle", "near the back", "back");
    private static final List<String> COLUMNS = List.of("left", "half left", "middle", "half right", "right");

    private final Levels levels;
    private final Fleet fleet;
    private final Instruments instruments;

    LevelController(Levels levels, Fleet fleet, Instruments instruments) {
        this.levels = levels;
        this.fleet = fleet;
        this.instruments = instruments;
    }

    /** A place where a reading may be taken: mm on the plate, and its field. */
    record Place(String field, String name, double xMm, double yMm) {}

    @GetMapping("/machines/{code}/level")
    String ask(@PathVariable String code, @RequestParam Map<String, String> asked, Model model) {
        MachineRef machine = fleet.machine(code);
        return show(machine, asked.containsKey("take") ? taken(machine, asked) : asked, model);
    }

    /** The form with what the demo's gauge, or its paper, shows at each place. */
    private Map<String, String> taken(MachineRef machine, Map<String, String> asked) {
        Map<String, String> typed = new LinkedHashMap<>(asked);
        instruments.at(machine.code()).ifPresent(tools -> places(machine, side(asked))
                .forEach(p -> typed.put(
                        p.field(),
                        byDrag(asked)
                                ? tools.drag(p.xMm(), p.yMm()).name()
                                : Figures.exact(tools.gauge(p.xMm(), p.yMm())))));
        return typed;
    }

    /** Judges the readings; with {@code keep} writes the levelling down. */
    @PostMapping("/machines/{code}/level")
    String judge(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        MachineRef machine = fleet.machine(code);
        try {
            Findings findings = new Findings();
            List<PlateLevel.Reading> readings = readings(machine, typed, findings);
            double gauge = Typed.number(
                    typed.get("gaugeSdMm"),
                    byDrag(typed) ? PaperDrag.SD_MM : PlateLevel.USUAL_GAUGE_SD_MM,
                    "gaugeSdMm",
                    findings);
            Refused.unless(findings);
            PlateLevel level = levels.judge(machine, readings, gauge);
            List<Screws.Turn> turns = Screws.of(machine, level, typed, findings);
            Refused.unless(findings);
            if (typed.containsKey("keep")) {
                levels.keep(code, readings, gauge, level);
                return "redirect:/machines/" + code + "/level?kept";
            }
            model.addAttribute("level", level);
            model.addAttribute("turns", turns);
            model.addAttribute("drawing", LevelDrawing.of(level, machine.plateWidthMm(), machine.plateDepthMm()));
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        } catch (IllegalArgumentException e) {
            PageErrors.show(new Refused("", e.getMessage()), model, response);
        }
        return show(machine, typed, model);
    }

    private static boolean byDrag(Map<String, String> typed) {
        return "drag".equals(typed.get("by"));
    }

    private static List<PlateLevel.Reading> readings(MachineRef machine, Map<String, String> typed, Findings findings) {
        List<PlateLevel.Reading> readings = new ArrayList<>();
        for (Place place : places(machine, side(typed))) {
            Double z = byDrag(typed)
                    ? drag(typed.get(place.field()), place.field(), findings)
                    : Typed.number(typed.get(place.field()), place.field(), findings);
            if (z != null) {
                readings.add(new PlateLevel.Reading(place.xMm(), place.yMm(), z));
            }
        }
        return readings;
    }

    private static Double drag(String text, String field, Findings findings) {
        if (text == null || text.isBlank()) {
            return null;
        }
        try {
            return PaperDrag.valueOf(text).heightMm();
        } catch (IllegalArgumentException e) {
            findings.add(field, "The paper is loose, right or tight, not " + text + ".");
            return null;
        }
    }

    /** Places along a side: three, or five. */
    private static int side(Map<String, String> typed) {
        return "5".equals(typed.get("side")) ? 5 : 3;
    }

    /** Back row first, as the plate is seen from above with its front below. */
    private static List<Place> places(MachineRef machine, int side) {
        List<Place> places = new ArrayList<>();
        for (int row = side - 1; row >= 0; row--) {
            for (int column = 0; column < side; column++) {
                places.add(new Place(
                        "z" + row + column,
                        called(name(ROWS, row, side), name(COLUMNS, column, side)),
                        at(column, side) * machine.plateWidthMm(),
                        at(row, side) * machine.plateDepthMm()));
            }
        }
        return places;
    }

    private static String name(List<String> names, int i, int side) {
        return names.get(side == 5 ? i : 2 * i);
    }

    private static String called(String row, String column) {
        return row.equals(column) ? row : row + " " + column;
    }

    private static double at(int i, int side) {
        return FIRST + (LAST - FIRST) * i / (side - 1);
    }

    private String show(MachineRef machine, Map<String, String> typed, Model model) {
        double layerMm = levels.layerMm(machine);
        List<Levels.Earlier> earlier = levels.earlier(machine);
        model.addAttribute("machine", machine);
        model.addAttribute("side", side(typed));
        model.addAttribute("drag", byDrag(typed));
        model.addAttribute("places", places(machine, side(typed)));
        model.addAttribute("typed", typed);
        model.addAttribute("layerMm", layerMm);
        model.addAttribute("earlier", earlier);
        model.addAttribute("drift", DriftDrawing.of(earlier, machine, layerMm));
        return "bench/level";
    }
}
