package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What stands on a pack of film, and when it came. */
@Entity
@Immutable
@Table(name = "film_pack_label")
@Synchronize("film_pack")
class PackLabel {

    @Id
    long id;

    String code;
    String supplier;
    String lot;
    String material;
    double thicknessMm;
    int sheets;
    int spoiled;
    Double price;
    Instant at;
}
