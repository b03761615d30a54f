package keel.app.prints.order;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;

/** What a run has of a part on its plate; {@code counted} is null where nobody counted what came out. */
@Entity
@IdClass(RunPart.Key.class)
class RunPart {

    /** A part on the plate of a run. */
    record Key(Long runId, Long partId) implements Serializable {}

    @Id
    Long runId;

    @Id
    Long partId;

    int planned;
    Integer counted;

    protected RunPart() {}

    RunPart(long runId, long partId, int planned) {
        this.runId = runId;
        this.partId = partId;
        this.planned = planned;
    }
}
