package keel.app.starting.web;

import java.util.List;
import keel.app.base.Refused;
import keel.core.Findings;
import keel.core.placement.Placement;
import keel.core.placement.WearGrid;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Where to put a footprint on a plate, for programs. */
@RestController
@RequestMapping("/api/v1/plate")
class PlacementApi {

    private static final double MOST_MM = 2000;
    private static final int MOST_SPOTS = 2000;

    /** A place to keep off. */
    record SpotEntry(Double xMm, Double yMm, Double sizeMm) {}

    /**
     * @param plateMm length (left to right) and width (front to back)
     * @param footprintMm the same of the footprint
     * @param marginMm kept off spots, 2 if left out
     * @param wear rows front to back, any grid; even if left out
     * @param diagonal whether it is to be turned by 45°
     */
    record Question(
            List<Double> plateMm,
            List<Double> footprintMm,
            Double marginMm,
            List<SpotEntry> spots,
            List<List<Double>> wear,
            Boolean diagonal) {}

    /** The middle of the footprint from the front left corner; null where nothing fits. */
    record Answer(boolean fits, Double xMm, Double yMm, Integer rotationDeg, Double wear, Double wearAtCentre) {}

    @PostMapping("/placement")
    Answer place(@RequestBody Question q) {
        Findings findings = new Findings();
        boolean plate = sides(q.plateMm(), "plateMm", "The plate", findings);
        boolean footprint = sides(q.footprintMm(), "footprintMm", "The footprint", findings);
        double margin = q.marginMm() == null ? 2 : q.marginMm();
        findings.range(margin, 0, 500, "marginMm", "The margin", "mm");
        List<SpotEntry> spots = q.spots() == null ? List.of() : q.spots();
        findings.when(spots.size() > MOST_SPOTS, "spots", "More than " + MOST_SPOTS + " spots.");
        for (int i = 0; i < spots.size(); i++) {
            SpotEntry s = spots.get(i);
            if (!findings.when(s == null, "spots[" + i + "]", "A spot is missing.")) {
                findings.range(s.xMm(), -MOST_MM, 2 * MOST_MM, "spots[" + i + "].xMm", "A spot's place", "mm");
                findings.range(s.yMm(), -MOST_MM, 2 * MOST_MM, "spots[" + i + "].yMm", "A spot's place", "mm");
                findings.range(s.sizeMm(), 0, MOST_MM, "spots[" + i + "].sizeMm", "A spot's size", "mm");
            }
        }
        Refused.unless(findings);
        WearGrid wear = plate && footprint ? wear(q) : null;
        Placement p = Placement.best(new Placement.Question(
                q.plateMm().get(0),
                q.plateMm().get(1),
                q.footprintMm().get(0),
                q.footprintMm().get(1),
                margin,
                spots.stream()
                        .map(s -> new Placement.Spot(s.xMm(), s.yMm(), s.sizeMm()))
                        .toList(),
                wear,
                Boolean.TRUE.equals(q.diagonal()),
                List.of()));
        return p == null
                ? new Answer(false, null, null, null, null, null)
                : new Answer(true, p.xMm(), p.yMm(), p.rotationDeg(), p.wear(), p.wearAtCentre());
    }

    private static boolean sides(List<Double> sides, String field, String what, Findings findings) {
        if (findings.when(sides == null || sides.size() != 2, field, what + " needs two lengths, mm.")) {
            return false;
        }
        boolean length = findings.range(sides.get(0), 0.1, MOST_MM, field, what + "'s length", "mm");
        boolean width = findings.range(sides.get(1), 0.1, MOST_MM, field, what + "'s width", "mm");
        return length && width;
    }

    private static WearGrid wear(Question q) {
        if (q.wear() == null || q.wear().isEmpty()) {
            return WearGrid.of(q.plateMm().get(0), q.plateMm().get(1), new double[][] {{0}});
        }
        try {
            double[][] rows = q.wear().stream()
                    .map(r -> r == null
                            ? new double[0]
                            : r.stream()
                                    .mapToDouble(v -> v == null ? Double.NaN : v)
                                    .toArray())
                    .toArray(double[][]::new);
            return WearGrid.of(q.plateMm().get(0), q.plateMm().get(1), rows);
        } catch (IllegalArgumentException e) {
            throw new Refused("wear", e.getMessage());
        }
    }
}
