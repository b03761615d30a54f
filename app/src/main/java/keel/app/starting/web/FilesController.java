package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.starting.FileChecks;
import keel.app.starting.FileVerdict;
import keel.app.starting.Gates;
import keel.app.starting.JobFiles;
import keel.app.starting.SlicedFiles;
import keel.core.Findings;
import keel.core.preflight.FileFinding;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Sliced files: they are read, judged and looked through before they are printed. */
@Controller
class FilesController {

    private static final int SHOWN = 40;
    private static final Duration ALWAYS = Duration.ofDays(30);

    private final SlicedFiles files;
    private final JobFiles jobs;
    private final FileChecks checks;
    private final Standings standings;
    private final Gates gates;
    private final Fleet fleet;

    FilesController(
            SlicedFiles files, JobFiles jobs, FileChecks checks, Standings standings, Gates gates, Fleet fleet) {
        this.files = files;
        this.jobs = jobs;
        this.checks = checks;
        this.standings = standings;
        this.gates = gates;
        this.fleet = fleet;
    }

    /** A file as it is brought; sizes only where no sheet and no machine says them. */
    record FileForm(String machine, String layerMm, String widthMm, String depthMm) {

        static final FileForm EMPTY = new FileForm("", "", "", "");
    }

    @GetMapping("/files")
    String all(@RequestParam(required = false) String q, FileForm typed, Model model) {
        return list(q, typed, model);
    }

    private String list(String q, FileForm typed, Model model) {
        List<JobFiles.Line> lines = jobs.list(q, SHOWN);
        Map<String, FileDrawing.View> thumbs = new HashMap<>();
        lines.forEach(l -> thumbs.put(l.file().hash(), FileDrawing.thumb(l.file())));
        model.addAttribute("files", lines);
        model.addAttribute("thumbs", thumbs);
        model.addAttribute("q", q == null ? "" : q);
        model.addAttribute("f", typed);
        model.addAttribute("keptMb", files.keptMb());
        model.addAttribute(
                "machines", fleet.refs().stream().filter(m -> !m.retired()).toList());
        return "starting/files";
    }

    @PostMapping("/files")
    String bring(
            @RequestParam(required = false) MultipartFile file,
            FileForm typed,
            Model model,
            HttpServletResponse response)
            throws IOException {
        try {
            return "redirect:/files/reading/" + begin(file, typed);
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return list(null, typed, model);
        }
    }

    private String begin(MultipartFile file, FileForm typed) throws IOException {
        if (file == null || file.isEmpty()) {
            throw new Refused("file", "No file was chosen, or it is empty.");
        }
        Findings findings = new Findings();
        SlicedFiles.Asked asked = new SlicedFiles.Asked(
                file.getOriginalFilename(),
                Typed.number(typed.layerMm(), "layerMm", findings),
                Typed.number(typed.widthMm(), "widthMm", findings),
                Typed.number(typed.depthMm(), "depthMm", findings),
                Typed.orNull(typed.machine()));
        Refused.unless(findings);
        Path kept = Files.createTempFile("sliced", ".zip");
        file.transferTo(kept);
        return checks.begin(kept, asked);
    }

    /** How far it is; once it is read, its page. */
    @GetMapping("/files/reading/{id}")
    String reading(
            @PathVariable String id,
            @RequestHeader(name = "HX-Request", required = false) String part,
            Model model,
            HttpServletResponse response) {
        FileChecks.Reading reading = checks.of(id);
        if (reading.hash() != null && part == null) {
            return "redirect:/files/" + reading.hash();
        }
        if (reading.hash() != null) {
            response.setHeader("HX-Redirect", "/files/" + reading.hash());
        }
        model.addAttribute("r", reading);
        return "starting/file-reading";
    }

    @PostMapping("/files/reading/{id}/stop")
    String callOff(@PathVariable String id) {
        checks.callOff(id);
        return "redirect:/files";
    }

    /**
     * @param machine that it is looked at for; by itself the one that it was read for
     * @param layer that is shown first
     */
    @GetMapping("/files/{hash}")
    String one(
            @PathVariable String hash,
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) String layer,
            Model model) {
        JobFiles.JobFile file = jobs.one(hash);
        String asked = machine == null ? file.machine() : machine;
        MachineNow m = asked == null || asked.isBlank() ? null : standings.of(asked);
        FileVerdict verdict = jobs.verdict(file, m);
        model.addAttribute("f", file);
        model.addAttribute("m", m);
        model.addAttribute("verdict", verdict);
        model.addAttribute("prints", jobs.prints(hash));
        model.addAttribute(
                "estimate", m == null ? null : gates.estimate(m, file.checked().layers(), null));
        model.addAttribute(
                "machines", fleet.refs().stream().filter(r -> !r.retired()).toList());
        model.addAttribute("drawing", FileDrawing.of(file, verdict));
        model.addAttribute("layer", shown(layer, file, verdict));
        return "starting/file";
    }

    /** The one that is asked for, else that of the first finding, else the one in the middle. */
    private static int shown(String asked, JobFiles.JobFile file, FileVerdict verdict) {
        int layers = file.checked().layers();
        Integer wanted = Gates.layers(asked);
        int first = verdict.findings().stream()
                .mapToInt(j -> j.finding().layer())
                .findFirst()
                .orElse((layers + 1) / 2);
        return Math.max(1, Math.min(layers, wanted == null ? first : wanted));
    }

    /** The picture of a layer. */
    @GetMapping("/files/{hash}/layers/{layer}")
    ResponseEntity<byte[]> layer(@PathVariable String hash, @PathVariable int layer) {
        byte[] png = files.layer(hash, layer)
                .orElseThrow(() -> new NotThere("This layer is not kept, or there is none of that number."));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .cacheControl(CacheControl.maxAge(ALWAYS).cachePrivate().immutable())
                .body(png);
    }

    /**
     * Decides of a finding by its number on the page.
     *
     * @param as "accepted" or "anew"
     */
    @PostMapping("/files/{hash}/decide")
    String decide(
            @PathVariable String hash,
            @RequestParam(required = false) String machine,
            @RequestParam int n,
            @RequestParam String as,
            @RequestParam(required = false) String reason,
            Model model,
            HttpServletResponse response) {
        JobFiles.JobFile file = jobs.one(hash);
        MachineNow m = machine == null || machine.isBlank() ? null : standings.of(machine);
        List<FileVerdict.Judged> findings = jobs.verdict(file, m).findings();
        if (n < 1 || n > findings.size()) {
            throw new NotThere("There is no such finding any more.");
        }
        FileFinding finding = findings.get(n - 1).finding();
        model.addAttribute("typedN", n);
        model.addAttribute("typedReason", reason);
        return PageErrors.tried(
                () -> jobs.decide(hash, finding, as.equals("accepted"), reason),
                "/files/" + hash + (m == null ? "?layer=" : "?machine=" + m.code() + "&layer=") + finding.layer(),
                model,
                response,
                () -> one(hash, machine, Integer.toString(finding.layer()), model));
    }

    @PostMapping("/files/{hash}/back")
    String back(@PathVariable String hash, @RequestParam long id, @RequestParam(required = false) String machine) {
        jobs.takeBack(hash, id);
        return "redirect:/files/" + hash + (machine == null || machine.isBlank() ? "" : "?machine=" + machine);
    }

    /** The file itself is thrown away; what was found in it stays. */
    @PostMapping("/files/{hash}/drop")
    String drop(@PathVariable String hash) {
        files.drop(hash);
        return "redirect:/files/" + hash;
    }
}
