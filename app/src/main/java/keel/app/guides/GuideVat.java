package keel.app.guides;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Lob;
import java.io.Serializable;

/** One vat of a sitting, with what was answered for it. */
@Entity
@IdClass(GuideVat.Key.class)
class GuideVat {

    record Key(long sessionId, int place) implements Serializable {}

    @Id
    long sessionId;

    @Id
    int place;

    long vatId;
    String step;
    int boltsDone;

    @Lob
    String answers;
}
