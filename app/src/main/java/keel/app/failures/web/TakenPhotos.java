package keel.app.failures.web;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.failures.FailurePhotos;
import keel.core.Finding;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Photos that come with a form of a failure. What is said stands, whatever is wrong with a photo of it. */
@Component
class TakenPhotos {

    private final FailurePhotos photos;

    TakenPhotos(FailurePhotos photos) {
        this.photos = photos;
    }

    /** @param taken null or empty for none; {@code after} is told what is wrong with which */
    void keep(long failure, List<MultipartFile> taken, RedirectAttributes after) throws IOException {
        List<Finding> wrong = new ArrayList<>();
        for (MultipartFile photo : taken == null ? List.<MultipartFile>of() : taken) {
            if (!photo.isEmpty()) {
                try {
                    photos.addPhoto(failure, photo.getBytes(), null);
                } catch (Refused e) {
                    e.findings().forEach(f -> wrong.add(named(photo, f.field(), f.message())));
                } catch (Conflict e) {
                    wrong.add(named(photo, e.field(), e.getMessage()));
                }
            }
        }
        if (!wrong.isEmpty()) {
            after.addFlashAttribute("photosWrong", wrong);
        }
    }

    private static Finding named(MultipartFile photo, String field, String message) {
        return new Finding(field, photo.getOriginalFilename() + ": " + message);
    }
}
