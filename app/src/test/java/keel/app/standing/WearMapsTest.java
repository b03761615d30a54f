package keel.app.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import keel.app.base.Refused;
import keel.app.prints.RunChange;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import keel.core.placement.Footprint;
import keel.core.placement.PlacedPart;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** Maps follow the records, whether they are added to or summed anew. Plates are 144 by 81 mm. */
class WearMapsTest extends AppTest {

    private static final Footprint LEFT = new Footprint.Parts(List.of(PlacedPart.atCorner(0, 0, 72, 81)));
    private static final Footprint RIGHT = new Footprint.Parts(List.of(PlacedPart.atCorner(72, 0, 72, 81)));

    @Autowired
    private WearMaps wear;

    @Autowired
    private Footprints footprints;

    @Autowired
    private Runs runs;

    @Autowired
    private Rebuild rebuild;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private TransactionTemplate transaction;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
    }

    @Test
    void aRunWearsWhereItLay() {
        run(machine, 1, 4, LEFT);
        WearMaps.Known film = map(shop.now(machine).film());
        assertThat(film.map().uvHours()[0]).as("1000 layers of 1.8 s").isCloseTo(0.5, within(1e-9));
        assertThat(film.map().peels()[0]).isCloseTo(1000, within(1e-9));
        assertThat(film.map().uvHours()[film.map().cells().across() - 1]).isZero();
        assertThat(film.placed()).isEqualTo(1);
        assertThat(map(shop.now(machine).screen()).map().uvHours())
                .containsExactly(film.map().uvHours());
    }

    @Test
    void whatNobodyPlacedIsCountedButNotDrawn() {
        run(machine, 1, 4, LEFT);
        shop.run(machine, 10, 4);
        WearMaps.Known film = map(shop.now(machine).film());
        assertThat(film.prints()).isEqualTo(2);
        assertThat(film.placedPrints()).isEqualTo(1);
        assertThat(film.placed()).isCloseTo(0.5, within(1e-9));
        assertThat(film.map().spread().most()).isCloseTo(0.5, within(1e-9));
    }

    @Test
    void aRunGoingOnWearsWhenItHasEnded() {
        runs.enter(new RunEntry(
                machine, "Latch", null, null, 1000, 1.8, 40.0, null, null, null, null, null, LEFT, null, null));
        assertThat(map(shop.now(machine).film()).map().spread().most()).isZero();
        runs.finish(shop.now(machine).run().id(), null, "STOPPED", 0, null);
        assertThat(map(shop.now(machine).film()).prints()).isEqualTo(1);
    }

    @Test
    void correctionsAreFollowed() {
        RunView run = run(machine, 1, 4, LEFT);
        run(machine, 10, 4, LEFT);
        correct(run, new RunChange(null, null, null, null, 2000, null, null, null, null, null));
        assertThat(left()).isCloseTo(1.5, within(1e-9));
        runs.place(run.id(), RIGHT);
        assertThat(left()).isCloseTo(0.5, within(1e-9));
        correct(run, new RunChange(null, null, null, null, null, null, null, null, null, true));
        assertThat(map(shop.now(machine).film()).map().spread().most()).isCloseTo(0.5, within(1e-9));
        correct(run, new RunChange(null, null, null, null, null, null, null, null, null, false));
        runs.place(run.id(), null);
        assertThat(map(shop.now(machine).film()).placedPrints()).isEqualTo(1);
        assertThat(footprints.of(run.id())).isEmpty();
    }

    @Test
    void aRunEnteredLateAndAFilmChangeEnteredLateAreFollowed() {
        run(machine, 20, 4, LEFT);
        run(machine, 1, 4, RIGHT);
        assertThat(map(shop.now(machine).film()).placedPrints()).isEqualTo(2);
        PartView old = shop.now(machine).film();
        shop.filmChange(machine, 10);
        assertThat(left()).as("only the run since").isCloseTo(0.5, within(1e-9));
        assertThat(map(old).map().uvHours()[0]).isZero();
        assertThat(map(old).placedPrints()).isEqualTo(1);
    }

    /** The screen stays with its machine. */
    @Test
    void wearGoesWithTheVatThatIsMoved() {
        String other = shop.machineOf(shop.modelOf(machine));
        run(machine, 1, 4, LEFT);
        String vat = shop.now(machine).vat().code();
        shop.service(machine, "VAT_REMOVED", 9, "vat", vat);
        shop.service(other, "VAT_REMOVED", 10, "vat", shop.now(other).vat().code());
        shop.service(other, "VAT_FITTED", 12, "vat", vat);
        run(other, 20, 4, RIGHT);
        WearMaps.Known film = map(shop.now(other).film());
        assertThat(film.placedPrints()).isEqualTo(2);
        assertThat(film.map().spread().unevenness()).as("left and right alike").isLessThan(0.2);
        assertThat(map(shop.now(other).screen()).map().uvHours()[0]).isZero();
        assertThat(map(shop.now(machine).screen()).map().uvHours()[0]).isCloseTo(0.5, within(1e-9));
    }

    @Test
    void whatDoesNotLieOnThePlateIsRefusedAndNothingIsWritten() {
        Footprint over = new Footprint.Parts(List.of(PlacedPart.atCorner(100, 10, 60, 20)));
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> run(machine, 1, 4, over))
                .withMessageContaining("does not lie on the plate");
        assertThat(runs.list(machine, null, null, null, new keel.app.base.Paging(0, 5)))
                .isEmpty();
    }

    @Test
    void masksAreKeptAndReadAgain() {
        RunView run = run(machine, 1, 4, null);
        int count = 29 * 16;
        double[] light = new double[count];
        Arrays.fill(light, 0, 29, 0.25);
        double[] peel = new double[count];
        Arrays.fill(peel, 0, 29, 1);
        runs.place(run.id(), new Footprint.Masks(29, 16, light, peel));
        WearMaps.Known film = map(shop.now(machine).film());
        assertThat(film.map().uvHours()[3]).isCloseTo(0.125, within(1e-9));
        assertThat(film.map().peels()[3]).isCloseTo(1000, within(1e-9));
        assertThat(footprints.of(run.id()).orElseThrow()).isInstanceOf(Footprint.Masks.class);
        assertThat(footprints.last(shop.now(machine).id(), "latch PATTERN")).isPresent();
    }

    /** Property: after whatever entries, each map is that of a rebuild from nothing. */
    @Test
    void addingAndRebuildingGiveTheSame() {
        Random random = new Random(11);
        List<RunView> entered = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            Footprint where = random.nextInt(5) == 0
                    ? null
                    : new Footprint.Parts(List.of(new PlacedPart(
                            30 + 80 * random.nextDouble(),
                            30 + 20 * random.nextDouble(),
                            4 + 20 * random.nextDouble(),
                            4 + 16 * random.nextDouble(),
                            45)));
            entered.add(run(machine, 10 * i + (random.nextInt(4) == 0 ? -7 : 0) + 8, 2, where));
            if (random.nextInt(6) == 0) {
                correct(
                        entered.get(random.nextInt(entered.size())),
                        new RunChange(null, null, null, null, 500 + random.nextInt(900), null, null, null, null, null));
            }
            if (random.nextInt(9) == 0) {
                runs.place(entered.get(random.nextInt(entered.size())).id(), RIGHT);
            }
            if (i == 25) {
                shop.filmChange(machine, 10 * i + 4.5);
            }
        }
        double[] film = map(shop.now(machine).film()).map().uvHours();
        double[] screen = map(shop.now(machine).screen()).map().peels();
        jdbc.sql("delete from wear_map where component_id in (:parts)")
                .param(
                        "parts",
                        List.of(
                                shop.now(machine).film().id(),
                                shop.now(machine).screen().id()))
                .update();
        transaction.executeWithoutResult(t -> rebuild.machine(shop.now(machine).id()));
        assertThat(film)
                .usingComparatorWithPrecision(1e-9)
                .containsExactly(map(shop.now(machine).film()).map().uvHours());
        assertThat(screen)
                .usingComparatorWithPrecision(1e-6)
                .containsExactly(map(shop.now(machine).screen()).map().peels());
        assertThat(Arrays.stream(film).sum()).isPositive();
    }

    private double left() {
        return map(shop.now(machine).film()).map().uvHours()[0];
    }

    private WearMaps.Known map(PartView part) {
        return wear.of(part.id()).orElseThrow();
    }

    private RunView run(String on, double startHour, double hours, Footprint footprint) {
        return runs.enter(new RunEntry(
                on,
                "Latch pattern",
                TestShop.at(startHour),
                TestShop.at(startHour + hours),
                1000,
                1.8,
                50.0,
                "GOOD",
                null,
                null,
                null,
                null,
                footprint,
                null,
                null));
    }

    private void correct(RunView run, RunChange change) {
        runs.correct(run.id(), change, "counted again");
    }
}
