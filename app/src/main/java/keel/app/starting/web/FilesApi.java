package keel.app.starting.web;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import keel.app.base.Refused;
import keel.app.starting.FileChecks;
import keel.app.starting.SlicedFiles;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Sliced files are read before they are printed, for programs. */
@RestController
@RequestMapping("/api/v1/files")
class FilesApi {

    /** Larger ones are read while whoever brought them goes on. */
    private static final long AT_ONCE_BYTES = 50_000_000;

    private final SlicedFiles files;
    private final FileChecks checks;

    FilesApi(SlicedFiles files, FileChecks checks) {
        this.files = files;
        this.checks = checks;
    }

    /**
     * @param file a ZIP of layer PNGs, with or without {@code sheet.json}
     * @param layerMm height of a layer, {@code widthMm} and {@code depthMm} of the pictures, where no sheet says so;
     *     with a machine its plate's
     */
    @PostMapping(value = "/check", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ResponseEntity<Object> check(
            @RequestParam(required = false) MultipartFile file,
            @RequestParam(required = false) Double layerMm,
            @RequestParam(required = false) Double widthMm,
            @RequestParam(required = false) Double depthMm,
            @RequestParam(required = false) String machine)
            throws IOException {
        if (file == null || file.isEmpty()) {
            throw new Refused("file", "No file was chosen, or it is empty.");
        }
        Path kept = Files.createTempFile("sliced", ".zip");
        SlicedFiles.Asked asked = new SlicedFiles.Asked(file.getOriginalFilename(), layerMm, widthMm, depthMm, machine);
        file.transferTo(kept);
        if (file.getSize() > AT_ONCE_BYTES) {
            FileChecks.Reading begun = checks.of(checks.begin(kept, asked));
            return ResponseEntity.accepted()
                    .location(URI.create("/api/v1/files/reading/" + begun.id()))
                    .body(begun);
        }
        try {
            return ResponseEntity.ok(files.check(kept, asked));
        } finally {
            Files.deleteIfExists(kept);
        }
    }

    /** How far a large file is; {@code hash} once it is read, {@code wrong} where it cannot be. */
    @GetMapping("/reading/{id}")
    FileChecks.Reading reading(@PathVariable String id) {
        return checks.of(id);
    }

    @GetMapping("/{hash}")
    SlicedFiles.Checked one(@PathVariable String hash) {
        return files.of(hash);
    }
}
