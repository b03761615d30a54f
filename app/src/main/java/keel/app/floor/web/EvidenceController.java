package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import keel.app.base.PageErrors;
import keel.app.base.Typed;
import keel.app.fleet.Identities;
import keel.app.floor.evidence.Evidence;
import keel.app.floor.evidence.EvidenceFile;
import keel.app.floor.evidence.EvidenceKind;
import keel.app.floor.evidence.EvidencePaper;
import keel.app.floor.evidence.Evidences;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Evidence in hand: a page to look it over, a paper and a ZIP to send. */
@Controller
class EvidenceController {

    private final Evidences evidences;
    private final EvidencePaper paper;
    private final EvidenceFile file;
    private final Identities identities;
    private final PatternSpans spans;

    EvidenceController(
            Evidences evidences, EvidencePaper paper, EvidenceFile file, Identities identities, PatternSpans spans) {
        this.evidences = evidences;
        this.paper = paper;
        this.file = file;
        this.identities = identities;
        this.spans = spans;
    }

    @GetMapping("/evidence/{kind}/{code}")
    String page(
            @PathVariable String kind,
            @PathVariable String code,
            @RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days,
            Model model) {
        Evidence e = evidence(kind, code, days);
        model.addAttribute("e", e);
        model.addAttribute("days", spans.days(days));
        model.addAttribute("spans", spans.all());
        model.addAttribute("drawing", drawing(e));
        boolean machine = e.kind() == EvidenceKind.MACHINE;
        model.addAttribute("plate", machine ? PlateForm.of(identities.of(code)) : null);
        return "floor/evidence";
    }

    private Evidence evidence(String kind, String code, int days) {
        return evidences.of(EvidenceKind.of(kind), code, spans.from(days), null);
    }

    private static SharesDrawing drawing(Evidence e) {
        return e.compared().more() == null
                ? null
                : SharesDrawing.of(List.of(
                        new SharesDrawing.Share(e.name(), e.compared().first(), true),
                        new SharesDrawing.Share("the others", e.compared().second(), false)));
    }

    @GetMapping(
            value = {"/evidence/{kind}/{code}.pdf", "/api/v1/evidence/{kind}/{code}.pdf"},
            produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(
            @PathVariable String kind,
            @PathVariable String code,
            @RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days) {
        Evidence e = evidence(kind, code, days);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(e, "pdf"))
                .body(paper.pdf(e));
    }

    @GetMapping(
            value = {"/evidence/{kind}/{code}.zip", "/api/v1/evidence/{kind}/{code}.zip"},
            produces = "application/zip")
    void zip(
            @PathVariable String kind,
            @PathVariable String code,
            @RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days,
            HttpServletResponse response)
            throws IOException {
        Evidence e = evidence(kind, code, days);
        response.setContentType("application/zip");
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, attachment(e, "zip"));
        file.write(e, response.getOutputStream());
    }

    private static String attachment(Evidence e, String ending) {
        return ContentDisposition.attachment()
                .filename("evidence-" + e.kind().path() + "-" + e.code() + "." + ending)
                .build()
                .toString();
    }

    /** What stands on a machine's plate and bill; days as yyyy-mm-dd, empty where nobody knows. */
    record PlateForm(String serial, String boughtOn, String warrantyUntil) {

        static PlateForm of(Identities.Identity i) {
            return new PlateForm(i.serial(), text(i.boughtOn()), text(i.warrantyUntil()));
        }

        private static String text(LocalDate day) {
            return day == null ? null : day.toString();
        }
    }

    @PostMapping("/evidence/machine/{code}")
    String plate(
            @PathVariable String code,
            PlateForm form,
            @RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> identities.set(
                        code,
                        form.serial(),
                        Typed.day(form.boughtOn(), "boughtOn"),
                        Typed.day(form.warrantyUntil(), "warrantyUntil")),
                "/evidence/machine/" + code + "?days=" + spans.days(days),
                model,
                response,
                () -> {
                    String view = page("machine", code, days, model);
                    model.addAttribute("plate", form);
                    return view;
                });
    }
}
