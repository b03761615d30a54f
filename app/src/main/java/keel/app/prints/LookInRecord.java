package keel.app.prints;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import keel.core.watch.LookAdvice;
import keel.core.watch.LookIn;

/** A time at which somebody looks at a run that is going on, and what they saw. */
@Entity
@Table(name = "look_in")
class LookInRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long runId;

    @Enumerated(EnumType.STRING)
    LookIn.LookKind kind;

    Instant dueAt;
    int layer;
    Instant lookedAt;
    Long personId;

    @Enumerated(EnumType.STRING)
    LookAdvice.Seen seen;

    Boolean loose;

    @Enumerated(EnumType.STRING)
    LookAdvice.Action advice;

    static LookInRecord of(long run, LookIn.LookKind kind, Instant dueAt, int layer) {
        LookInRecord look = new LookInRecord();
        look.runId = run;
        look.kind = kind;
        look.dueAt = dueAt;
        look.layer = layer;
        return look;
    }

    void looked(Instant at, long person, LookAdvice.Seen saw, boolean somethingLoose, LookAdvice.Action advised) {
        lookedAt = at;
        personId = person;
        seen = saw;
        loose = somethingLoose;
        advice = advised;
    }
}
