package keel.app.floor;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A line that was written, with what it made, so that it can be taken back for a minute. */
@Entity
class QuickEntry {

    /** What a line made. */
    enum EntryKind {
        FAILURE,
        RUN,
        FINISH,
        SERVICE,
        POUR,
        STOCK,
        ROOM,
        LOOK
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long personId;
    Instant at;
    String line;
    String reading;

    @Enumerated(EnumType.STRING)
    EntryKind kind;

    Long subjectId;

    /** Code of the vat that was looked at; null for all else. */
    String subjectCode;

    /** The first entry of the same line; null for the first itself. */
    Long firstId;

    Instant undoneAt;
}
