package keel.app.failures;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** A photo of a failure; the picture lies in a file named by the hash of its bytes. */
@Entity
@Immutable
class Photo {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long failureId;
    String hash;
    String mediaType;
    int width;
    int height;
    String caption;
    Instant takenAt;
}
