package keel.app.prints.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Figures;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Instruments;
import keel.app.prints.Calibrations;
import keel.app.prints.Profiles;
import keel.core.Findings;
import keel.core.exposure.WorkingCurve;
import keel.core.scale.ScaleCorrection;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages that calibrate a resin on a machine: thickness test and scale. */
@Controller
@RequestMapping("/machines/{code}/profiles/{resin}")
class CalibrationController {

    private static final int ROWS = 6;
    private static final double[] TIMES = {0.5, 1, 2, 4};
    private static final double SHORT_MM = 15;
    private static final double LONG_MM = 60;

    private final Profiles profiles;
    private final Calibrations calibrations;
    private final Instruments instruments;

    CalibrationController(Profiles profiles, Calibrations calibrations, Instruments instruments) {
        this.profiles = profiles;
        this.calibrations = calibrations;
        this.instruments = instruments;
    }

    @GetMapping("/curve")
    String askCurve(
            @PathVariable String code,
            @PathVariable String resin,
            @RequestParam(required = false) String take,
            Model model) {
        return show("prints/curve", code, resin, take == null ? Map.of() : thicknesses(code, resin), model);
    }

    /** Fits the working curve; with {@code keep} writes it down. */
    @PostMapping("/curve")
    String curve(
            @PathVariable String code,
            @PathVariable String resin,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            List<WorkingCurve.Point> points = pairs(typed, "exposure", "depth").stream()
                    .map(p -> new WorkingCurve.Point(p[0], p[1]))
                    .toList();
            Findings findings = new Findings();
            Double wanted = Typed.number(typed.get("wanted"), "wanted", findings);
            Refused.unless(findings);
            WorkingCurve curve = WorkingCurve.fit(points);
            if (typed.containsKey("keep")) {
                calibrations.keep(profiles.of(code, resin), points, curve);
                return "redirect:/machines/" + code + "/profiles/" + resin + "?kept";
            }
            model.addAttribute("curve", curve);
            model.addAttribute("exposure", wanted == null ? null : curve.exposureFor(wanted));
            model.addAttribute("drawing", CurveDrawing.of(points, curve, wanted));
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        } catch (IllegalArgumentException e) {
            PageErrors.show(new Refused("", e.getMessage()), model, response);
        }
        return show("prints/curve", code, resin, typed, model);
    }

    @GetMapping("/scale")
    String askScale(
            @PathVariable String code,
            @PathVariable String resin,
            @RequestParam(required = false) String take,
            Model model) {
        return show("prints/scale", code, resin, take == null ? Map.of() : lengths(code), model);
    }

    /**
     * Half, once, twice and four times the layer exposure, under the demo's micrometer; what did not set cannot be
     * measured.
     */
    private Map<String, String> thicknesses(String code, String resin) {
        Map<String, String> typed = new HashMap<>();
        instruments.at(code).ifPresent(tools -> {
            for (int i = 0; i < TIMES.length; i++) {
                double exposure = Math.round(100 * TIMES[i] * tools.exposureS(resin)) / 100.0;
                double depth = tools.thickness(resin, exposure);
                if (depth > 0) {
                    typed.put("exposure" + i, Figures.exact(exposure));
                    typed.put("depth" + i, Figures.exact(depth));
                }
            }
        });
        return typed;
    }

    /** Two lengths, each three times, under the demo's calipers. */
    private Map<String, String> lengths(String code) {
        Map<String, String> typed = new HashMap<>();
        instruments.at(code).ifPresent(tools -> {
            for (int i = 0; i < ROWS; i++) {
                double nominal = i < ROWS / 2 ? SHORT_MM : LONG_MM;
                typed.put("nominal" + i, Figures.exact(nominal));
                typed.put("measured" + i, Figures.exact(tools.calipers(nominal, i)));
            }
        });
        return typed;
    }

    /** Works the scale out; with {@code keep} writes it down. */
    @PostMapping("/scale")
    String scale(
            @PathVariable String code,
            @PathVariable String resin,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            List<ScaleCorrection.Measurement> lengths = pairs(typed, "nominal", "measured").stream()
                    .map(p -> new ScaleCorrection.Measurement(p[0], p[1]))
                    .toList();
            ScaleCorrection scale = ScaleCorrection.of(lengths, step(typed));
            if (typed.containsKey("keep")) {
                calibrations.keep(profiles.of(code, resin), lengths, scale);
                return "redirect:/machines/" + code + "/profiles/" + resin + "?kept";
            }
            model.addAttribute("scale", scale);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        } catch (IllegalArgumentException e) {
            PageErrors.show(new Refused("", e.getMessage()), model, response);
        }
        return show("prints/scale", code, resin, typed, model);
    }

    private static double step(Map<String, String> typed) {
        Findings findings = new Findings();
        double step = Typed.number(typed.get("stepMm"), ScaleCorrection.USUAL_STEP_MM, "stepMm", findings);
        findings.range(step, 0, 1, "stepMm", "The step of the calipers", "mm");
        Refused.unless(findings);
        return step;
    }

    /** Rows of two numbers; an empty row is skipped, half a row is refused. */
    private static List<double[]> pairs(Map<String, String> typed, String first, String second) {
        Findings findings = new Findings();
        List<double[]> pairs = new ArrayList<>();
        for (int i = 0; i < ROWS; i++) {
            Double a = Typed.number(typed.get(first + i), first + i, findings);
            Double b = Typed.number(typed.get(second + i), second + i, findings);
            if (a != null && b != null) {
                pairs.add(new double[] {a, b});
            }
            findings.when(
                    (a == null) != (b == null) && findings.none(), first + i, "Row " + (i + 1) + " is half empty.");
        }
        Refused.unless(findings);
        return pairs;
    }

    private String show(String page, String code, String resin, Map<String, String> typed, Model model) {
        model.addAttribute("p", profiles.of(code, resin));
        model.addAttribute("typed", typed);
        model.addAttribute("rows", ROWS);
        return page;
    }
}
