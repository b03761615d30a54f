package keel.app.guides.web;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import keel.app.base.Refused;
import keel.core.bolts.BoltFrame;
import keel.core.bolts.School;
import keel.core.bolts.Tightening;
import keel.core.film.SlackSpacer;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What core computes for a film frame, for programs. */
@RestController
@RequestMapping("/api/v1")
class FramesApi {

    record Bolts(int bolts, String school, List<BoltFrame.Bolt> positions, List<Tightening.Pass> passes) {}

    record Spacer(double bulgeMm, double spanMm, double strainPercent) {}

    /** A ring by {@code count}, or a rectangle by {@code long} and {@code short}, corners counted on both. */
    @GetMapping("/bolts")
    Bolts bolts(
            @RequestParam(required = false) Integer count,
            @RequestParam(name = "long", required = false) Integer longSide,
            @RequestParam(name = "short", required = false) Integer shortSide,
            @RequestParam(defaultValue = "STAR") String school) {
        School how = Arrays.stream(School.values())
                .filter(s -> s.name().equals(school.toUpperCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new Refused("school", "The school is STAR or CIRCULAR."));
        Tightening tightening = Tightening.of(frame(count, longSide, shortSide), how);
        return new Bolts(
                tightening.frame().count(), how.name(), tightening.frame().bolts(), tightening.passes());
    }

    private static BoltFrame frame(Integer count, Integer longSide, Integer shortSide) {
        boolean ring = count != null;
        if (ring == (longSide != null || shortSide != null)) {
            throw new Refused("count", "Give count for a ring, or long and short for a rectangle.");
        }
        if (!ring && (longSide == null || shortSide == null)) {
            throw new Refused(longSide == null ? "long" : "short", "A rectangle needs the bolts along both its sides.");
        }
        try {
            return ring ? BoltFrame.ring(count) : BoltFrame.rectangle(longSide, shortSide);
        } catch (IllegalArgumentException e) {
            throw new Refused(ring ? "count" : "long", e.getMessage());
        }
    }

    @GetMapping("/film/spacer")
    Spacer spacer(@RequestParam double spanMm, @RequestParam double strainPercent) {
        try {
            return new Spacer(SlackSpacer.forStrain(spanMm, strainPercent / 100).bulgeMm(), spanMm, strainPercent);
        } catch (IllegalArgumentException e) {
            throw new Refused(e.getMessage().startsWith("The span") ? "spanMm" : "strainPercent", e.getMessage());
        }
    }
}
