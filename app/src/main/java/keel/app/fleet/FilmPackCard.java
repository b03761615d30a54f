package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A pack of film sheets, for whoever has to name it. */
@Entity
@Immutable
@Synchronize("film_pack")
class FilmPackCard {

    @Id
    long id;

    String code;
    String supplier;
    String lot;
}
