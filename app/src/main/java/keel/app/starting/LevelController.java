package keel.app.starting;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.problems.Conflict;
import keel.app.problems.PageErrors;
import keel.app.problems.Refused;
import keel.app.problems.Typed;
import keel.core.Findings;
import keel.core.plate.PlateLevel;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page that judges a plate from gauge readings: nine places from above, what they say, and what to press or sand. */
@Controller
class LevelController {

    private static final double[] SHARES = {0.08, 0.5, 0.92};
    private static final String[] ROWS = {"front", "middle", "back"};
    private static final String[] COLUMNS = {"left", "middle", "right"};

    private final Levels levels;
    private final Fleet fleet;

    LevelController(Levels levels, Fleet fleet) {
        this.levels = levels;
        this.fleet = fleet;
    }

    /** A place where a reading may be taken: mm on the plate, and its field. */
    record Place(String field, String name, double xMm, double yMm) {}

    @GetMapping("/machines/{code}/level")
    String ask(@PathVariable String code, Model model) {
        return show(fleet.machine(code), Map.of(), model);
    }

    /** Judges the readings; with {@code keep} writes the levelling down. */
    @PostMapping("/machines/{code}/level")
    String judge(@PathVariable String code, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        MachineRef machine = fleet.machine(code);
        try {
            List<PlateLevel.Reading> readings = readings(machine, typed);
            PlateLevel level = judged(machine, readings, typed);
            if (typed.containsKey("keep")) {
                levels.keep(code, readings, level);
                return "redirect:/machines/" + code + "/level?kept";
            }
            model.addAttribute("level", level);
            model.addAttribute("drawing", LevelDrawing.of(level, machine.plateWidthMm(), machine.plateDepthMm()));
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        }
        return show(machine, typed, model);
    }

    private PlateLevel judged(MachineRef machine, List<PlateLevel.Reading> readings, Map<String, String> typed) {
        Findings findings = new Findings();
        double gauge = Typed.number(typed.get("gaugeSdMm"), PlateLevel.USUAL_GAUGE_SD_MM, "gaugeSdMm", findings);
        Refused.unless(findings);
        try {
            return levels.judge(machine, readings, gauge);
        } catch (IllegalArgumentException e) {
            throw new Refused("", e.getMessage());
        }
    }

    private static List<PlateLevel.Reading> readings(MachineRef machine, Map<String, String> typed) {
        Findings findings = new Findings();
        List<PlateLevel.Reading> readings = new ArrayList<>();
        for (Place place : places(machine)) {
            Double z = Typed.number(typed.get(place.field()), place.field(), findings);
            if (z != null) {
                readings.add(new PlateLevel.Reading(place.xMm(), place.yMm(), z));
            }
        }
        Refused.unless(findings);
        return readings;
    }

    /** Back row first, as the plate is seen from above with its front below. */
    private static List<Place> places(MachineRef machine) {
        List<Place> places = new ArrayList<>();
        for (int row = 2; row >= 0; row--) {
            for (int column = 0; column < 3; column++) {
                places.add(new Place("z" + row + column, ROWS[row] + " " + COLUMNS[column], SHARES[column] * machine.plateWidthMm(), SHARES[row] * machine.plateDepthMm()));
            }
        }
        return places;
    }

    private String show(MachineRef machine, Map<String, String> typed, Model model) {
        model.addAttribute("machine", machine);
        model.addAttribute("places", places(machine));
        model.addAttribute("typed", typed);
        model.addAttribute("earlier", levels.earlier(machine));
        return "starting/level";
    }
}
