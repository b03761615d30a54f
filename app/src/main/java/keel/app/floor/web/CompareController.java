package keel.app.floor.web;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import keel.app.fleet.ShopSettings;
import keel.app.floor.patterns.Comparing;
import keel.core.pattern.Trait;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Two machines, resins, films held against one another. */
@Controller
class CompareController {

    private static final List<Integer> SPANS = List.of(90, 365, 1825);
    private static final int USUAL = 365;

    private final Comparing comparing;
    private final ShopSettings settings;
    private final Clock clock;

    CompareController(Comparing comparing, ShopSettings settings, Clock clock) {
        this.comparing = comparing;
        this.settings = settings;
        this.clock = clock;
    }

    /** @param by a trait, {@code one} and {@code other} of its values; empty for what differs most, and for the rest */
    @GetMapping("/patterns/compare")
    String page(
            @RequestParam(defaultValue = "MACHINE") String by,
            @RequestParam(defaultValue = "") String one,
            @RequestParam(defaultValue = "") String other,
            @RequestParam(defaultValue = "365") int days,
            Model model) {
        int span = SPANS.contains(days) ? days : USUAL;
        Instant from = clock.instant()
                .atZone(settings.zone())
                .truncatedTo(ChronoUnit.DAYS)
                .minusDays(span)
                .toInstant();
        Trait trait = Arrays.stream(Trait.values())
                .filter(t -> t.name().equals(by))
                .findFirst()
                .orElse(Trait.MACHINE);
        Comparing.Compare compare = comparing.of(trait, one, other, from);
        model.addAttribute("c", compare);
        model.addAttribute("traits", comparing.traits(from));
        model.addAttribute("drawing", compare.compared() == null ? null : drawing(compare));
        model.addAttribute("days", span);
        model.addAttribute("spans", SPANS);
        return "floor/compare";
    }

    private static SharesDrawing drawing(Comparing.Compare c) {
        return SharesDrawing.of(List.of(
                new SharesDrawing.Share(c.one().name(), c.compared().first(), true),
                new SharesDrawing.Share(c.second(), c.compared().second(), false)));
    }
}
