package keel.app.prints.web;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.prints.RunChange;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.order.OrderedRuns;
import keel.app.standing.Footprints;
import keel.core.Findings;
import keel.core.placement.Footprint;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1/runs")
class RunsApi {

    private static final double MOST_MM = 2000;

    private final Runs runs;
    private final OrderedRuns ordered;
    private final Footprints footprints;

    RunsApi(Runs runs, OrderedRuns ordered, Footprints footprints) {
        this.runs = runs;
        this.ordered = ordered;
        this.footprints = footprints;
    }

    record Overridden(String reason) {}

    record Entry(
            String machine,
            String job,
            Instant startedAt,
            Instant endedAt,
            Integer layers,
            Double layerExposureS,
            Double resinMl,
            String outcome,
            Integer reachedLayer,
            @JsonProperty("override") Overridden override,
            Long againOf,
            List<PartEntry> footprint,
            Double usedMl,
            String detail,
            Long order,
            Map<String, Integer> parts) {}

    /** What really went in may be called {@code resinMl} too, as it was before. */
    record Finish(
            Instant endedAt,
            String outcome,
            Integer reachedLayer,
            Double resinMl,
            Double usedMl,
            Map<String, Integer> partsGood) {

        Double used() {
            return usedMl == null ? resinMl : usedMl;
        }
    }

    record Correction(
            String reason,
            String machine,
            String job,
            Instant startedAt,
            Instant endedAt,
            Integer layers,
            Double layerExposureS,
            Double resinMl,
            String outcome,
            Optional<Integer> reachedLayer,
            Boolean withdrawn,
            Integer version,
            Optional<Double> usedMl) {}

    /** A rectangle on the plate, by its middle from the front left, mm. */
    record PartEntry(Double xMm, Double yMm, Double lengthMm, Double widthMm, Integer rotationDeg) {}

    /** Logs a run after the fact, or starts one where {@code endedAt} is missing. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    RunView enter(@RequestBody Entry entry) {
        RunEntry run = new RunEntry(
                entry.machine(),
                entry.job(),
                entry.startedAt(),
                entry.endedAt(),
                entry.layers(),
                entry.layerExposureS(),
                entry.resinMl(),
                entry.outcome(),
                entry.reachedLayer(),
                entry.override() == null ? null : entry.override().reason(),
                null,
                entry.againOf(),
                footprint(entry.footprint()),
                entry.usedMl(),
                detail(entry.detail()));
        return ordered.enter(run, entry.order(), entry.parts());
    }

    private static Detail detail(String said) {
        return said == null
                ? null
                : Detail.named(said).orElseThrow(() -> new Refused("detail", "The detail is ROUGH, USUAL or FINE."));
    }

    @PostMapping("/{id}/finish")
    RunView finish(@PathVariable long id, @RequestBody Finish finish) {
        return ordered.finish(
                id, finish.endedAt(), finish.outcome(), finish.reachedLayer(), finish.used(), finish.partsGood());
    }

    /**
     * Corrects what is given and leaves the rest; a null clears the layer reached and what was measured,
     * {@code withdrawn} takes the run out of all sums. With {@code version}, only if nobody else corrected it since.
     */
    @PostMapping("/{id}/corrections")
    RunView correct(@PathVariable long id, @RequestBody Correction c) {
        return runs.correct(
                id,
                new RunChange(
                        c.machine(),
                        c.job(),
                        c.startedAt(),
                        c.endedAt(),
                        c.layers(),
                        c.layerExposureS(),
                        c.resinMl(),
                        c.outcome(),
                        c.reachedLayer(),
                        c.withdrawn(),
                        c.version(),
                        c.usedMl()),
                c.reason());
    }

    /** What a run covers of its plate; an empty list where nobody said, or where it was told by masks. */
    @GetMapping("/{id}/footprint")
    List<PlacedPart> footprint(@PathVariable long id) {
        runs.one(id);
        return footprints
                .of(id)
                .map(f -> f instanceof Footprint.Parts p ? p.parts() : List.<PlacedPart>of())
                .orElse(List.of());
    }

    /** Says so after the fact; an empty list takes it back. */
    @PutMapping("/{id}/footprint")
    List<PlacedPart> footprint(@PathVariable long id, @RequestBody List<PartEntry> parts) {
        runs.place(id, footprint(parts));
        return footprint(id);
    }

    private static Footprint footprint(List<PartEntry> parts) {
        if (parts == null || parts.isEmpty()) {
            return null;
        }
        Findings findings = new Findings();
        findings.when(
                parts.size() > Footprint.Parts.MOST, "footprint", "More than " + Footprint.Parts.MOST + " rectangles.");
        for (int i = 0; i < parts.size(); i++) {
            PartEntry p = parts.get(i);
            String field = "footprint[" + i + "]";
            if (!findings.when(p == null, field, "A rectangle is missing.")) {
                findings.range(p.xMm(), 0, MOST_MM, field + ".xMm", "Its place from the left", "mm");
                findings.range(p.yMm(), 0, MOST_MM, field + ".yMm", "Its place from the front", "mm");
                findings.range(p.lengthMm(), 0.1, MOST_MM, field + ".lengthMm", "Its length", "mm");
                findings.range(p.widthMm(), 0.1, MOST_MM, field + ".widthMm", "Its width", "mm");
            }
        }
        Refused.unless(findings);
        return new Footprint.Parts(parts.stream()
                .map(p -> new PlacedPart(
                        p.xMm(), p.yMm(), p.lengthMm(), p.widthMm(), p.rotationDeg() == null ? 0 : p.rotationDeg()))
                .toList());
    }

    @GetMapping("/{id}")
    RunView one(@PathVariable long id) {
        return runs.one(id);
    }

    /** Newest first; {@code from} inclusive, {@code to} exclusive, by their start. */
    @GetMapping
    List<RunView> list(
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) Instant from,
            @RequestParam(required = false) Instant to,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "200") int size) {
        return runs.list(machine, from, to, null, Paging.of(page, size));
    }
}
