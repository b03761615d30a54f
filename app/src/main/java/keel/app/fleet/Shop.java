package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** The shop itself; one row. */
@Entity
class Shop {

    @Id
    Integer id;

    String name;
    String zone;
}
