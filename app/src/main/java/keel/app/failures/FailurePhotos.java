package keel.app.failures;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Photos of a failure, kept by what they are. */
@Service
@Transactional
public class FailurePhotos {

    private static final Limit BESIDE = Limit.of(2);
    private static final Limit MANY = Limit.of(8);

    private final Failures failures;
    private final FailureRecords records;
    private final Photos photos;
    private final PhotoStore store;
    private final Fleet fleet;
    private final Logbook logbook;
    private final Clock clock;

    FailurePhotos(
            Failures failures,
            FailureRecords records,
            Photos photos,
            PhotoStore store,
            Fleet fleet,
            Logbook logbook,
            Clock clock) {
        this.failures = failures;
        this.records = records;
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

    /**
     * Photos to lie beside those of a failure.
     *
     * @param machine the last of its machine before it
     * @param symptom the last that show one of its symptoms, on whatever machine
     */
    public record Beside(List<FailureRecords.Shot> machine, List<FailureRecords.Shot> symptom) {

        public boolean isEmpty() {
            return machine.isEmpty() && symptom.isEmpty();
        }
    }

    /** The last ones of the same machine and of the same symptoms, each once. */
    @Transactional(readOnly = true)
    public Beside beside(FailureView f) {
        List<FailureRecords.Shot> machine =
                records.shotsOfMachine(fleet.machine(f.machine()).id(), f.id(), f.seenAt(), BESIDE);
        List<FailureRecords.Shot> symptom = f.symptoms().isEmpty()
                ? List.of()
                : records.shotsOfSymptoms(f.symptoms(), f.id(), f.seenAt(), MANY).stream()
                        .filter(s -> machine.stream().noneMatch(m -> m.photo() == s.photo()))
                        .limit(BESIDE.max())
                        .toList();
        return new Beside(machine, symptom);
    }

    /** Of some failures, the newest first. */
    @Transactional(readOnly = true)
    public List<PhotoOf> of(Collection<Long> failures) {
        return records.shotsOf(failures).stream()
                .map(s -> new PhotoOf(s.photo(), s.failure(), s.machineName(), s.seenAt(), s.caption()))
                .toList();
    }

    /** A photo of a failure, with whose it is. */
    public record PhotoOf(long photo, long failure, String machineName, Instant seenAt, String caption) {}

    /** Bytes and media type of a photo, or of its small copy. */
    @Transactional(readOnly = true)
    public Map.Entry<String, byte[]> picture(long photoId, boolean small) {
        Photo photo = photos.findById(photoId).orElseThrow(() -> new NotThere("There is no such photo."));
        return small
                ? Map.entry("image/jpeg", store.read(photo.hash, true))
                : Map.entry(photo.mediaType, store.read(photo.hash, false));
    }
}
