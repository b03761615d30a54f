package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;

/** A machine of the fleet. */
@Entity
class Machine {

    /** How this shop levels this machine. */
    enum School {
        PAPER,
        ON_FILM,
        SELF
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    String name;
    Long modelId;
    Long roomId;
    boolean levelsAfterEachPrint;
    boolean sievesAfterEachPrint;

    @Enumerated(EnumType.STRING)
    School levellingSchool;

    /** In the shop's own words; null where nobody named it. */
    String controller;

    /** On its plate; null where nobody wrote it down, as are the dates. */
    String serial;

    LocalDate boughtOn;
    LocalDate warrantyUntil;

    Instant since;
    double baselineHours;
    Double lubricatedBeforeHours;
    Double abradedBeforeHours;
    boolean vatSaidEmpty;
    Instant retiredAt;

    @Version
    int version;
}
