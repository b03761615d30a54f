package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.PartModels;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.standing.MachineNow;
import keel.app.support.PageTest;
import keel.core.standing.PartUse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Spares from the records. */
class SparesPagesTest extends PageTest {

    @Autowired
    private Spares spares;

    @Autowired
    private PartModels models;

    @Autowired
    private Shelf shelf;

    @Autowired
    private Runs runs;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
    }

    @Test
    void machinesOfAModelShareTheirSparesAndUseCounts() {
        String second = shop.machineOf(shop.modelOf(machine));
        shop.as("keeper");
        Spares.SpareLine idle = line(PartUse.UsedPart.FILM, 30);
        assertThat(idle.inService()).isEqualTo(2);
        assertThat(idle.expected()).as("nothing was printed lately").isZero();
        assertThat(idle.stock()).isZero();
        for (int day = 1; day <= 14; day++) {
            Instant start = Instant.now().minus(Duration.ofDays(day));
            runs.enter(new RunEntry(
                    machine, "Latch", start, start.plus(Duration.ofHours(20)), 4000, 2.0, 50.0, "GOOD", null, null));
            runs.enter(new RunEntry(
                    second, "Latch", start, start.plus(Duration.ofHours(20)), 4000, 2.0, 50.0, "GOOD", null, null));
        }
        MachineNow now = shop.now(machine);
        Spares.SpareLine busy = line(PartUse.UsedPart.FILM, 30);
        double one = now.liningUse().life().span().failsWithin(now.liningUse().age(), now.hoursPerDay() * 30);
        assertThat(busy.levels().get(0).waits())
                .as("either of two ends")
                .isCloseTo(1 - (1 - one) * (1 - one), within(1e-6));
        assertThat(busy.stock()).isPositive();
        assertThat(busy.levels().get(busy.stock()).waits()).isLessThanOrEqualTo(0.05);
        assertThat(busy.perYear())
                .as("those that follow are young: fewer than today's pace over a year")
                .isBetween(0.5 * busy.expected() * 365 / 30, busy.expected() * 365 / 30);
    }

    @Test
    void thePageSaysHowManyAndKeepsWhatIsTypedWrongly() {
        String html = page("/bench/spares?leadDays=21&percent=90");
        assertThat(html)
                .contains("Films for " + shop.now(machine).model())
                .contains("None needed.")
                .contains("By what is usual")
                .contains("value=\"21\"");
        Shown wrong = shown("/bench/spares?leadDays=0&percent=100");
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.html())
                .contains("The time until a new one comes must be between")
                .contains("The chance of not waiting")
                .contains("value=\"100\"");
    }

    /**
     * Machines of two models that one model of screen fits share their spares; what lies on the shelf is counted once.
     */
    @Test
    void screensArePooledByWhatTheyFitAndTheShelfCounts() {
        String other = shop.maskMachine();
        shop.as("keeper");
        String pane = models.add(new PartModels.Entry(
                ComponentKind.SCREEN,
                "Shared " + machine,
                null,
                null,
                5760,
                3240,
                144.0,
                81.0,
                90.0,
                List.of(shop.modelOf(machine), shop.modelOf(other))));
        long model = models.called(pane).id();
        shelf.addSpare(ComponentKind.SCREEN, new Shelf.Origin(model, "P1 " + machine, null, null, null, null));
        shelf.addSpare(ComponentKind.SCREEN, new Shelf.Origin(model, "P2 " + machine, null, null, null, 70.0));
        Spares.SpareLine line = line(PartUse.UsedPart.SCREEN, 14);
        assertThat(line.models())
                .containsExactlyInAnyOrder(
                        shop.now(machine).model(), shop.now(other).model());
        assertThat(line.inService()).isEqualTo(2);
        assertThat(line.there()).isEqualTo(2);
        assertThat(line.tiedUp()).isEqualTo(160);
        assertThat(line.levels())
                .filteredOn(Spares.Level::there)
                .singleElement()
                .satisfies(l -> assertThat(l.stock()).isEqualTo(2));
        String item = shop.item("Boxed screen", 3);
        shop.as("keeper");
        accepted("/stores/" + item + "/spare", "spareKind", "SCREEN", "spareModel", shop.modelOf(other));
        assertThat(line(PartUse.UsedPart.SCREEN, 14).there()).isEqualTo(5);
        refused(
                422,
                "Choose the machines that it fits",
                "/stores/" + item + "/spare",
                "spareKind",
                "SCREEN",
                "spareModel",
                "");
        accepted("/stores/" + item + "/spare", "spareKind", "", "spareModel", "");
        assertThat(line(PartUse.UsedPart.SCREEN, 14).there()).isEqualTo(2);
    }

    @Test
    void aSpareVatWithAFilmIsASpareFilm() {
        int before = line(PartUse.UsedPart.FILM, 14).there();
        shelf.addVat(shop.modelOf(machine), new Parts.Sheet("FEP", 0.127), Parts.Baseline.NEW);
        shelf.addVat(shop.modelOf(machine), null, Parts.Baseline.NEW);
        assertThat(line(PartUse.UsedPart.FILM, 14).there())
                .as("the empty one does not count")
                .isEqualTo(before + 1);
    }

    private Spares.SpareLine line(PartUse.UsedPart kind, double days) {
        String model = shop.now(machine).model();
        return spares.lines(days, 0.95).stream()
                .filter(l -> l.kind() == kind && l.models().contains(model))
                .findFirst()
                .orElseThrow();
    }
}
