package keel.app.bench.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.Figures;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Fleet;
import keel.app.fleet.Instruments;
import keel.app.fleet.MachineRef;
import keel.app.fleet.MachineTools;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.Findings;
import keel.core.plate.Stance;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page that says which foot of a machine takes how thick a shim, and keeps that the stance was checked. */
@Controller
class StanceController {

    /** Distance between the feet where nobody measured it: a little less than the plate and its surroundings. */
    private static final double BESIDE_PLATE_MM = 90;

    private static final int KEPT = 40;

    private final Bench bench;
    private final Fleet fleet;
    private final Logbook logbook;
    private final Instruments instruments;

    StanceController(Bench bench, Fleet fleet, Logbook logbook, Instruments instruments) {
        this.bench = bench;
        this.fleet = fleet;
        this.logbook = logbook;
        this.instruments = instruments;
    }

    /** What was measured: by rocking, one corner and its gap; by a level, slopes and the spans of the feet. */
    record StanceForm(
            String by,
            String lifts,
            String gapMm,
            String unit,
            String across,
            String along,
            String spanXMm,
            String spanYMm) {

        StanceForm {
            by = "level".equals(by) ? "level" : "rock";
            unit = "degrees".equals(unit) ? "degrees" : "mm/m";
        }
    }

    @GetMapping("/machines/{code}/stance")
    String ask(@PathVariable String code, @RequestParam(required = false) String take, StanceForm form, Model model) {
        MachineRef machine = fleet.machine(code);
        Optional<MachineTools.Slopes> slopes =
                take == null ? Optional.empty() : instruments.at(code).map(tools -> tools.level());
        if (slopes.isPresent()) {
            return show(
                    machine,
                    new StanceForm(
                            "level",
                            null,
                            "",
                            "mm/m",
                            Figures.exact(slopes.get().acrossMmPerM()),
                            Figures.exact(slopes.get().alongMmPerM()),
                            whole(machine.plateWidthMm() + BESIDE_PLATE_MM),
                            whole(machine.plateDepthMm() + BESIDE_PLATE_MM)),
                    model);
        }
        return show(
                machine,
                form.spanXMm() == null
                        ? new StanceForm(
                                form.by(),
                                null,
                                "",
                                form.unit(),
                                "",
                                "",
                                whole(machine.plateWidthMm() + BESIDE_PLATE_MM),
                                whole(machine.plateDepthMm() + BESIDE_PLATE_MM))
                        : form,
                model);
    }

    /** Says what goes under which foot. */
    @PostMapping("/machines/{code}/stance")
    String judge(@PathVariable String code, StanceForm form, Model model, HttpServletResponse response) {
        try {
            StanceDrawing drawing = form.by().equals("rock") ? rocking(form) : sloping(form);
            model.addAttribute("drawing", drawing);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        } catch (IllegalArgumentException e) {
            PageErrors.show(new Refused("", e.getMessage()), model, response);
        }
        return show(fleet.machine(code), form, model);
    }

    /** Writes down that it stands firm and level. */
    @PostMapping("/machines/{code}/stance/kept")
    String keep(
            @PathVariable String code,
            @RequestParam(required = false) String note,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> bench.record(new ServiceEntry(code, "STANCE_CHECKED", null, note, new LinkedHashMap<>())),
                "/machines/" + code + "/stance?kept",
                model,
                response,
                () -> ask(code, null, new StanceForm(null, null, null, null, null, null, null, null), model));
    }

    private static StanceDrawing rocking(StanceForm form) {
        Findings findings = new Findings();
        Stance.Foot lifts =
                List.of("FRONT_LEFT", "FRONT_RIGHT", "BACK_LEFT", "BACK_RIGHT").contains(String.valueOf(form.lifts()))
                        ? Stance.Foot.valueOf(form.lifts())
                        : null;
        findings.when(lifts == null, "lifts", "Tap the corner that lifts.");
        Double gap = Typed.number(form.gapMm(), "gapMm", findings);
        findings.when(gap == null && findings.none(), "gapMm", "How wide the gap under it is, is missing.");
        Refused.unless(findings);
        Stance stance = Stance.rocking(lifts, gap);
        return StanceDrawing.of(stance.foot() == Stance.Foot.NONE ? Map.of() : Map.of(stance.foot(), stance.shimMm()));
    }

    private static StanceDrawing sloping(StanceForm form) {
        Findings findings = new Findings();
        double across = Typed.number(form.across(), 0, "across", findings);
        double along = Typed.number(form.along(), 0, "along", findings);
        Double spanX = Typed.number(form.spanXMm(), "spanXMm", findings);
        Double spanY = Typed.number(form.spanYMm(), "spanYMm", findings);
        findings.when(
                (spanX == null || spanY == null) && findings.none(),
                "spanXMm",
                "How far the feet are apart is missing.");
        Refused.unless(findings);
        boolean degrees = form.unit().equals("degrees");
        return StanceDrawing.of(Stance.shims(
                degrees ? Stance.mmPerMetre(across) : across,
                degrees ? Stance.mmPerMetre(along) : along,
                spanX,
                spanY));
    }

    private String show(MachineRef machine, StanceForm form, Model model) {
        model.addAttribute("machine", machine);
        model.addAttribute("form", form);
        model.addAttribute(
                "lines",
                logbook
                        .lines(new LogFilter(machine.code(), null, LogKind.SERVICE, null, null, null, null, 0, KEPT))
                        .stream()
                        .filter(l -> l.headline().contains("tance checked")
                                || l.headline().contains("moved to"))
                        .limit(5)
                        .toList());
        return "bench/stance";
    }

    private static String whole(double mm) {
        return Long.toString(Math.round(mm / 10) * 10);
    }
}
