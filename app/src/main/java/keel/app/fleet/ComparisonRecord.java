package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** One test piece printed on two machines. */
@Entity
@Immutable
@Table(name = "comparison")
class ComparisonRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String piece;
    long firstMachineId;
    String firstShows;
    long secondMachineId;
    String secondShows;
    boolean differs;
    Long quirkId;
    Instant at;
    long personId;
}
