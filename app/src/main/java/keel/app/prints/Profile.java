package keel.app.prints;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;

/** The settings of a resin on a machine; what they are stands in the versions. */
@Entity
class Profile {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long machineId;
    Long resinId;

    @Enumerated(EnumType.STRING)
    School school;
}
