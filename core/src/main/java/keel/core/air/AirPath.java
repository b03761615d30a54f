package keel.core.air;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleUnaryOperator;
import keel.core.Findings;

/**
 * The way of the air as it is built: a cover with gaps, a collector, hoses, a reducer, bends, mesh, flaps and an
 * outlet, with a fan beside the machine or at the window.
 *
 * <p>K of the fittings from handbook tables (ASHRAE duct fitting database, Idelchik for screens), from memory: hose
 * mouth 0.5, collector 1.0 on its outlets, gap 1.8 on its own area, bend 0.35, sudden contraction 0.5·(1 − β²),
 * flaps 1.2, outlet 1.0; mesh 1.3·(1 − σ) + (1/σ − 1)² with σ its open share.
 *
 * @param gapCm2 open area of the cover's gaps, null without a cover
 * @param outlets machine outlets that the collector joins, 1 without one; {@code outletMm} of each
 * @param hose kind of hose, {@code hoses} of them side by side
 * @param compressionPercent how much shorter the hose lies than stretched
 * @param reducerMm diameter after a reducer, null without
 * @param meshOpen open share of the mesh, null without
 * @param fanAtWindow the fan sits at the outlet and sucks through the hose
 */
public record AirPath(
        Double gapCm2,
        int outlets,
        double outletMm,
        Hose hose,
        int hoses,
        double diameterMm,
        double lengthM,
        double compressionPercent,
        Double reducerMm,
        int bends,
        Double meshOpen,
        boolean flaps,
        boolean fanAtWindow,
        Fan fan) {

    private static final double MOUTH = 0.5;
    private static final double COLLECTOR = 1.0;
    private static final double GAP = 1.8;
    private static final double BEND = 0.35;
    private static final double FLAPS = 1.2;
    private static final double OUTLET = 1.0;
    private static final double CONTRACTION = 0.5;
    private static final double NEW_MESH = 0.7;
    private static final double WORTH_SAYING = 0.5;
    private static final List<Double> SIZES = List.of(75.0, 80.0, 100.0, 125.0, 150.0, 160.0, 200.0);

    /** What a hose is of, with the roughness of its wall, mm (handbook values, from memory). */
    public enum Hose {
        SMOOTH("smooth plastic pipe", 0.0015),
        METAL("sheet metal pipe", 0.09),
        FLEX("flexible hose", 1.5);

        private final String words;
        private final double roughnessMm;

        Hose(String words, double roughnessMm) {
            this.words = words;
            this.roughnessMm = roughnessMm;
        }

        public String words() {
            return words;
        }

        public double roughnessMm() {
            return roughnessMm;
        }
    }

    /**
     * A part of the path with the air going through it.
     *
     * @param velocityMs in it; {@code lossPa} over it; {@code gaugePa} against the room after it
     */
    public record Station(String name, double velocityMs, double lossPa, double gaugePa) {}

    /** A change with what it would bring. */
    public record Change(String what, double flowM3H, double gainM3H) {}

    /**
     * What it moves.
     *
     * @param faceMs at the cover's gaps, null without a cover
     * @param curve loss of all parts by flow, up to a fifth over what the fan moves freely
     * @param changes what would bring more, the most first
     * @param why which of several meetings of fan and resistance is taken; null where there is one
     */
    public record Moved(
            double flowM3H,
            double pressurePa,
            List<Station> stations,
            Double faceMs,
            List<AirPlan.Point> curve,
            List<Change> changes,
            String why) {}

    /** What cannot be, at the fields of the page. */
    public void check(Findings findings) {
        findings.rangeIfGiven(gapCm2, 1, 100_000, "gapCm2", "The gaps", "cm²");
        findings.range((double) outlets, 1, 12, "outlets", "The outlets", "");
        findings.range(outletMm, 20, 500, "outletMm", "An outlet", "mm");
        findings.range((double) hoses, 1, 4, "hoses", "The hoses", "");
        findings.range(diameterMm, 20, 500, "diameterMm", "The hose", "mm");
        findings.range(lengthM, 0.1, 100, "lengthM", "The hose", "m");
        findings.range(compressionPercent, 0, 90, "compressionPercent", "The compression", "%");
        findings.rangeIfGiven(reducerMm, 20, diameterMm > 20 ? diameterMm : 500, "reducerMm", "The reducer", "mm");
        findings.range((double) bends, 0, 20, "bends", "The bends", "");
        findings.rangeIfGiven(meshOpen, 0.05, 1, "meshOpen", "The open share of the mesh", "");
        findings.when(
                fan.points().size() < 2
                        || fan.points().stream()
                                        .map(AirPlan.Point::flowM3H)
                                        .distinct()
                                        .count()
                                < fan.points().size(),
                "fan",
                "A fan takes two rated points of different flows.");
    }

    private record PathPiece(String name, double diameterMm, int beside, DoubleUnaryOperator loss) {

        double velocity(double flow) {
            return Duct.velocity(flow / beside, diameterMm);
        }
    }

    private List<PathPiece> before() {
        List<PathPiece> parts = new ArrayList<>();
        if (gapCm2 != null) {
            parts.add(fitting("Gaps of the cover", GAP, 20 * Math.sqrt(gapCm2 / Math.PI), 1));
        }
        if (outlets > 1) {
            parts.add(fitting("Collector, " + outlets + " outlets", COLLECTOR, outletMm, outlets));
        }
        parts.add(fitting("Mouth of the hose", MOUTH, diameterMm, hoses));
        return parts;
    }

    private List<PathPiece> hoseParts() {
        List<PathPiece> parts = new ArrayList<>();
        Duct duct = new Duct(diameterMm, lengthM, hose.roughnessMm(), compressionPercent);
        parts.add(new PathPiece(
                (hoses > 1 ? hoses + " hoses, " : "Hose, ") + Math.round(diameterMm) + " mm",
                diameterMm,
                hoses,
                q -> duct.lossPa(q / hoses)));
        if (bends > 0) {
            parts.add(fitting(bends + (bends == 1 ? " bend" : " bends"), bends * BEND, diameterMm, hoses));
        }
        if (reducerMm != null && reducerMm < diameterMm) {
            double beta = reducerMm / diameterMm;
            parts.add(fitting(
                    "Reducer to " + Math.round(reducerMm) + " mm", CONTRACTION * (1 - beta * beta), reducerMm, 1));
        }
        return parts;
    }

    private List<PathPiece> after() {
        double out = reducerMm != null && reducerMm < diameterMm ? reducerMm : diameterMm;
        List<PathPiece> parts = new ArrayList<>();
        if (meshOpen != null) {
            parts.add(fitting("Mesh", 1.3 * (1 - meshOpen) + Math.pow(1 / meshOpen - 1, 2), out, hosesAtEnd()));
        }
        if (flaps) {
            parts.add(fitting("Flaps", FLAPS, out, hosesAtEnd()));
        }
        parts.add(fitting("Outlet", OUTLET, out, hosesAtEnd()));
        return parts;
    }

    private int hosesAtEnd() {
        return reducerMm != null && reducerMm < diameterMm ? 1 : hoses;
    }

    private static PathPiece fitting(String name, double k, double diameterMm, int beside) {
        return new PathPiece(name, diameterMm, beside, q -> {
            double v = Duct.velocity(q / beside, diameterMm);
            return k * Duct.DENSITY * v * v / 2;
        });
    }

    private List<PathPiece> all() {
        List<PathPiece> parts = new ArrayList<>(before());
        parts.addAll(hoseParts());
        parts.addAll(after());
        return parts;
    }

    private double lossPa(double flow) {
        return all().stream().mapToDouble(p -> p.loss().applyAsDouble(flow)).sum();
    }

    /** @throws IllegalArgumentException with a sentence, if the fan cannot reach the resistance */
    public Moved moved() {
        List<AirPlan.Meeting> meetings = AirPlan.meetings(fan.points(), this::lossPa);
        AirPlan.Meeting m = meetings.get(0);
        double flow = m.flowM3H();
        double free = fan.points().get(fan.points().size() - 1).flowM3H() * 1.2;
        List<AirPlan.Point> curve = new ArrayList<>();
        for (int i = 0; i <= 40; i++) {
            curve.add(new AirPlan.Point(free * i / 40, lossPa(free * i / 40)));
        }
        return new Moved(
                flow,
                m.pressurePa(),
                stations(flow, m.pressurePa()),
                gapCm2 == null ? null : Double.valueOf(flow / 3600 / (gapCm2 / 10_000)),
                curve,
                changes(flow),
                AirPlan.why(meetings));
    }

    private List<Station> stations(double flow, double fanPa) {
        List<Station> stations = new ArrayList<>();
        double gauge = 0;
        List<PathPiece> first = new ArrayList<>(before());
        List<PathPiece> last = new ArrayList<>(after());
        (fanAtWindow ? first : last).addAll(fanAtWindow ? first.size() : 0, hoseParts());
        for (PathPiece p : first) {
            gauge = add(p, flow, gauge, stations);
        }
        gauge += fanPa;
        stations.add(new Station(fan.name(), Duct.velocity(flow, fan.diameterMm()), -fanPa, gauge));
        for (PathPiece p : last) {
            gauge = add(p, flow, gauge, stations);
        }
        return stations;
    }

    private static double add(PathPiece p, double flow, double gauge, List<Station> stations) {
        double loss = p.loss().applyAsDouble(flow);
        stations.add(new Station(p.name(), p.velocity(flow), loss, gauge - loss));
        return gauge - loss;
    }

    private List<Change> changes(double flow) {
        List<Change> changes = new ArrayList<>();
        if (reducerMm != null && reducerMm < diameterMm) {
            add(
                    "without the reducer",
                    with(hoses, diameterMm, lengthM, compressionPercent, null, bends, meshOpen, fan),
                    flow,
                    changes);
        }
        SIZES.stream()
                .filter(d -> d > diameterMm + 4)
                .findFirst()
                .ifPresent(d -> add(
                        "a hose of " + Math.round(d) + " mm",
                        with(hoses, d, lengthM, compressionPercent, reducerMm, bends, meshOpen, fan),
                        flow,
                        changes));
        if (compressionPercent > 4) {
            add(
                    "the hose pulled straight",
                    with(hoses, diameterMm, lengthM, 0, reducerMm, bends, meshOpen, fan),
                    flow,
                    changes);
        }
        if (lengthM > 1) {
            add(
                    "a hose half as long",
                    with(hoses, diameterMm, lengthM / 2, compressionPercent, reducerMm, bends, meshOpen, fan),
                    flow,
                    changes);
        }
        if (bends > 0) {
            add(
                    "one bend less",
                    with(hoses, diameterMm, lengthM, compressionPercent, reducerMm, bends - 1, meshOpen, fan),
                    flow,
                    changes);
        }
        if (hoses == 1) {
            add(
                    "a second hose beside it",
                    with(2, diameterMm, lengthM, compressionPercent, reducerMm, bends, meshOpen, fan),
                    flow,
                    changes);
        }
        if (meshOpen != null && meshOpen < NEW_MESH - 0.05) {
            add(
                    "a clean mesh",
                    with(hoses, diameterMm, lengthM, compressionPercent, reducerMm, bends, NEW_MESH, fan),
                    flow,
                    changes);
        }
        fan.stronger()
                .ifPresent(f -> add(
                        f.name().toLowerCase(Locale.ROOT) + " in its place",
                        with(hoses, diameterMm, lengthM, compressionPercent, reducerMm, bends, meshOpen, f),
                        flow,
                        changes));
        changes.sort(Comparator.comparing(Change::gainM3H).reversed());
        return changes;
    }

    private AirPath with(
            int hoses,
            double diameter,
            double length,
            double compression,
            Double reducer,
            int bends,
            Double mesh,
            Fan fan) {
        return new AirPath(
                gapCm2,
                outlets,
                outletMm,
                hose,
                hoses,
                diameter,
                length,
                compression,
                reducer,
                bends,
                mesh,
                flaps,
                fanAtWindow,
                fan);
    }

    private static void add(String what, AirPath path, double flow, List<Change> changes) {
        double then = AirPlan.meet(path.fan().points(), path::lossPa).flowM3H();
        if (then > flow + WORTH_SAYING) {
            changes.add(new Change(what, then, then - flow));
        }
    }
}
