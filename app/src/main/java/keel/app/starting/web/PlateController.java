package keel.app.starting.web;

import java.util.List;
import keel.app.starting.Plate;
import keel.app.starting.PlateView;
import keel.app.starting.Plates;
import keel.core.Findings;
import keel.core.placement.FootprintWords;
import keel.core.placement.PlacedPart;
import keel.core.placement.Placement;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of a plate: where it is worn, and where the next job is best put. */
@Controller
class PlateController {

    private final Plates plates;

    PlateController(Plates plates) {
        this.plates = plates;
    }

    @GetMapping("/machines/{code}/plate")
    String plate(
            @PathVariable String code,
            @RequestParam(required = false) String footprint,
            @RequestParam(defaultValue = "BOTH") PlateView.Which show,
            @RequestParam(defaultValue = "false") boolean peels,
            Model model) {
        Plate plate = plates.of(code);
        Findings findings = new Findings();
        List<Placement.Size> sizes = FootprintWords.sizes(footprint, "footprint", findings);
        Plates.Advice advice = sizes.isEmpty() ? null : plates.advise(plate, sizes);
        List<PlacedPart> parts = advice == null ? List.of() : advice.parts();
        model.addAttribute("plate", plate);
        model.addAttribute("footprint", footprint);
        model.addAttribute(
                "wrongFootprint",
                findings.list().isEmpty() ? null : findings.list().get(0).message());
        model.addAttribute("advice", advice);
        model.addAttribute("lines", FootprintWords.lines(parts));
        model.addAttribute("places", parts.stream().map(PlateView::words).toList());
        model.addAttribute("view", PlateView.of(plate, show, peels, parts, middle(plate, sizes)));
        model.addAttribute("show", show);
        model.addAttribute("peels", peels);
        return "starting/plate";
    }

    /** A single footprint in the middle of the plate, as one would put it without thinking. */
    private static List<PlacedPart> middle(Plate plate, List<Placement.Size> sizes) {
        return sizes.size() != 1
                ? List.of()
                : List.of(new PlacedPart(
                        plate.cells().lengthMm() / 2,
                        plate.cells().widthMm() / 2,
                        sizes.get(0).lengthMm(),
                        sizes.get(0).widthMm(),
                        0));
    }
}
