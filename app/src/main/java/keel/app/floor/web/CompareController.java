package keel.app.floor.web;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import keel.app.floor.patterns.Comparing;
import keel.core.pattern.Trait;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Two machines, resins, films held against one another. */
@Controller
class CompareController {

    private final Comparing comparing;
    private final PatternSpans spans;

    CompareController(Comparing comparing, PatternSpans spans) {
        this.comparing = comparing;
        this.spans = spans;
    }

    /** @param by a trait, {@code one} and {@code other} of its values; empty for what differs most, and for the rest */
    @GetMapping("/patterns/compare")
    String page(
            @RequestParam(defaultValue = "MACHINE") String by,
            @RequestParam(defaultValue = "") String one,
            @RequestParam(defaultValue = "") String other,
            @RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days,
            Model model) {
        Instant from = spans.from(days);
        Trait trait = Arrays.stream(Trait.values())
                .filter(t -> t.name().equals(by))
                .findFirst()
                .orElse(Trait.MACHINE);
        Comparing.Compare compare = comparing.of(trait, one, other, from);
        model.addAttribute("c", compare);
        model.addAttribute("traits", comparing.traits(from));
        model.addAttribute("drawing", compare.compared() == null ? null : drawing(compare));
        model.addAttribute("days", spans.days(days));
        model.addAttribute("spans", spans.all());
        return "floor/compare";
    }

    private static SharesDrawing drawing(Comparing.Compare c) {
        return SharesDrawing.of(List.of(
                new SharesDrawing.Share(c.one().name(), c.compared().first(), true),
                new SharesDrawing.Share(c.second(), c.compared().second(), false)));
    }
}
