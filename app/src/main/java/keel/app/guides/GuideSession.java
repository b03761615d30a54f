package keel.app.guides;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Version;
import java.time.Instant;

/** How far somebody has come with a procedure. Open until it is finished or given up. */
@Entity
class GuideSession {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String procedureCode;
    Long machineId;
    Long airPartId;
    String step;
    int boltsDone;

    @Lob
    String answers;

    Instant startedAt;
    Long startedBy;
    Instant touchedAt;
    Long touchedBy;
    Instant finishedAt;
    Double workedSeconds;
    Instant pausedAt;
    /** The vat that was on its machine when it was begun; null where it is about none. */
    Long vatBegunId;

    Instant givenUpAt;

    @Version
    int version;

    GuideSubject subject() {
        if (machineId != null) {
            return new GuideSubject.AtMachine(machineId);
        }
        return airPartId != null ? new GuideSubject.AtAirPart(airPartId) : new GuideSubject.WithVats();
    }

    boolean open() {
        return finishedAt == null && givenUpAt == null;
    }
}
