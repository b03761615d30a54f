package keel.app.starting.web;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import keel.app.base.Refused;
import keel.app.starting.SlicedFiles;
import org.springframework.http.MediaType;
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

    private final SlicedFiles files;

    FilesApi(SlicedFiles files) {
        this.files = files;
    }

    /**
     * @param file a ZIP of layer PNGs, with or without {@code sheet.json}
     * @param layerMm height of a layer, {@code widthMm} and {@code depthMm} of the pictures, where no sheet says so;
     *     with a machine its plate's
     */
    @PostMapping(value = "/check", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    SlicedFiles.Checked check(
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
        try {
            file.transferTo(kept);
            return files.check(
                    kept, new SlicedFiles.Asked(file.getOriginalFilename(), layerMm, widthMm, depthMm, machine));
        } finally {
            Files.deleteIfExists(kept);
        }
    }

    @GetMapping("/{hash}")
    SlicedFiles.Checked one(@PathVariable String hash) {
        return files.of(hash);
    }
}
