package keel.app.screen.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.Instruments;
import keel.app.screen.DryRuns;
import keel.app.screen.ScreenInspections;
import keel.app.screen.ScreenShots;
import keel.app.screen.ScreenSpots;
import keel.app.screen.ScreenVerdicts;
import keel.app.screen.TestPictures;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.screen.ScreenInspection.Hidden;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.SpotsCompared;
import keel.core.screen.TestPattern;
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

/**
 * A machine's screen: what it is still good for, test pictures to show on it, an inspection by photograph, the spots
 * that are kept.
 */
@Controller
class ScreenController {

    private static final int HISTORY = 8;

    private final Standings standings;
    private final Fleet fleet;
    private final ScreenSpots spots;
    private final ScreenShots shots;
    private final ScreenVerdicts verdicts;
    private final DryRuns dryRuns;
    private final ScreenInspections inspections;
    private final Instruments instruments;

    ScreenController(
            Standings standings,
            Fleet fleet,
            ScreenSpots spots,
            ScreenShots shots,
            ScreenVerdicts verdicts,
            DryRuns dryRuns,
            ScreenInspections inspections,
            Instruments instruments) {
        this.standings = standings;
        this.fleet = fleet;
        this.spots = spots;
        this.shots = shots;
        this.verdicts = verdicts;
        this.dryRuns = dryRuns;
        this.inspections = inspections;
        this.instruments = instruments;
    }

    /** Shows what the last inspection kept; with {@code photo} what is seen on that one. */
    @GetMapping("/machines/{code}/screen")
    String screen(@PathVariable String code, @RequestParam(required = false) Long photo, Model model) {
        MachineNow m = withScreen(code);
        return show(m, photo == null ? null : shots.one(m, photo), model);
    }

    @PostMapping("/machines/{code}/screen/photo")
    String photo(
            @PathVariable String code,
            @RequestParam MultipartFile photo,
            @RequestParam TestPattern pattern,
            Model model,
            HttpServletResponse response)
            throws IOException {
        return looked(withScreen(code), photo.getBytes(), pattern, model, response);
    }

    /** Photographs the simulated screen. */
    @PostMapping("/machines/{code}/screen/take")
    String take(
            @PathVariable String code, @RequestParam TestPattern pattern, Model model, HttpServletResponse response) {
        MachineNow m = withScreen(code);
        byte[] photo = instruments
                .at(code)
                .flatMap(box -> box.photograph(inspections.picture(m, pattern)))
                .orElseThrow(() -> new NotThere("There is no simulated screen to photograph here."));
        return looked(m, photo, pattern, model, response);
    }

    @GetMapping(value = "/machines/{code}/screen/photos/{id}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> kept(@PathVariable String code, @PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .header("X-Content-Type-Options", "nosniff")
                .header("Cache-Control", "private, max-age=31536000, immutable")
                .body(shots.picture(withScreen(code), id));
    }

    /** A test picture at this screen's own pixels. */
    @GetMapping(value = "/machines/{code}/screen/{pattern}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable String code, @PathVariable String pattern) {
        TestPattern known = List.of(TestPattern.values()).stream()
                .filter(p -> p.name().equalsIgnoreCase(pattern))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no test picture " + pattern + "."));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"" + pattern.toLowerCase(Locale.ROOT) + "-" + code + ".png\"")
                .body(TestPictures.png(inspections.picture(withScreen(code), known)));
    }

    /**
     * Writes the inspection down; holds and the advice where to print follow.
     *
     * @param photo that it is written down from, null for one by eye
     * @param accepted places in the list of what was seen on it
     * @param spots further ones, a line each
     */
    @PostMapping("/machines/{code}/screen")
    String keep(
            @PathVariable String code,
            @RequestParam(required = false) Long photo,
            @RequestParam(required = false) List<Integer> accepted,
            @RequestParam(defaultValue = "") String spots,
            Model model,
            HttpServletResponse response) {
        MachineNow m = withScreen(code);
        ScreenShots.Shot shot = photo == null ? null : shots.one(m, photo);
        try {
            Findings findings = new Findings();
            List<Spot> besides = SpotLines.read(spots, m.plateWidthMm(), m.plateDepthMm(), findings);
            Refused.unless(findings);
            inspections.write(m, photo, accepted == null ? List.of() : accepted, besides);
            return "redirect:/machines/" + code + "/screen";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            model.addAttribute("lines", spots);
            return show(m, shot, model);
        }
    }

    private String looked(MachineNow m, byte[] bytes, TestPattern pattern, Model model, HttpServletResponse response) {
        try {
            return "redirect:/machines/" + m.code() + "/screen?photo=" + inspections.look(m, bytes, pattern);
        } catch (ResponseStatusException e) {
            PageErrors.show(new Refused("photo", e.getReason()), model, response);
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return show(m, null, model);
    }

    private MachineNow withScreen(String code) {
        MachineNow m = standings.of(code);
        if (m.screen() == null) {
            throw new NotThere(m.name() + " has no screen that could be inspected.");
        }
        return m;
    }

    /** What this pattern cannot show, what was hidden on it, and all where nothing was photographed. */
    private static List<Spot> besides(List<Spot> kept, ScreenShots.Shot shot) {
        return shot == null
                ? kept
                : kept.stream()
                        .filter(s -> !shot.pattern().shows(s.kind())
                                || shot.seen().hidden().stream().anyMatch(h -> h.covers(s.xMm(), s.yMm())))
                        .toList();
    }

    private static List<Hidden> hidden(ScreenShots.Shot shot, ScreenSpots.Last last) {
        return shot != null ? shot.seen().hidden() : last != null ? last.hidden() : List.of();
    }

    private String show(MachineNow m, ScreenShots.Shot shot, Model model) {
        List<ScreenSpots.Last> history = spots.history(m, HISTORY);
        ScreenSpots.Last last = history.isEmpty() ? null : history.get(0);
        List<Spot> kept = last == null ? List.of() : last.spots();
        List<Spot> besides = besides(kept, shot);
        List<Spot> now = new ArrayList<>(shot == null ? List.of() : shot.seen().spots());
        now.addAll(besides);
        List<SpotsCompared.Compared> compared = SpotsCompared.of(
                shot == null && history.size() > 1 ? history.get(1).spots() : kept, now);
        model.addAttribute("m", m);
        model.addAttribute("entry", fleet.modelOf(m.code()));
        model.addAttribute("history", history);
        model.addAttribute("last", last);
        model.addAttribute("shot", shot);
        model.addAttribute("verdict", verdicts.of(m).orElse(null));
        model.addAttribute("compared", compared);
        model.addAttribute("map", SpotMap.of(m.plateWidthMm(), m.plateDepthMm(), compared, hidden(shot, last)));
        model.addAttribute("patterns", TestPattern.values());
        model.addAttribute("simulated", instruments.at(m.code()).isPresent());
        model.addAttribute("dryRuns", dryRuns.of(m.id()));
        if (!model.containsAttribute("lines")) {
            model.addAttribute("lines", SpotLines.text(besides));
        }
        return "screen/screen";
    }
}
