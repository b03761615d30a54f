package keel.app.starting.web;

import java.util.ArrayList;
import java.util.List;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.starting.Outlooks;
import keel.core.Findings;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is to be expected of a machine's parts in a job, for programs. */
@RestController
@RequestMapping("/api/v1")
class OutlookApi {

    private static final double MOST_HOURS = 1000;
    private static final int MOST_LAYERS = 100_000;

    private final Outlooks outlooks;
    private final Fleet fleet;

    OutlookApi(Outlooks outlooks, Fleet fleet) {
        this.outlooks = outlooks;
        this.fleet = fleet;
    }

    /**
     * @param hours of printing; by the layers and the profile where left out, else a typical job
     * @param footprint "xMm,yMm,lengthMm,widthMm" of the job on the plate, its middle from the front left corner, or
     *     "lengthMm x widthMm" in the middle of the plate
     * @param detail ROUGH, USUAL or FINE
     */
    @GetMapping("/machines/{code}/outlook")
    Outlooks.Outlook outlook(
            @PathVariable String code,
            @RequestParam(required = false) Double hours,
            @RequestParam(required = false) Integer layers,
            @RequestParam(required = false) String footprint,
            @RequestParam(defaultValue = "USUAL") String detail) {
        Findings findings = new Findings();
        findings.rangeIfGiven(hours, 0, MOST_HOURS, "hours", "The hours", "h");
        findings.when(
                layers != null && (layers < 1 || layers > MOST_LAYERS), "layers", "Layers: 1 to " + MOST_LAYERS + ".");
        Detail needs = Detail.named(detail).orElse(null);
        findings.when(needs == null, "detail", "The detail is ROUGH, USUAL or FINE.");
        List<Double> lengths = lengths(footprint, findings);
        Refused.unless(findings);
        return outlooks.of(code, new Outlooks.Job(hours, layers, needs, covers(code, lengths)));
    }

    private List<PlacedPart> covers(String code, List<Double> lengths) {
        if (lengths.isEmpty()) {
            return List.of();
        }
        MachineRef ref = fleet.machine(code);
        boolean placed = lengths.size() == 4;
        return List.of(new PlacedPart(
                placed ? lengths.get(0) : ref.plateWidthMm() / 2,
                placed ? lengths.get(1) : ref.plateDepthMm() / 2,
                lengths.get(placed ? 2 : 0),
                lengths.get(placed ? 3 : 1),
                0));
    }

    private static List<Double> lengths(String footprint, Findings findings) {
        List<Double> lengths = new ArrayList<>();
        if (footprint == null || footprint.isBlank()) {
            return lengths;
        }
        for (String side : footprint.strip().split("\\s*[x×,;]\\s*")) {
            try {
                lengths.add(Double.valueOf(side));
            } catch (NumberFormatException e) {
                findings.add("footprint", "This is no length: " + side + ".");
            }
        }
        findings.when(
                lengths.size() != 2 && lengths.size() != 4,
                "footprint",
                "A footprint is a length and a width, or x and y of its middle before them; mm.");
        lengths.forEach(
                l -> findings.when(!(l >= 0 && l <= 2000), "footprint", "Lengths of a footprint are 0 to 2000 mm."));
        lengths.stream()
                .skip(Math.max(0, lengths.size() - 2))
                .forEach(
                        l -> findings.when(l == 0, "footprint", "Length and width of a footprint are more than 0 mm."));
        return lengths;
    }
}
