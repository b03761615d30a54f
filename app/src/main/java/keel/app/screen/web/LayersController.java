package keel.app.screen.web;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import keel.app.base.LayerZip;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.ModelEntry;
import keel.app.screen.TestPictures;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.screen.LayerOverlay;
import keel.core.screen.LayerSet;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Pictures for a dry run: sets of layers to take along, and all layers of a file over one another. */
@Controller
class LayersController {

    private static final int OVERLAY_PX = 900;
    private static final int MOST_LAYERS = 400;
    private static final double LAYER_MM = 0.05;
    private static final double EXPOSURE_S = 2;

    private final Standings standings;
    private final Fleet fleet;
    private final ObjectMapper json;

    LayersController(Standings standings, Fleet fleet, ObjectMapper json) {
        this.standings = standings;
        this.fleet = fleet;
        this.json = json;
    }

    @GetMapping("/machines/{code}/layers")
    String layers(@PathVariable String code, Model model) {
        MachineNow m = standings.of(code);
        model.addAttribute("m", m);
        model.addAttribute("sets", sets(m));
        model.addAttribute("entry", fleet.modelOf(code));
        return "screen/layers";
    }

    /** PNGs of all layers with a sheet that says what they are. */
    @GetMapping("/machines/{code}/layers/{set}.zip")
    ResponseEntity<StreamingResponseBody> zip(@PathVariable String code, @PathVariable String set) {
        MachineNow m = standings.of(code);
        LayerSet layers = set(m, set);
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("application/zip"))
                .header("Content-Disposition", "attachment; filename=\"" + layers.code() + "-" + m.code() + ".zip\"")
                .body(out -> {
                    try (ZipOutputStream zip = new ZipOutputStream(out)) {
                        zip.setLevel(1);
                        zip.putNextEntry(new ZipEntry("sheet.json"));
                        zip.write(json.writerWithDefaultPrettyPrinter().writeValueAsBytes(sheet(layers, m)));
                        zip.closeEntry();
                        for (int i = 0; i < layers.layers().size(); i++) {
                            zip.putNextEntry(new ZipEntry(file(i)));
                            zip.write(TestPictures.png(
                                    layers.pixelsX(),
                                    layers.pixelsY(),
                                    layers.layers().get(i).picture()));
                            zip.closeEntry();
                        }
                    }
                });
    }

    /** All layers of a set over one another. */
    @GetMapping(value = "/machines/{code}/layers/{set}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> overlay(@PathVariable String code, @PathVariable String set) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .header("Cache-Control", "private, max-age=86400")
                .body(TestPictures.png(LayerOverlay.of(set(standings.of(code), set), OVERLAY_PX)
                        .picture()));
    }

    /** All layers of a file that somebody sends over one another, to lay beside what was seen. */
    @PostMapping("/machines/{code}/layers/overlay")
    Object overlay(
            @PathVariable String code, @RequestParam MultipartFile file, Model model, HttpServletResponse response)
            throws IOException {
        try {
            List<LayerOverlay> overlay = new ArrayList<>();
            LayerZip.read(file.getBytes(), MOST_LAYERS, image -> {
                if (overlay.isEmpty()) {
                    overlay.add(new LayerOverlay(image.getWidth(), image.getHeight(), OVERLAY_PX));
                }
                overlay.get(0).add(image.getWidth(), image.getHeight(), (x, y) -> LayerZip.grey(image, x, y));
            });
            return ResponseEntity.ok()
                    .contentType(MediaType.IMAGE_PNG)
                    .header("X-Content-Type-Options", "nosniff")
                    .body(TestPictures.png(overlay.get(0).picture()));
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return layers(code, model);
        }
    }

    private List<LayerSet> sets(MachineNow m) {
        ModelEntry model = fleet.modelOf(m.code());
        return model.pixelsX() == null || model.pixelsY() == null
                ? List.of()
                : LayerSet.all(model.pixelsX(), model.pixelsY());
    }

    private LayerSet set(MachineNow m, String code) {
        return sets(m).stream()
                .filter(s -> s.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There are no layers called " + code + " for " + m.name() + "."));
    }

    /** The open form of a stack of layers, described in docs/screen-bench.md. */
    private static Map<String, Object> sheet(LayerSet set, MachineNow m) {
        Map<String, Object> sheet = new LinkedHashMap<>();
        sheet.put("form", "keel-layers");
        sheet.put("version", 1);
        sheet.put("name", set.name());
        sheet.put("pixelsX", set.pixelsX());
        sheet.put("pixelsY", set.pixelsY());
        sheet.put("widthMm", m.plateWidthMm());
        sheet.put("depthMm", m.plateDepthMm());
        sheet.put("bottomLeftOfPicture", "front left");
        sheet.put("layerMm", LAYER_MM);
        sheet.put("exposureS", EXPOSURE_S);
        List<Map<String, String>> layers = new ArrayList<>();
        for (int i = 0; i < set.layers().size(); i++) {
            layers.add(Map.of("file", file(i), "shows", set.layers().get(i).shows()));
        }
        sheet.put("layers", layers);
        return sheet;
    }

    private static String file(int index) {
        return "%04d.png".formatted(index + 1);
    }
}
