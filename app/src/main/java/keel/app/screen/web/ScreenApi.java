package keel.app.screen.web;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.app.screen.ScreenPhotos;
import keel.app.screen.TestPictures;
import keel.core.Findings;
import keel.core.screen.DryRun;
import keel.core.screen.ScreenInspection;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Screens, for programs. */
@RestController
@RequestMapping("/api/v1/screen")
class ScreenApi {

    private static final double MOST_PIXELS = 120_000_000;

    /** A test picture of exactly that size, PNG. */
    @GetMapping("/test-picture")
    ResponseEntity<byte[]> picture(
            @RequestParam(required = false) String pattern,
            @RequestParam(required = false) Integer pixelsX,
            @RequestParam(required = false) Integer pixelsY) {
        TestPicture picture = picture(pattern, pixelsX, pixelsY, new Findings());
        String name = picture.pattern().name().toLowerCase(Locale.ROOT) + "-" + pixelsX + "x" + pixelsY + ".png";
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"")
                .body(TestPictures.png(picture));
    }

    /**
     * What a photograph of a test picture tells of the screen.
     *
     * @param photo PNG or JPEG of the whole lit screen through one sheet of white paper; its bottom left is the front
     *     left
     * @param widthMm of the lit area, left to right
     * @param heightMm front to back
     */
    @PostMapping(value = "/inspections", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ScreenInspection inspect(
            @RequestParam(required = false) MultipartFile photo,
            @RequestParam(required = false) String pattern,
            @RequestParam(required = false) Integer pixelsX,
            @RequestParam(required = false) Integer pixelsY,
            @RequestParam(required = false) Double widthMm,
            @RequestParam(required = false) Double heightMm)
            throws IOException {
        Findings findings = new Findings();
        findings.when(photo == null || photo.isEmpty(), "photo", "The photograph is missing.");
        findings.range(widthMm, 10, 2000, "widthMm", "The width of the lit area", "mm");
        findings.range(heightMm, 10, 2000, "heightMm", "The height of the lit area", "mm");
        TestPicture picture = picture(pattern, pixelsX, pixelsY, findings);
        return ScreenInspection.of(ScreenPhotos.read(photo.getBytes()), picture, widthMm, heightMm);
    }

    private static TestPicture picture(String pattern, Integer pixelsX, Integer pixelsY, Findings findings) {
        TestPattern known = Arrays.stream(TestPattern.values())
                .filter(p -> p.name().equals(pattern))
                .findFirst()
                .orElse(null);
        findings.when(
                known == null,
                "pattern",
                "The pattern is one of "
                        + Arrays.stream(TestPattern.values()).map(Enum::name).collect(Collectors.joining(", ")) + ".");
        boolean x = findings.range(
                pixelsX == null ? null : pixelsX.doubleValue(),
                TestPicture.LEAST_PX,
                TestPicture.MOST_PX,
                "pixelsX",
                "The pixels along x",
                "");
        boolean y = findings.range(
                pixelsY == null ? null : pixelsY.doubleValue(),
                TestPicture.LEAST_PX,
                TestPicture.MOST_PX,
                "pixelsY",
                "The pixels along y",
                "");
        findings.when(x && y && (double) pixelsX * pixelsY > MOST_PIXELS, "pixelsX", "More than 120 million pixels.");
        Refused.unless(findings);
        return TestPicture.of(known, pixelsX, pixelsY);
    }

    /** One reading; units stand in the names of the kinds. */
    record ReadingEntry(DryRun.ReadingKind kind, Double value, Double uncertainty) {}

    record DryRunQuestion(DryRun.Profile profile, List<ReadingEntry> readings) {}

    record DryRunAnswer(List<DryRun.Difference> differences) {}

    /** Readings of a dry run beside the profile. */
    @PostMapping("/dry-run")
    DryRunAnswer dryRun(@RequestBody DryRunQuestion q) {
        Findings findings = new Findings();
        findings.when(q.profile() == null, "profile", "The profile is missing.");
        findings.when(q.readings() == null, "readings", "The readings are missing.");
        Refused.unless(findings);
        for (int i = 0; i < q.readings().size(); i++) {
            ReadingEntry r = q.readings().get(i);
            findings.when(r == null || r.kind() == null, "readings[" + i + "].kind", "What was measured is missing.");
            findings.when(r != null && r.value() == null, "readings[" + i + "].value", "The value is missing.");
            findings.when(
                    r != null && r.uncertainty() == null,
                    "readings[" + i + "].uncertainty",
                    "The uncertainty is missing: a stopwatch by hand is good to about 0.2 s.");
        }
        Refused.unless(findings);
        List<DryRun.Reading> readings = q.readings().stream()
                .map(r -> new DryRun.Reading(r.kind(), r.value(), r.uncertainty()))
                .toList();
        DryRun.check(q.profile(), readings, findings);
        Refused.unless(findings);
        return new DryRunAnswer(DryRun.differences(q.profile(), readings));
    }
}
