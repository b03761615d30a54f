package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What a part has been through since it was new, as far as it is known. */
@Entity
@Immutable
@Synchronize({"component", "meter"})
class PartUsage {

    @Id
    long partId;

    double hours;
    double uvHours;
    long layers;
    long prints;
    double resinMl;
}
