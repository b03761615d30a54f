package keel.app.starting.web;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import keel.app.base.Refused;
import keel.app.starting.DentsUnder;
import keel.app.starting.Outlooks;
import keel.core.Findings;
import keel.core.condition.Detail;
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
    private final DentsUnder dents;

    OutlookApi(Outlooks outlooks, DentsUnder dents) {
        this.outlooks = outlooks;
        this.dents = dents;
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
        Detail needs = Arrays.stream(Detail.values())
                .filter(d -> d.name().equals(detail.toUpperCase(Locale.ROOT)))
                .findFirst()
                .orElse(null);
        findings.when(needs == null, "detail", "The detail is ROUGH, USUAL or FINE.");
        List<Double> lengths = lengths(footprint, findings);
        Refused.unless(findings);
        return outlooks.of(code, new Outlooks.Job(hours, layers, needs, dents.under(code, lengths)));
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
        lengths.forEach(l -> findings.when(
                Double.isNaN(l) || Double.isInfinite(l) || l < 0 || l > 2000,
                "footprint",
                "Lengths of a footprint are 0 to 2000 mm."));
        return lengths;
    }
}
