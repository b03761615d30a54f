package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;

/** The shop itself; one row. */
@Entity
class Shop {

    @Version
    int version;

    @Id
    Integer id;

    String name;
    String zone;
}
