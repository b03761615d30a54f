package keel.app.failures.web;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import keel.app.base.Paging;
import keel.app.failures.CaseChecks;
import keel.app.failures.CheckView;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailurePhotos;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.failures.PhotoView;
import keel.app.failures.Verdicts;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/v1/failures")
class FailuresApi {

    private final Failures failures;
    private final FailurePhotos failurePhotos;
    private final CaseChecks caseChecks;
    private final Verdicts verdicts;

    FailuresApi(Failures failures, FailurePhotos failurePhotos, CaseChecks caseChecks, Verdicts verdicts) {
        this.failures = failures;
        this.failurePhotos = failurePhotos;
        this.caseChecks = caseChecks;
        this.verdicts = verdicts;
    }

    record Verdict(String cause, String certainty, String note) {}

    record Checked(String check, List<String> found) {}

    record Correction(
            String reason,
            Integer version,
            Optional<Long> run,
            Instant seenAt,
            List<String> symptoms,
            List<String> absent,
            List<String> zones,
            Optional<String> note,
            Boolean withdrawn) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    FailureView log(@RequestBody FailureEntry entry) {
        return failures.log(entry);
    }

    /** Names the cause; a later verdict supersedes an earlier one. */
    @PostMapping("/{id}/cause")
    FailureView cause(@PathVariable long id, @RequestBody Verdict verdict) {
        return verdicts.nameCause(id, verdict.cause(), verdict.certainty(), verdict.note());
    }

    /** Records a check; {@code found: []} means that it was looked for and nothing was found. */
    @PostMapping("/{id}/checks")
    @ResponseStatus(HttpStatus.CREATED)
    CheckView check(@PathVariable long id, @RequestBody Checked checked) {
        return caseChecks.check(id, checked.check(), checked.found());
    }

    /**
     * Corrects what is given and leaves the rest; a null clears run or note. With {@code version}, only if nobody else
     * changed it since.
     */
    @PostMapping("/{id}/corrections")
    FailureView correct(@PathVariable long id, @RequestBody Correction c) {
        FailureView old = failures.one(id);
        FailureEntry entry = new FailureEntry(
                old.machine(),
                c.run() == null ? old.run() : c.run().orElse(null),
                c.seenAt() == null ? old.seenAt() : c.seenAt(),
                c.symptoms() == null ? old.symptoms() : c.symptoms(),
                c.absent() == null ? old.absent() : c.absent(),
                c.zones() == null ? old.zones() : c.zones(),
                c.note() == null ? old.note() : c.note().orElse(null));
        return failures.correct(id, c.version(), entry, c.withdrawn(), c.reason());
    }

    @PostMapping(value = "/{id}/photos", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    PhotoView photo(
            @PathVariable long id, @RequestParam MultipartFile file, @RequestParam(required = false) String caption)
            throws java.io.IOException {
        return failurePhotos.addPhoto(id, file.getBytes(), caption);
    }

    @GetMapping("/{id}")
    FailureView one(@PathVariable long id) {
        return failures.one(id);
    }

    @GetMapping
    List<FailureView> list(
            @RequestParam(required = false) String machine,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "200") int size) {
        return failures.list(machine, false, Paging.of(page, size));
    }
}
