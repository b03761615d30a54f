package keel.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A machine as the logbook names it. */
@Entity
@Immutable
@Synchronize("machine")
class LogMachine {

    @Id
    long id;

    String code;
    String name;
}
