package keel.app.prints;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Set;
import java.util.TreeSet;

/** A job that somebody wants printed. */
@Entity
class WantedJob {

    /** Why it waits no more, though no run says so. */
    enum Closed {
        DONE,
        DROPPED
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String name;

    /** As runs of it are found. */
    @Column(insertable = false, updatable = false)
    String jobKey;

    double hours;
    String resin;
    Double resinMl;
    Instant dueAt;
    Double widthMm;
    Double depthMm;
    Double heightMm;
    String note;

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "wanted_job_model", joinColumns = @JoinColumn(name = "job_id"))
    @Column(name = "model")
    Set<String> models = new TreeSet<>();

    Long fixedMachineId;
    Instant fixedAt;
    Instant askedAt;
    Long personId;
    Instant closedAt;

    @Enumerated(EnumType.STRING)
    Closed closedAs;

    @Version
    int version;
}
