package keel.app.starting.web;

import java.util.List;
import java.util.function.Supplier;
import keel.app.base.Refused;
import keel.app.starting.Gates;
import keel.core.Findings;
import keel.core.exposure.PrintTime;
import keel.core.exposure.WorkingCurve;
import keel.core.gate.GateItem;
import keel.core.gate.StartGate;
import keel.core.plate.PlateLevel;
import keel.core.plate.ScrewThread;
import keel.core.scale.ScaleCorrection;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What core computes for setting up and starting, for programs. */
@RestController
@RequestMapping("/api/v1")
class StartingApi {

    private final Gates gates;

    StartingApi(Gates gates) {
        this.gates = gates;
    }

    record Point(Double xMm, Double yMm, Double zMm) {}

    record Screws(String thread, List<double[]> positions) {}

    record LevelQuestion(List<Point> points, double[] plateMm, Double bottomLayerMm, Double gaugeSdMm, Screws screws) {}

    record LevelAnswer(
            double tiltXMmPer100,
            double tiltYMmPer100,
            double flatnessMm,
            PlateLevel.Corner lowCorner,
            double lowByMm,
            PlateLevel.Verdict verdict,
            List<Double> screwTurns,
            double noiseMm,
            List<PlateLevel.Shape> cannotSee) {}

    @PostMapping("/plate/level")
    LevelAnswer level(@RequestBody LevelQuestion q) {
        require(
                q.points() != null
                        && q.points().stream()
                                .allMatch(p -> p != null && p.xMm() != null && p.yMm() != null && p.zMm() != null),
                "points",
                "Each point takes xMm, yMm and zMm.");
        require(
                q.plateMm() != null && q.plateMm().length == 2,
                "plateMm",
                "The plate takes its width and its depth, mm.");
        require(q.bottomLayerMm() != null, "bottomLayerMm", "The height of a bottom layer is missing.");
        PlateLevel level = sound(
                "points",
                () -> PlateLevel.of(
                        q.points().stream()
                                .map(p -> new PlateLevel.Reading(p.xMm(), p.yMm(), p.zMm()))
                                .toList(),
                        q.plateMm()[0],
                        q.plateMm()[1],
                        q.bottomLayerMm(),
                        q.gaugeSdMm() == null ? PlateLevel.USUAL_GAUGE_SD_MM : q.gaugeSdMm()));
        return new LevelAnswer(
                level.tiltXMmPer100(),
                level.tiltYMmPer100(),
                level.flatnessMm(),
                level.lowCorner(),
                level.lowByMm(),
                level.verdict(),
                q.screws() == null ? null : turns(level, q.screws()),
                level.noiseMm(),
                level.cannotSee());
    }

    private static List<Double> turns(PlateLevel level, Screws screws) {
        require(
                screws.positions() != null
                        && !screws.positions().isEmpty()
                        && screws.positions().stream().allMatch(p -> p != null && p.length == 2),
                "screws",
                "Each screw takes its place as x and y, mm.");
        return sound(
                "screws",
                () -> level.turns(
                        screws.positions().stream()
                                .map(p -> new PlateLevel.Place(p[0], p[1]))
                                .toList(),
                        ScrewThread.called(screws.thread())));
    }

    record EstimateQuestion(
            Integer layers,
            Integer bottomLayers,
            Integer transitionLayers,
            Double bottomExposureS,
            Double exposureS,
            Double waitBeforeS,
            Double waitAfterS,
            Double liftMm,
            Double liftMmPerMin,
            Double retractMmPerMin,
            Double releaseS) {}

    /** Waits, bottom and transition layers may be left out: none. */
    @PostMapping("/runs/estimate")
    PrintTime estimate(@RequestBody EstimateQuestion q) {
        Findings missing = new Findings();
        missing.when(q.layers() == null, "layers", "How many layers is missing.");
        missing.when(q.exposureS() == null, "exposureS", "The exposure is missing.");
        missing.when(q.liftMmPerMin() == null, "liftMmPerMin", "The lift speed is missing.");
        missing.when(q.retractMmPerMin() == null, "retractMmPerMin", "The retract speed is missing.");
        Refused.unless(missing);
        PrintTime.Settings settings = new PrintTime.Settings(
                q.layers(),
                orNone(q.bottomLayers()),
                orNone(q.transitionLayers()),
                q.bottomExposureS() == null ? q.exposureS() : q.bottomExposureS(),
                q.exposureS(),
                orNone(q.waitBeforeS()),
                orNone(q.waitAfterS()),
                orNone(q.liftMm()),
                q.liftMmPerMin(),
                q.retractMmPerMin(),
                orNone(q.releaseS()));
        Refused.unless(settings.findings());
        return PrintTime.of(settings);
    }

    record CurvePoint(Double exposure, Double depthMm) {}

    record CurveQuestion(List<CurvePoint> points, Double wantedDepthMm) {}

    record CurveAnswer(double dpMm, double ec, Double exposureForDepth) {}

    @PostMapping("/resin/working-curve")
    CurveAnswer workingCurve(@RequestBody CurveQuestion q) {
        require(
                q.points() != null
                        && q.points().stream().allMatch(p -> p != null && p.exposure() != null && p.depthMm() != null),
                "points",
                "Each point takes exposure and depthMm.");
        WorkingCurve curve = sound(
                "points",
                () -> WorkingCurve.fit(q.points().stream()
                        .map(p -> new WorkingCurve.Point(p.exposure(), p.depthMm()))
                        .toList()));
        return new CurveAnswer(
                curve.dpMm(),
                curve.ec(),
                q.wantedDepthMm() == null ? null : sound("wantedDepthMm", () -> curve.exposureFor(q.wantedDepthMm())));
    }

    record Length(Double nominalMm, Double measuredMm) {}

    /** @param resolutionMm step of the calipers; 0.01 if left out */
    record ScaleQuestion(List<Length> measurements, Double resolutionMm) {}

    @PostMapping("/scale")
    ScaleCorrection scale(@RequestBody ScaleQuestion q) {
        require(
                q.measurements() != null
                        && q.measurements().stream()
                                .allMatch(m -> m != null && m.nominalMm() != null && m.measuredMm() != null),
                "measurements",
                "Each measurement takes nominalMm and measuredMm.");
        return sound(
                "measurements",
                () -> ScaleCorrection.of(
                        q.measurements().stream()
                                .map(m -> new ScaleCorrection.Measurement(m.nominalMm(), m.measuredMm()))
                                .toList(),
                        q.resolutionMm() == null ? ScaleCorrection.USUAL_STEP_MM : q.resolutionMm()));
    }

    record Gate(boolean mayStart, List<GateItem> items) {}

    @GetMapping("/machines/{code}/gate")
    Gate gate(
            @PathVariable String code,
            @RequestParam(required = false) Integer layers,
            @RequestParam(required = false) Double resinMl) {
        Findings findings = new Findings();
        if (layers != null) {
            findings.range(layers.doubleValue(), 1, 60_000, "layers", "Layers", "");
        }
        findings.rangeIfGiven(resinMl, 0, 20_000, "resinMl", "Resin", "ml");
        Refused.unless(findings);
        List<GateItem> items = gates.of(code, Gates.Job.of(layers, resinMl));
        return new Gate(StartGate.mayStart(items), items);
    }

    private static int orNone(Integer value) {
        return value == null ? 0 : value;
    }

    private static double orNone(Double value) {
        return value == null ? 0 : value;
    }

    private static void require(boolean sound, String field, String otherwise) {
        if (!sound) {
            throw new Refused(field, otherwise);
        }
    }

    private static <T> T sound(String field, Supplier<T> computed) {
        try {
            return computed.get();
        } catch (IllegalArgumentException e) {
            throw new Refused(field, e.getMessage());
        }
    }
}
