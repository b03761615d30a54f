package keel.app.starting;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** Which file a run printed, for whoever asks. */
@Entity
@Immutable
@Synchronize("run_file")
class FileOfRun {

    @Id
    long runId;

    String hash;
}
