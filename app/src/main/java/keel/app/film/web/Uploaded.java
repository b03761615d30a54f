package keel.app.film.web;

import java.io.IOException;
import keel.app.base.Refused;
import keel.core.film.Recording;
import org.springframework.web.multipart.MultipartFile;

/** A recording that somebody sent. */
final class Uploaded {

    private Uploaded() {}

    /** @throws Refused at that field, if it is no recording that can be read */
    static Recording recording(MultipartFile file, String field) throws IOException {
        try {
            return Recording.ofWav(file.getBytes());
        } catch (IllegalArgumentException e) {
            throw new Refused(field, e.getMessage());
        }
    }
}
