package keel.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;

/** Days on which a person is not there, or nobody where no person is named. */
@Entity
class DaysAway {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long personId;
    LocalDate fromDay;
    LocalDate toDay;
    String note;
    Instant takenBackAt;
}
