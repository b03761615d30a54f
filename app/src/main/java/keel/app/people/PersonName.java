package keel.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** Who somebody is. */
@Entity
@Immutable
@Synchronize("person")
class PersonName {

    @Id
    long id;

    String name;
}
