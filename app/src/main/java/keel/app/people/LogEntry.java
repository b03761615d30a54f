package keel.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** One entry. Written once; a later entry may supersede it. */
@Entity
@Immutable
class LogEntry {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    LogKind kind;

    Long machineId;
    String subjectKind;
    Long subjectId;
    Instant happenedAt;
    Instant writtenAt;
    Long personId;
    String via;
    String headline;
    String note;

    @Lob
    String content;

    Long supersedesId;
    String reason;
}
