package keel.app.screen;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Fleet;
import keel.app.fleet.ModelEntry;
import keel.app.instruments.Instruments;
import keel.app.problems.Conflict;
import keel.app.problems.NotThere;
import keel.app.problems.PageErrors;
import keel.app.problems.Refused;
import keel.app.upkeep.MachineNow;
import keel.app.upkeep.Standings;
import keel.core.Findings;
import keel.core.screen.ScreenInspection;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.SpotsCompared;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;

/** A machine's screen: test pictures to show on it, an inspection by photograph, the spots that are kept. */
@Controller
class ScreenController {

    private final Standings standings;
    private final Fleet fleet;
    private final ScreenSpots spots;
    private final Bench bench;
    private final Instruments instruments;
    private final Clock clock;

    ScreenController(Standings standings, Fleet fleet, ScreenSpots spots, Bench bench, Instruments instruments, Clock clock) {
        this.standings = standings;
        this.fleet = fleet;
        this.spots = spots;
        this.bench = bench;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** Shows what the last inspection kept; with {@code take} photographs the simulated screen. */
    @GetMapping("/machines/{code}/screen")
    String screen(@PathVariable String code, @RequestParam(required = false) TestPattern take, Model model, HttpServletResponse response) {
        MachineNow m = machine(code);
        if (take == null) {
            return show(m, null, kept(m), model);
        }
        byte[] photo = instruments.at(code).flatMap(box -> box.photograph(code, picture(m, take), clock.instant())).orElseThrow(() -> new NotThere("There is no simulated screen to photograph here."));
        return inspected(m, photo, take, model, response);
    }

    @PostMapping("/machines/{code}/screen/photo")
    String photo(@PathVariable String code, @RequestParam MultipartFile photo, @RequestParam TestPattern pattern, Model model, HttpServletResponse response) throws IOException {
        return inspected(machine(code), photo.getBytes(), pattern, model, response);
    }

    /** A test picture at this screen's own pixels. */
    @GetMapping(value = "/machines/{code}/screen/{pattern}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable String code, @PathVariable String pattern) {
        TestPattern known = List.of(TestPattern.values()).stream().filter(p -> p.name().equalsIgnoreCase(pattern)).findFirst().orElseThrow(() -> new NotThere("There is no test picture " + pattern + "."));
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).header("Content-Disposition", "attachment; filename=\"" + pattern.toLowerCase() + "-" + code + ".png\"")
                .body(TestPictures.png(picture(machine(code), known)));
    }

    /** Writes the inspection down; holds and the advice where to print follow. */
    @PostMapping("/machines/{code}/screen")
    String keep(@PathVariable String code, @RequestParam(defaultValue = "") String spots, Model model, HttpServletResponse response) {
        MachineNow m = machine(code);
        try {
            Findings findings = new Findings();
            List<Spot> read = SpotLines.read(spots, m.plateWidthMm(), m.plateDepthMm(), findings);
            Refused.unless(findings);
            bench.record(new ServiceEntry(code, "SCREEN_INSPECTED", null, null, Map.of("clean", read.isEmpty(), "spots",
                    read.stream().map(s -> Map.of("kind", s.kind().name(), "xMm", s.xMm(), "yMm", s.yMm(), "sizeMm", s.sizeMm())).toList())));
            return "redirect:/machines/" + code + "/screen";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("lines", spots);
            return show(m, null, kept(m), model);
        }
    }

    private String inspected(MachineNow m, byte[] photo, TestPattern pattern, Model model, HttpServletResponse response) {
        try {
            ScreenInspection seen = ScreenInspection.of(ScreenPhotos.read(photo), picture(m, pattern), m.plateWidthMm(), m.plateDepthMm());
            return show(m, seen, seen.found() ? together(seen.spots(), kept(m), pattern) : kept(m), model);
        } catch (ResponseStatusException e) {
            PageErrors.show(new Refused("photo", e.getReason()), model, response);
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return show(m, null, kept(m), model);
    }

    /** What was seen, and what is on record of a kind that this pattern cannot show. */
    private static List<Spot> together(List<Spot> seen, List<Spot> kept, TestPattern pattern) {
        return Stream.concat(seen.stream(), kept.stream().filter(s -> !pattern.shows(s.kind()))).toList();
    }

    private MachineNow machine(String code) {
        MachineNow m = standings.of(code);
        if (m.screen() == null) {
            throw new NotThere(m.name() + " has no screen that could be inspected.");
        }
        return m;
    }

    private List<Spot> kept(MachineNow m) {
        return spots.last(m).map(ScreenSpots.Last::spots).orElse(List.of());
    }

    private TestPicture picture(MachineNow m, TestPattern pattern) {
        ModelEntry model = fleet.modelOf(m.code());
        if (model.pixelsX() == null || model.pixelsY() == null) {
            throw new NotThere("How many pixels the screen of " + m.name() + " has is not on record: say it under Set-up, at its model.");
        }
        return TestPicture.of(pattern, model.pixelsX(), model.pixelsY());
    }

    private String show(MachineNow m, ScreenInspection seen, List<Spot> now, Model model) {
        ScreenSpots.Last last = spots.last(m).orElse(null);
        List<SpotsCompared.Compared> compared = SpotsCompared.of(last == null ? List.of() : last.spots(), now);
        model.addAttribute("m", m);
        model.addAttribute("entry", fleet.modelOf(m.code()));
        model.addAttribute("last", last);
        model.addAttribute("seen", seen);
        model.addAttribute("compared", compared);
        model.addAttribute("map", SpotMap.of(m.plateWidthMm(), m.plateDepthMm(), compared));
        model.addAttribute("patterns", TestPattern.values());
        model.addAttribute("simulated", instruments.at(m.code()).isPresent());
        if (!model.containsAttribute("lines")) {
            model.addAttribute("lines", SpotLines.text(now));
        }
        return "screen/screen";
    }
}
