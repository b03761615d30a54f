package keel.app.film.web;

import java.io.IOException;
import java.util.List;
import keel.app.base.Refused;
import keel.app.fleet.ComponentKind;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.core.Findings;
import keel.core.film.ClearExposure;
import keel.core.film.FilmTension;
import keel.core.film.TapTone;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Tone, clearness and whereabouts of films, for programs. */
@RestController
@RequestMapping("/api/v1")
class FilmApi {

    private final PartsReading parts;

    FilmApi(PartsReading parts) {
        this.parts = parts;
    }

    /** Tension, N/m: without the mass of the air that the film moves, and with it. */
    record Tension(double dry, double withAir) {}

    /** How a film sounds; what follows from the tone is null where there is no clear one. */
    record Tone(
            boolean clear,
            int taps,
            Double fundamentalHz,
            Double spreadHz,
            Tension tensionNPerM,
            Double stressMPa,
            Double evenness,
            Double centsFromReference,
            FilmTension.Verdict verdict) {}

    /**
     * Tension from a recording of taps on an empty vat's film, free on both sides, held by its rim.
     *
     * @param file WAV, PCM or floats, 0.2 to 30 s
     * @param lengthMm free opening, mm; {@code widthMm} across
     * @param referenceHz tone of a film of this vat model that is known to be good; within 100 cents of it is good
     */
    @PostMapping(value = "/film/tone", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Tone tone(
            @RequestParam(required = false) MultipartFile file,
            @RequestParam(required = false) Double lengthMm,
            @RequestParam(required = false) Double widthMm,
            @RequestParam(required = false) Double thicknessMm,
            @RequestParam(defaultValue = "2150") Double densityKgM3,
            @RequestParam(required = false) Double referenceHz)
            throws IOException {
        Findings findings = new Findings();
        findings.when(file == null || file.isEmpty(), "file", "The recording is missing.");
        findings.range(lengthMm, 10, 1000, "lengthMm", "The length of the window", "mm");
        findings.range(widthMm, 10, 1000, "widthMm", "The width of the window", "mm");
        findings.range(thicknessMm, 0.01, 1, "thicknessMm", "The thickness", "mm");
        findings.range(densityKgM3, 500, 5000, "densityKgM3", "The density", "kg/m³");
        findings.rangeIfGiven(referenceHz, 20, 5000, "referenceHz", "The reference tone", "Hz");
        Refused.unless(findings);
        TapTone tone = TapTone.of(Uploaded.recording(file, "file"));
        if (!tone.clear()) {
            return new Tone(false, tone.taps(), null, null, null, null, null, null, FilmTension.Verdict.NO_TONE);
        }
        FilmTension t = FilmTension.of(tone.fundamentalHz(), tone.modes(), lengthMm, widthMm, thicknessMm, densityKgM3);
        Double cents =
                referenceHz == null ? null : Double.valueOf(FilmTension.cents(tone.fundamentalHz(), referenceHz));
        return new Tone(
                true,
                tone.taps(),
                tone.fundamentalHz(),
                Double.isNaN(tone.spreadHz()) ? null : Double.valueOf(tone.spreadHz()),
                new Tension(t.dryNPerM(), t.withAirNPerM()),
                t.stressMPa(),
                t.evenness(),
                cents,
                FilmTension.verdict(cents));
    }

    record Clouding(Double exposureS, Double transmittanceAtCalibration, Double transmittanceNow) {}

    record Exposure(double exposureS) {}

    /** The layer exposure that gives the same dose through the film as it is now. */
    @PostMapping("/film/exposure")
    Exposure exposure(@RequestBody Clouding c) {
        Findings findings = new Findings();
        ClearExposure.check(c.exposureS(), c.transmittanceAtCalibration(), c.transmittanceNow(), findings);
        Refused.unless(findings);
        return new Exposure(ClearExposure.seconds(c.exposureS(), c.transmittanceAtCalibration(), c.transmittanceNow()));
    }

    /** A vat with the film in it. {@code machine} is null on the shelf. */
    record Vat(
            String vat,
            String model,
            String machine,
            String film,
            String material,
            Double thicknessMm,
            Double filmHours,
            Long filmPeels) {}

    /** All vats in use and on the shelf, newest first. */
    @GetMapping("/vats")
    List<Vat> vats() {
        List<PartView> films = parts.all(ComponentKind.FILM, false);
        return parts.all(ComponentKind.VAT, false).stream()
                .map(v -> {
                    PartView film = films.stream()
                            .filter(f -> f.code().equals(v.filmCode()))
                            .findFirst()
                            .orElse(null);
                    return new Vat(
                            v.code(),
                            v.model(),
                            v.carrier(),
                            v.filmCode(),
                            film == null ? null : film.material(),
                            film == null ? null : film.thicknessMm(),
                            film == null ? null : Double.valueOf(film.usage().hours()),
                            film == null ? null : Long.valueOf(film.usage().layers()));
                })
                .toList();
    }
}
