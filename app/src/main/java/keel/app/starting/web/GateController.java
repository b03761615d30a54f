package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopSettings;
import keel.app.prints.HoldsOpen;
import keel.app.prints.LookIns;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.app.standing.MachineNow;
import keel.app.standing.StackDrawing;
import keel.app.standing.Stacks;
import keel.app.standing.Standings;
import keel.app.starting.Estimate;
import keel.app.starting.Gates;
import keel.app.starting.JobFiles;
import keel.app.starting.JobPlaces;
import keel.core.Findings;
import keel.core.gate.GateItem;
import keel.core.gate.StartGate;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import keel.core.watch.LookInPlan;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The page of the start gate: the machine in cross-section, each question where its part is, and the job beside it. */
@Controller
class GateController {

    private final Gates gates;
    private static final int OFFERED = 4;
    private static final int RECENT = 5;
    private static final String NO_FILE = "none";

    private final Runs runs;
    private final WantedJobs wanted;
    private final JobFiles files;
    private final OrderedParts parts;
    private final Standings standings;
    private final Stacks stacks;
    private final LookIns lookIns;
    private final JobPlaces places;
    private final ShopSettings settings;

    GateController(
            Gates gates,
            Runs runs,
            WantedJobs wanted,
            JobFiles files,
            OrderedParts parts,
            Standings standings,
            Stacks stacks,
            LookIns lookIns,
            JobPlaces places,
            ShopSettings settings) {
        this.gates = gates;
        this.runs = runs;
        this.wanted = wanted;
        this.files = files;
        this.parts = parts;
        this.standings = standings;
        this.stacks = stacks;
        this.lookIns = lookIns;
        this.places = places;
        this.settings = settings;
    }

    /** The job as it stands in the form. */
    record JobForm(
            String job,
            String layers,
            String layerExposureS,
            String resinMl,
            String overrideReason,
            String lookInHours,
            List<String> looked,
            Long againOf,
            String footprint,
            String place,
            String parts,
            String resinC,
            Boolean slowRelease,
            String detail,
            String file) {

        JobForm {
            looked = looked == null ? List.of() : looked;
            slowRelease = Boolean.TRUE.equals(slowRelease);
            file = file == null || file.isBlank() ? null : file;
        }

        static final JobForm EMPTY =
                new JobForm("", "", "", "", "", null, null, null, null, null, null, null, null, null, null);

        /** How long each layer is lit is taken over from the same machine only. */
        static JobForm after(RunView last, String machine) {
            return new JobForm(
                    last.job(),
                    Integer.toString(last.layers()),
                    last.machine().equals(machine) ? plain(last.layerExposureS()) : "",
                    plain(last.resinMl()),
                    "",
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    last.detail() == null ? null : last.detail().name(),
                    null);
        }

        /** The last job, named and placed as this form says. */
        JobForm placed(JobForm as) {
            return new JobForm(
                    as.named() ? as.job() : job,
                    layers,
                    layerExposureS,
                    resinMl,
                    overrideReason,
                    lookInHours,
                    looked,
                    againOf,
                    as.footprint(),
                    as.place(),
                    as.parts(),
                    resinC,
                    slowRelease,
                    detail,
                    NO_FILE.equals(as.file()) ? null : as.file());
        }

        boolean named() {
            return job != null && !job.isBlank();
        }

        /** As far as it reads. */
        Gates.Job job(List<PlacedPart> parts) {
            return new Gates.Job(
                    Gates.layers(layers),
                    Gates.amount(layerExposureS),
                    Gates.amount(resinMl),
                    Detail.named(detail).orElse(null),
                    parts,
                    file);
        }

        JobPlaces.Asked asked() {
            return new JobPlaces.Asked(job, footprint, place, parts);
        }

        private static String plain(double number) {
            return number == Math.rint(number) ? Long.toString((long) number) : Double.toString(number);
        }
    }

    /** Starts from the last job on this machine; a changed amount asks for the gate anew. */
    @GetMapping("/machines/{code}/start")
    String gate(@PathVariable String code, JobForm typed, PiecesForm pieces, Model model) {
        return show(code, typed.layers() != null ? typed : begun(code, typed), pieces, model);
    }

    /** From the last print of the job that is named, else from the last one on this machine. */
    private JobForm begun(String code, JobForm typed) {
        Optional<JobFiles.JobFile> file = file(typed);
        if (file.isPresent()) {
            return ofFile(code, typed, file.get());
        }
        Optional<RunView> last = typed.named() ? runs.last(code, typed.job()) : runs.last(code);
        return last.map(run -> JobForm.after(run, code)).orElse(JobForm.EMPTY).placed(typed);
    }

    /** The one that is chosen, else the one that is called like the job; none where somebody wants none. */
    private Optional<JobFiles.JobFile> file(JobForm typed) {
        if (NO_FILE.equals(typed.file())) {
            return Optional.empty();
        }
        return typed.file() != null
                ? Optional.of(files.one(typed.file()))
                : typed.named() ? files.named(typed.job()) : Optional.empty();
    }

    /** Layers, resin and size as the file has them; how long each is lit as the last print of its name had it here. */
    private JobForm ofFile(String code, JobForm typed, JobFiles.JobFile file) {
        String job = typed.named() ? typed.job() : file.job();
        JobForm before = runs.last(code, job)
                .or(() -> runs.last(code))
                .map(run -> JobForm.after(run, code))
                .orElse(JobForm.EMPTY);
        return new JobForm(
                job,
                Integer.toString(file.checked().layers()),
                before.layerExposureS(),
                Long.toString(Math.max(1, Math.round(Math.ceil(file.checked().resinMl())))),
                "",
                null,
                null,
                null,
                typed.footprint() == null ? file.footprint().orElse(null) : typed.footprint(),
                typed.place(),
                typed.parts(),
                null,
                before.slowRelease(),
                before.detail(),
                file.hash());
    }

    @PostMapping("/machines/{code}/start")
    String start(
            @PathVariable String code, JobForm form, PiecesForm pieces, Model model, HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            RunEntry entry = new RunEntry(
                    code,
                    form.job(),
                    null,
                    null,
                    Typed.whole(form.layers(), "layers", findings),
                    Typed.number(form.layerExposureS(), "layerExposureS", findings),
                    Typed.number(form.resinMl(), "resinMl", findings),
                    null,
                    null,
                    form.overrideReason(),
                    Typed.number(form.lookInHours(), "lookInHours", findings),
                    form.againOf(),
                    places.footprint(standings.of(code), form.asked()),
                    null,
                    Detail.named(form.detail()).orElse(null));
            Map<Long, Integer> lies = pieces.read(0);
            Gates.Aside aside = new Gates.Aside(
                    Typed.number(form.resinC(), "resinC", findings),
                    form.slowRelease(),
                    form.file(),
                    lies.values().stream().anyMatch(count -> count > 0) ? pieces.order() : null,
                    lies);
            Refused.unless(findings);
            return "redirect:/runs/" + gates.start(entry, form.looked(), aside).id() + "/now";
        } catch (HoldsOpen e) {
            response.setStatus(409);
            model.addAttribute("held", e.getMessage());
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        }
        return show(code, form, pieces, model);
    }

    private String show(String code, JobForm form, PiecesForm pieces, Model model) {
        MachineNow m = standings.of(code);
        JobPlaces.JobPlace onPlate = places.of(m, form.asked());
        List<GateItem> items = gates.of(code, form.job(onPlate.parts()));
        StackDrawing drawing = stacks.of(m);
        JobFiles.JobFile file = form.file() == null ? null : files.one(form.file());
        model.addAttribute("m", m);
        model.addAttribute("file", file);
        model.addAttribute("recent", form.file() == null ? files.recent(RECENT) : List.of());
        model.addAttribute("orders", parts.open());
        model.addAttribute("ordered", parts.of(pieces, form.job()).orElse(null));
        model.addAttribute("pieces", pieces);
        model.addAttribute("waiting", wanted.next(m.resin(), OFFERED));
        model.addAttribute("slowly", gates.mayReleaseSlowly(m));
        model.addAttribute(
                "measure",
                gates.worthMeasuring(m)
                        || form.resinC() != null && !form.resinC().isBlank());
        Estimate estimate =
                gates.estimate(m, Gates.layers(form.layers()), Gates.amount(form.layerExposureS()), form.slowRelease());
        model.addAttribute("estimate", estimate == null || file == null ? estimate : estimate.of(file));
        int streak = lookIns.goodInARow(m.id());
        LookInPlan plan = new LookInPlan(settings.defaults().value("lookin.everyHours"), (int)
                settings.defaults().value("lookin.streak"));
        model.addAttribute("streak", streak);
        model.addAttribute("every", plan.intervalHours(streak));
        model.addAttribute("tighter", plan.intervalHours(streak) < plan.everyHours());
        model.addAttribute("form", form);
        model.addAttribute("onPlate", onPlate);
        model.addAttribute("details", Detail.values());
        model.addAttribute("choices", JobPlaces.Choice.values());
        model.addAttribute("drawing", drawing);
        model.addAttribute("rows", GateRow.of(items, drawing, m.kind().vessel()));
        model.addAttribute("mayStart", StartGate.mayStart(items));
        model.addAttribute(
                "asked",
                items.stream().filter(i -> i.state() == GateItem.State.ASK).count());
        model.addAttribute("states", Map.of("OK", "READY", "WARN", "DUE", "HOLD", "HOLD"));
        return "starting/gate";
    }
}
