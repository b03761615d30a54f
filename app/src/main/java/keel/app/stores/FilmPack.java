package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A pack of film sheets. */
@Entity
@EntityListeners(StockWatch.class)
class FilmPack {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    String supplier;
    String lot;
    String material;
    double thicknessMm;
    double lengthMm;
    double widthMm;
    int sheets;
    int spoiled;
    Double price;
    Instant at;
    long personId;
    Instant retiredAt;
}
