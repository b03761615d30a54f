package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import keel.core.film.FilmSeat;

/** How the film of a model sits in its frame. */
@Entity
@Table(name = "film_seat")
class FilmSeatRecord {

    @Id
    long modelId;

    Double cornerScrewMm;
    Double sideScrewMm;
    Double spacerMm;
    Double pressMm;
    Double lipMm;
    Double sheetLengthMm;
    Double sheetWidthMm;
    Double vatPrice;

    FilmSeat seat() {
        return new FilmSeat(
                cornerScrewMm, sideScrewMm, spacerMm, pressMm, lipMm, sheetLengthMm, sheetWidthMm, vatPrice);
    }

    void take(FilmSeat seat) {
        cornerScrewMm = seat.cornerScrewMm();
        sideScrewMm = seat.sideScrewMm();
        spacerMm = seat.spacerMm();
        pressMm = seat.pressMm();
        lipMm = seat.lipMm();
        sheetLengthMm = seat.sheetLengthMm();
        sheetWidthMm = seat.sheetWidthMm();
        vatPrice = seat.vatPrice();
    }
}
