package keel.app.failures;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Photos of a failure, kept by what they are. */
@Service
@Transactional
public class FailurePhotos {

    private final Failures failures;
    private final Photos photos;
    private final PhotoStore store;
    private final Fleet fleet;
    private final Logbook logbook;
    private final Clock clock;

    FailurePhotos(Failures failures, Photos photos, PhotoStore store, Fleet fleet, Logbook logbook, Clock clock) {
        this.failures = failures;
        this.photos = photos;
        this.store = store;
        this.fleet = fleet;
        this.logbook = logbook;
        this.clock = clock;
    }

    public PhotoView addPhoto(long id, byte[] bytes, String caption) {
        Actor actor = Actor.current();
        Failure failure = failures.record(id);
        if (photos.countByFailureId(id) >= 40) {
            throw new Conflict("file", "There are forty photos with this failure already.");
        }
        PhotoStore.Kept kept = store.keep(bytes);
        Photo photo = new Photo();
        photo.failureId = id;
        photo.hash = kept.hash();
        photo.mediaType = kept.mediaType();
        photo.width = kept.width();
        photo.height = kept.height();
        photo.caption = caption == null || caption.isBlank()
                ? null
                : caption.strip().substring(0, Math.min(200, caption.strip().length()));
        photo.takenAt = clock.instant();
        photos.save(photo);
        logbook.write(LogDraft.of(
                        LogKind.PHOTO_ADDED,
                        failure.machineId,
                        "PHOTO",
                        photo.id,
                        photo.takenAt,
                        fleet.machine(failure.machineId).name() + ": photo of failure " + id + ".",
                        Map.of("failure", id, "hash", kept.hash()),
                        actor)
                .noting(photo.caption));
        return new PhotoView(photo.id, photo.width, photo.height, photo.caption);
    }

    @Transactional(readOnly = true)
    public List<PhotoView> photos(long id) {
        return photos.findByFailureIdOrderById(id).stream()
                .map(p -> new PhotoView(p.id, p.width, p.height, p.caption))
                .toList();
    }

    /** Bytes and media type of a photo, or of its small copy. */
    @Transactional(readOnly = true)
    public Map.Entry<String, byte[]> picture(long photoId, boolean small) {
        Photo photo = photos.findById(photoId).orElseThrow(() -> new NotThere("There is no such photo."));
        return small
                ? Map.entry("image/jpeg", store.read(photo.hash, true))
                : Map.entry(photo.mediaType, store.read(photo.hash, false));
    }
}
