package keel.app.air.web;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.function.Function;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.core.Findings;
import keel.core.air.CollectorBox;
import keel.core.air.WallDuct;
import keel.core.air.WindowPanel;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What is sawn for the path of the air: a panel for a window, a box that joins outlets, a pipe through a wall. */
@Controller
class PanelController {

    private static final Map<String, Function<Map<String, String>, ScaleDrawing>> DRAWINGS = Map.of(
            "panel",
            a -> ScaleDrawing.of(panelOf(a)),
            "box",
            a -> ScaleDrawing.of(boxOf(a)),
            "wall-duct",
            a -> ScaleDrawing.of(ductOf(a)));

    @GetMapping("/air/panel")
    String panel(@RequestParam Map<String, String> asked, Model model, HttpServletResponse response) {
        model.addAttribute("form", asked);
        try {
            WindowPanel panel = panelOf(asked);
            model.addAttribute("panel", panel);
            model.addAttribute("scale", DrawingFiles.scale(ScaleDrawing.of(panel)));
            CollectorBox box = boxOf(asked);
            model.addAttribute("box", box);
            model.addAttribute("boxScale", DrawingFiles.scale(ScaleDrawing.of(box)));
            WallDuct duct = ductOf(asked);
            model.addAttribute("duct", duct);
            model.addAttribute("ductScale", DrawingFiles.scale(ScaleDrawing.of(duct)));
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return "air/panel";
    }

    private static WindowPanel panelOf(Map<String, String> asked) {
        Findings findings = new Findings();
        WindowPanel panel = WindowPanel.middle(
                Typed.number(asked.get("widthMm"), 600, "widthMm", findings),
                Typed.number(asked.get("heightMm"), 400, "heightMm", findings),
                Typed.number(asked.get("gapMm"), 7, "gapMm", findings),
                Typed.number(asked.get("thicknessMm"), 9, "thicknessMm", findings),
                Typed.number(asked.get("flangeMm"), 100, "flangeMm", findings),
                !asked.containsKey("widthMm") || asked.containsKey("handles"));
        Refused.unless(findings);
        panel.check(findings);
        Refused.unless(findings);
        return panel;
    }

    private static CollectorBox boxOf(Map<String, String> asked) {
        Findings findings = new Findings();
        Integer outlets = Typed.whole(asked.getOrDefault("outlets", "2"), "outlets", findings);
        CollectorBox box = new CollectorBox(
                outlets == null ? 0 : outlets,
                Typed.number(asked.get("outletMm"), 75, "outletMm", findings),
                Typed.number(asked.get("hoseMm"), 100, "hoseMm", findings),
                Typed.number(asked.get("boxMm"), 9, "boxMm", findings));
        Refused.unless(findings);
        box.check(findings);
        Refused.unless(findings);
        return box;
    }

    private static WallDuct ductOf(Map<String, String> asked) {
        Findings findings = new Findings();
        WallDuct duct = new WallDuct(
                Typed.number(asked.get("wallMm"), 300, "wallMm", findings),
                Typed.number(asked.get("pipeMm"), 100, "pipeMm", findings));
        Refused.unless(findings);
        duct.check(findings);
        Refused.unless(findings);
        return duct;
    }

    @GetMapping("/air/{what:panel|box|wall-duct}.svg")
    ResponseEntity<byte[]> svg(@PathVariable String what, @RequestParam Map<String, String> asked) {
        ScaleDrawing drawing = drawing(what, asked);
        return file(
                drawing.file() + ".svg",
                MediaType.valueOf("image/svg+xml"),
                DrawingFiles.svg(drawing).getBytes(StandardCharsets.UTF_8));
    }

    @GetMapping("/air/{what:panel|box|wall-duct}.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable String what, @RequestParam Map<String, String> asked) {
        ScaleDrawing drawing = drawing(what, asked);
        return file(drawing.file() + ".pdf", MediaType.APPLICATION_PDF, DrawingFiles.pdf(drawing));
    }

    private static ScaleDrawing drawing(String what, Map<String, String> asked) {
        return DRAWINGS.get(what).apply(asked);
    }

    private static ResponseEntity<byte[]> file(String name, MediaType type, byte[] bytes) {
        return ResponseEntity.ok()
                .contentType(type)
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"")
                .body(bytes);
    }
}
