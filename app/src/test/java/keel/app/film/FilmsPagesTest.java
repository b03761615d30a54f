package keel.app.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.Map;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.stores.FilmPacks;
import keel.app.stores.Resins;
import keel.app.stores.Seats;
import keel.app.support.PageTest;
import keel.core.film.FilmSeat;
import keel.core.film.ThinOrThick;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The list of films, packs of sheets, what is advised for a model, experiments, pigment families. */
class FilmsPagesTest extends PageTest {

    @Autowired
    private FilmPacks packs;

    @Autowired
    private FilmLives lives;

    @Autowired
    private Vats vats;

    @Autowired
    private Seats seats;

    @Autowired
    private Shelf shelf;

    @Autowired
    private Bench bench;

    @Autowired
    private Resins resins;

    private String machine;
    private String model;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        model = shop.modelOf(machine);
        shop.as("keeper");
    }

    @Test
    void aPackIsUsedUpSpoiledAndSaysHowItsFilmsEnded() {
        accepted(
                "/bench/packs",
                "supplier",
                "Heron Sheets",
                "lot",
                "9",
                "material",
                "FEP",
                "thicknessMm",
                "0,127",
                "lengthMm",
                "220",
                "widthMm",
                "150",
                "sheets",
                "3",
                "price",
                "2,5");
        FilmPacks.Pack pack = packs.all().get(0);
        assertThat(pack.left()).isEqualTo(3);
        shop.service(
                machine,
                "FILM_CHANGE",
                10,
                "material",
                "FEP",
                "thicknessMm",
                0.127,
                "endReason",
                "PLANNED",
                "pack",
                pack.code());
        shop.service(
                machine,
                "FILM_CHANGE",
                20,
                "material",
                "FEP",
                "thicknessMm",
                0.127,
                "endReason",
                "DENTED",
                "pack",
                pack.code());
        accepted("/bench/packs/" + pack.code() + "/spoiled", "spoiled", "1", "why", "cut wrong");
        FilmPacks.Pack after = packs.all().stream()
                .filter(p -> p.code().equals(pack.code()))
                .findFirst()
                .orElseThrow();
        assertThat(after.left()).isZero();
        assertThat(after.damaged()).isEqualTo(1);
        assertThat(packs.inUse()).noneMatch(p -> p.code().equals(pack.code()));
        refused(422, "are left", "/bench/packs/" + pack.code() + "/spoiled", "spoiled", "2", "why", "torn");
        assertThat(refused(
                        422, "The supplier", "/bench/packs", "supplier", "", "material", "FEP", "lot", "kept as typed"))
                .contains("kept as typed");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> shop.service(
                        machine,
                        "FILM_CHANGE",
                        30,
                        "material",
                        "FEP",
                        "thicknessMm",
                        0.127,
                        "endReason",
                        "PLANNED",
                        "pack",
                        "K9999"));
        assertThat(page("/vats/" + shop.now(machine).vat().code())).contains("Heron Sheets");
    }

    @Test
    void sheetsThatCoverNoRingAreDeadStock() {
        accepted(
                "/bench/models/" + model,
                "sheetLengthMm",
                "210",
                "sheetWidthMm",
                "140",
                "cornerScrewMm",
                "12",
                "sideScrewMm",
                "8");
        packs.add(new FilmPacks.PackEntry("Small Sheets", null, "FEP", 0.1, 60.0, 50.0, 5, null));
        assertThat(page("/bench/packs")).contains("Small Sheets").contains("nothing here: dead stock");
        assertThat(page("/bench/packs")).doesNotContain("not known yet");
    }

    @Test
    void aModelIsAdvisedByItsOwnRecord() {
        shop.run(machine, 1, 4);
        assertThat(page("/bench/models/" + model)).contains("Say what a vat costs");
        bench.record(new ServiceEntry(
                machine,
                "FILM_CHANGE",
                null,
                null,
                Map.of("material", "FEP", "thicknessMm", 0.1, "endReason", "PIERCED")));
        accepted("/bench/models/" + model, "vatPrice", "5", "pressMm", "6", "lipMm", "30");
        assertThat(page("/bench/models/" + model)).contains("Buy a spare vat.");
        shelf.addVat(model, null, Parts.Baseline.NEW);
        assertThat(page("/bench/models/" + model)).contains("A spare vat pays; keep it.");
        accepted("/bench/models/" + model, "vatPrice", "500000");
        assertThat(page("/bench/models/" + model)).contains("Spare sheets are enough.");
        assertThat(refused(422, "The take-up needs both", "/bench/models/" + model, "pressMm", "6", "vatPrice", "77"))
                .contains("77");
        assertThat(seats.of(vats.one(shop.now(machine).vat().code()).model().id()))
                .isEqualTo(new FilmSeat(null, null, null, null, null, null, null, 500000.0));
        assertThat(status("/bench/models/nothing")).isEqualTo(404);
    }

    @Test
    void thinIsHeldAgainstThickOnceBothWereUsed() {
        shop.filmChange(machine, 1);
        shop.run(machine, 2, 30);
        shop.service(machine, "FILM_CHANGE", 40, "material", "FEP", "thicknessMm", 0.1, "endReason", "PIERCED");
        shop.run(machine, 50, 20);
        ThinOrThick both = lives.thinOrThick();
        assertThat(both.thin().hours()).isGreaterThanOrEqualTo(20);
        assertThat(both.thick().leaks()).isPositive();
        assertThat(both.leaks()).isNotNull();
        assertThat(page("/bench/models/" + model))
                .contains("Thin or thick film?")
                .contains("up to 0.115 mm");
    }

    @Test
    void filmsAreFoundSortedAndExported() {
        String film = shop.now(machine).film().code();
        shop.run(machine, 1, 6);
        shop.service(machine, "FILM_CHANGE", 10, "material", "PFA", "thicknessMm", 0.1, "endReason", "SCRATCHED");
        assertThat(page("/bench/films?q=scratched")).contains(">" + film + "<");
        assertThat(page("/bench/films?q=" + shop.now(machine).film().code() + "&by=hours"))
                .doesNotContain(">" + film + "<");
        assertThat(page("/bench/films?q=zzz")).contains("No film matches");
        assertThat(page("/bench/films.csv?q=" + film))
                .startsWith("film,material,thicknessMm")
                .contains(film + ",FEP,0.127")
                .contains("SCRATCHED");
    }

    @Test
    void anExperimentShowsWhatItDidBesideOtherFilms() {
        Vats.Vat vat = vats.one(shop.now(machine).vat().code());
        accepted("/vats/" + vat.code() + "/experiments", "what", "Wax");
        assertThat(page("/vats/" + vat.code())).contains("Wax").contains("nothing was printed through it");
        FilmLives.Experiment tried = lives.experiments(vat).get(0);
        assertThat(tried.here()).isNull();
        accepted("/vats/" + vat.code() + "/experiments/" + tried.id() + "/withdraw");
        assertThat(lives.experiments(vat)).isEmpty();
        assertThat(form("/vats/" + vat.code() + "/experiments", "what", " ").status())
                .isEqualTo(422);
    }

    @Test
    void aVatIsKeptForItsPigments() {
        String grey = resins.add("Pond grey " + machine, 1.1, "Grey");
        String vat = shop.now(machine).vat().code();
        assertThat(page("/machines/" + machine + "/pour")).doesNotContain("This vat held");
        resins.pour(vat, grey, 100.0, null);
        assertThat(resins.familyOf(vat)).contains("Grey");
        assertThat(page("/machines/" + machine + "/pour"))
                .contains("This vat held Grey pigment")
                .contains("Change the resin step by step");
        assertThat(page("/vats/" + vat)).contains("Grey: keep this vat for it");
    }
}
