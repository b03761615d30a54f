package keel.app.film.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.air.Air;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.Instruments;
import keel.core.Findings;
import keel.core.film.Recording;
import keel.core.film.TakeUp;
import keel.core.film.ToneComparison;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** A film's tension by its tone: how to tap it, what was heard, what it should sound like and which side to take up. */
@Controller
class ToneController {

    private final Vats vats;
    private final FilmTones tones;
    private final Fleet fleet;
    private final Air air;
    private final Instruments instruments;

    ToneController(Vats vats, FilmTones tones, Fleet fleet, Air air, Instruments instruments) {
        this.vats = vats;
        this.tones = tones;
        this.fleet = fleet;
        this.air = air;
        this.instruments = instruments;
    }

    /** What a page shows of one hearing. {@code quarter} is null without a second recording. */
    record Heard(
            FilmTones.Tone tone,
            ToneComparison against,
            TakeUp takeUp,
            ToneDrawing centre,
            ToneDrawing quarter,
            boolean tooLoud) {}

    @GetMapping("/vats/{code}/tone")
    String tone(@PathVariable String code, Model model) {
        return show(vats.one(code), new LinkedHashMap<>(), model);
    }

    /** Listens to the recordings; a clear tone is kept. */
    @PostMapping("/vats/{code}/tone")
    String listen(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) MultipartFile centre,
            @RequestParam(required = false) MultipartFile quarter,
            Model model,
            HttpServletResponse response)
            throws IOException {
        Vats.Vat vat = vats.one(code);
        try {
            Findings findings = new Findings();
            Double temperatureC = Typed.number(typed.get("temperatureC"), "temperatureC", findings);
            findings.when(vat.film() == null, "centre", "There is no film in vat " + vat.code() + ".");
            Refused.unless(findings);
            boolean simulated = "true".equals(typed.get("simulated"));
            Recording first = simulated ? simulated(vat, false) : recording(centre, "centre", true);
            Recording second = simulated ? simulated(vat, true) : recording(quarter, "quarter", false);
            return heard(vat, first, second, temperatureC, model, response, typed);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(vat, typed, model);
        }
    }

    private String heard(
            Vats.Vat vat,
            Recording first,
            Recording second,
            Double temperatureC,
            Model model,
            HttpServletResponse response,
            Map<String, String> typed) {
        FilmTones.Hearing hearing = tones.hear(vat, first, second);
        FilmTones.Traces traces = hearing.traces();
        if (!hearing.heard().clear() || !hearing.heard().agree()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("unclear", ToneDrawing.of(traces.centre(), traces.centrePeaks(), null, null, null));
            model.addAttribute("disagree", !hearing.heard().agree());
            model.addAttribute("tooLoud", traces.centre().tooLoud());
            model.addAttribute("noTaps", traces.centre().tapsAtS().isEmpty());
            return show(vat, typed, model);
        }
        tones.keep(vat, hearing, temperatureC);
        return "redirect:/vats/" + vat.code() + "/tone?heard";
    }

    @PostMapping("/vats/{code}/tone/reference")
    String reference(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Vats.Vat vat = vats.one(code);
        try {
            Findings findings = new Findings();
            Double temperatureC = Typed.number(typed.get("referenceC"), "referenceC", findings);
            Double hz = Typed.number(typed.get("hz"), "hz", findings);
            Double tension = Typed.number(typed.get("tension"), "tension", findings);
            Integer tone = Typed.whole(typed.get("tone"), "tone", findings);
            Refused.unless(findings);
            switch (typed.getOrDefault("school", "")) {
                case "EAR" -> tones.refer(vat, tone == null ? 0 : tone);
                case "STATED" -> tones.state(vat, hz, temperatureC);
                case "MAKER" -> tones.make(vat, tension, temperatureC);
                default -> throw new Refused("school", "Choose where the reference comes from.");
            }
            return "redirect:/vats/" + vat.code() + "/tone?kept";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(vat, typed, model);
        }
    }

    @PostMapping("/vats/{code}/tone/{id}/withdraw")
    String withdraw(@PathVariable String code, @PathVariable long id) {
        Vats.Vat vat = vats.one(code);
        tones.withdraw(vat, id);
        return "redirect:/vats/" + vat.code() + "/tone";
    }

    private Recording simulated(Vats.Vat vat, boolean quarter) {
        return Recording.ofWav((vat.machine() == null
                        ? Optional.<byte[]>empty()
                        : instruments.at(vat.machine()).flatMap(box -> box.taps(quarter)))
                .orElseThrow(() -> new Refused(
                        "centre", "The simulated microphone hears only vats that are on a machine of the demo.")));
    }

    private static Recording recording(MultipartFile file, String field, boolean needed) throws IOException {
        if (file == null || file.isEmpty()) {
            if (needed) {
                throw new Refused(field, "Record some taps at the centre, or choose a recording.");
            }
            return null;
        }
        return Uploaded.recording(file, field);
    }

    private String show(Vats.Vat vat, Map<String, String> typed, Model model) {
        List<FilmTones.Tone> all =
                vat.film() == null ? List.of() : tones.of(vat.film().id());
        FilmTones.Reference reference = tones.reference(vat).orElse(null);
        model.addAttribute("v", vat);
        model.addAttribute("form", typed);
        model.addAttribute("tones", all);
        model.addAttribute("heard", all.isEmpty() ? null : view(vat, all.get(0), reference));
        model.addAttribute("reference", reference);
        model.addAttribute("mostApart", ToneComparison.MOST_APART_K);
        model.addAttribute(
                "measurable",
                vat.machine() != null
                        && !vat.tank()
                        && instruments.at(vat.machine()).isPresent());
        model.addAttribute(
                "room",
                vat.machine() == null
                        ? null
                        : air.rooms().stream()
                                .filter(r -> r.code()
                                        .equals(fleet.roomOf(
                                                fleet.machine(vat.machine()).id())))
                                .findFirst()
                                .orElse(null));
        return "film/tone";
    }

    private static Heard view(Vats.Vat vat, FilmTones.Tone tone, FilmTones.Reference reference) {
        ToneComparison against = tone.against(reference);
        Double referenceHz = reference == null ? null : Double.valueOf(reference.hz());
        FilmTones.Traces t = tone.traces();
        Double second = vat.model()
                .window()
                .tension(tone.hz(), t.peaks(), vat.film().thicknessMm())
                .secondHz();
        return new Heard(
                tone,
                against,
                TakeUp.of(
                        against == null ? null : against.verdict(),
                        tone.evenness(),
                        vat.model().window().longX()),
                ToneDrawing.of(t.centre(), t.centrePeaks(), tone.hz(), second, referenceHz),
                t.quarter() == null
                        ? null
                        : ToneDrawing.of(t.quarter(), t.quarterPeaks(), tone.hz(), second, referenceHz),
                t.centre().tooLoud());
    }
}
