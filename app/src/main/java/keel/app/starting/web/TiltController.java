package keel.app.starting.web;

import java.util.Arrays;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.starting.Estimate;
import keel.app.starting.Gates;
import keel.core.Findings;
import keel.core.exposure.TiltedPart;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** How tall a part stands at a tilt, and how long it takes then: beside the job at the start gate. */
@Controller
class TiltController {

    private static final double[] STEPS = {0, 15, 30, 45};
    private static final double LONGEST_PX = 84;

    private final Gates gates;
    private final Standings standings;
    private final Fleet fleet;

    TiltController(Gates gates, Standings standings, Fleet fleet) {
        this.gates = gates;
        this.standings = standings;
        this.fleet = fleet;
    }

    /** One tilt, with the sides of the part as they are drawn, px. */
    record Tilted(
            double degrees,
            double heightMm,
            Integer layers,
            Double seconds,
            boolean tooTall,
            double longPx,
            double shortPx) {}

    @GetMapping("/machines/{code}/tilt")
    String tilt(
            @PathVariable String code,
            @RequestParam(required = false) String length,
            @RequestParam(required = false) String height,
            Model model) {
        model.addAttribute("machine", fleet.machine(code));
        model.addAttribute("length", length);
        model.addAttribute("height", height);
        try {
            Findings findings = new Findings();
            Double lengthMm = Typed.number(length, "length", findings);
            Double heightMm = Typed.number(height, "height", findings);
            Refused.unless(findings);
            if (lengthMm != null && heightMm != null) {
                MachineNow m = standings.of(code);
                TiltedPart part = new TiltedPart(lengthMm, heightMm);
                model.addAttribute(
                        "tilts",
                        Arrays.stream(STEPS).mapToObj(d -> tilted(m, part, d)).toList());
            }
        } catch (Refused e) {
            model.addAttribute("why", e.getMessage());
        } catch (IllegalArgumentException e) {
            model.addAttribute("why", e.getMessage());
        }
        return "starting/tilt";
    }

    private Tilted tilted(MachineNow m, TiltedPart part, double degrees) {
        double tall = part.heightAt(degrees);
        double scale = LONGEST_PX / Math.max(part.lengthMm(), part.heightMm());
        Estimate one = gates.estimate(m, 1, null);
        Integer layers =
                one == null || one.layerMm() == null ? null : Integer.valueOf(part.layersAt(degrees, one.layerMm()));
        Estimate estimate = layers == null ? null : gates.estimate(m, layers, null);
        return new Tilted(
                degrees,
                tall,
                layers,
                estimate == null ? null : Double.valueOf(estimate.seconds()),
                tall > m.plateHeightMm(),
                part.lengthMm() * scale,
                part.heightMm() * scale);
    }
}
