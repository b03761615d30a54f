package keel.app.starting;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** Which file a run printed. */
@Entity
class RunFile {

    @Id
    long runId;

    String hash;

    protected RunFile() {}

    RunFile(long runId, String hash) {
        this.runId = runId;
        this.hash = hash;
    }
}
