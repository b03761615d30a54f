package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.Footprints;
import keel.app.starting.LayerMasks;
import keel.app.starting.PlateDrawing;
import keel.core.Findings;
import keel.core.placement.Footprint;
import keel.core.placement.FootprintWords;
import keel.core.placement.PlacedPart;
import keel.core.placement.PlateCells;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Says after the fact what a run covered of its plate: drawn, by a preset, or from the masks of its layers. */
@Controller
class FootprintController {

    private final Runs runs;
    private final Fleet fleet;
    private final Footprints footprints;

    FootprintController(Runs runs, Fleet fleet, Footprints footprints) {
        this.runs = runs;
        this.fleet = fleet;
        this.footprints = footprints;
    }

    @GetMapping("/runs/{id}/footprint")
    String footprint(@PathVariable long id, Model model) {
        Footprint kept = footprints.of(id).orElse(null);
        return show(id, kept instanceof Footprint.Parts p ? FootprintWords.lines(p.parts()) : "", kept, model);
    }

    @PostMapping("/runs/{id}/footprint")
    String place(@PathVariable long id, @RequestParam String parts, Model model, HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            List<PlacedPart> read = FootprintWords.parts(parts, "parts", findings);
            findings.when(
                    findings.none() && read.isEmpty(),
                    "parts",
                    "Nothing is drawn yet. Draw a rectangle, or take what is kept away.");
            Refused.unless(findings);
            runs.place(id, new Footprint.Parts(read));
            return "redirect:/runs/" + id;
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return show(id, parts, footprints.of(id).orElse(null), model);
        }
    }

    @PostMapping("/runs/{id}/footprint/masks")
    String masks(
            @PathVariable long id,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "false") boolean mirrored,
            Model model,
            HttpServletResponse response)
            throws IOException {
        try {
            runs.place(id, LayerMasks.read(file, cells(runs.one(id)), mirrored));
            return "redirect:/runs/" + id + "/footprint";
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return footprint(id, model);
        }
    }

    @PostMapping("/runs/{id}/footprint/forget")
    String forget(@PathVariable long id) {
        runs.place(id, null);
        return "redirect:/runs/" + id + "/footprint";
    }

    private PlateCells cells(RunView run) {
        MachineRef m = fleet.machine(run.machine());
        return new PlateCells(m.plateWidthMm(), m.plateDepthMm());
    }

    private String show(long id, String lines, Footprint kept, Model model) {
        RunView run = runs.one(id);
        MachineRef m = fleet.machine(run.machine());
        PlateCells cells = cells(run);
        Findings unread = new Findings();
        List<PlacedPart> parts = FootprintWords.parts(lines, "parts", unread);
        double[] masks = kept instanceof Footprint.Masks ? kept.over(cells).light() : new double[cells.count()];
        model.addAttribute("run", run);
        model.addAttribute("m", m);
        model.addAttribute("lines", lines);
        model.addAttribute("kept", kept != null);
        model.addAttribute("masked", kept instanceof Footprint.Masks);
        model.addAttribute(
                "covers", kept == null ? null : Double.valueOf(kept.over(cells).mean()));
        model.addAttribute(
                "last",
                footprints
                        .last(m.id(), run.job())
                        .map(f -> f instanceof Footprint.Parts p ? FootprintWords.lines(p.parts()) : "")
                        .filter(l -> !l.isEmpty())
                        .orElse(null));
        model.addAttribute("presets", Preset.of(cells));
        model.addAttribute(
                "drawing",
                PlateDrawing.of(
                        cells, masks, List.of(), parts, List.of(), "The plate of " + m.name() + " from above."));
        return "starting/footprint";
    }
}
