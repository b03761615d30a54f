package keel.app.air;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What a part in the path of the air is called. */
@Entity
@Immutable
@Synchronize("air_part")
class AirPartName {

    @Id
    long id;

    String name;
}
