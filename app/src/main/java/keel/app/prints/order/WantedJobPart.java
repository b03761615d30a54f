package keel.app.prints.order;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;

/** What a job that waits has of a part on its plate. */
@Entity
@IdClass(WantedJobPart.Key.class)
class WantedJobPart {

    /** A part on the plate of a job. */
    record Key(Long jobId, Long partId) implements Serializable {}

    @Id
    Long jobId;

    @Id
    Long partId;

    int planned;

    protected WantedJobPart() {}

    WantedJobPart(long jobId, long partId, int planned) {
        this.jobId = jobId;
        this.partId = partId;
        this.planned = planned;
    }
}
