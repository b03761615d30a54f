package keel.app.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.standing.Standings;
import keel.app.support.PageTest;
import keel.app.support.TapSound;
import keel.core.film.FilmMark;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The bench of films: inspections, tones, references, stop-gaps. */
class FilmBenchPagesTest extends PageTest {

    @Autowired
    private Vats vats;

    @Autowired
    private FilmLooks looks;

    @Autowired
    private FilmTones tones;

    @Autowired
    private Bench bench;

    @Autowired
    private Shelf shelf;

    @Autowired
    private Standings standings;

    @Autowired
    private MockMvc mvc;

    private String machine;
    private Vats.Vat vat;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        vat = vats.one(shop.now(machine).vat().code());
        shop.as("keeper");
    }

    @Test
    void aFilmIsInspectedAndComparedWithTheLastTime() {
        assertThat(page("/vats/" + vat.code() + "/inspect"))
                .contains("small print")
                .contains("Dents, scratches");
        accepted("/vats/" + vat.code() + "/inspect", "clouding", "FAINT", "marks", "dent 40 20 3\nscratch 90,5 50 12");
        accepted(
                "/vats/" + vat.code() + "/inspect",
                "clouding",
                "CLOUDED",
                "uvBare",
                "3,00",
                "uvThrough",
                "2.40",
                "marks",
                "dent 41 21 6\ndent 120 70 2");
        List<FilmLooks.Look> seen = looks.of(vat.film().id());
        assertThat(seen).hasSize(2);
        assertThat(seen.get(0).transmittance()).isCloseTo(0.8, within(1e-9));
        assertThat(seen.get(0).marks()).contains(new FilmMark(FilmMark.MarkKind.DENT, 120, 70, 2));
        assertThat(page("/vats/" + vat.code()))
                .contains("new since the last look")
                .contains("was 3.0 mm")
                .contains("no longer seen")
                .contains("Cloudy enough to change");
        assertThat(page("/vats/" + vat.code() + "/inspect"))
                .as("marks of the last time are there already")
                .contains("dent 41.0 21.0 6.0");
        assertThat(page("/bench")).contains(vat.code()).contains("Clouded, 2 marks");
    }

    @Test
    void whatCannotBeIsRefusedAndKept() {
        String path = "/vats/" + vat.code() + "/inspect";
        assertThat(refused(422, "Nothing was looked at yet", path)).contains("Write it down");
        assertThat(refused(422, "needs both readings", path, "uvBare", "3", "note", "by the window"))
                .contains("by the window");
        refused(422, "the wrong way round", path, "uvBare", "2", "uvThrough", "3");
        refused(422, "protective film", path, "uvBare", "3", "uvThrough", "0.01");
        assertThat(refused(422, "This is no mark", path, "marks", "dent here")).contains("dent here");
        refused(422, "from the left", path, "marks", "dent 4000 20 3");
        refused(422, "This is no number", path, "uvBare", "lots", "uvThrough", "1");
        assertThat(looks.of(vat.film().id())).isEmpty();
        assertThat(status("/vats/V99999")).isEqualTo(404);
    }

    @Test
    void aWetTowelHoldsTheMachineAndADryOneAfterTheChangeFreesIt() {
        accepted("/vats/" + vat.code() + "/inspect", "leak", "WET");
        assertThat(shop.holds(machine)).contains("wet-under-vat");
        bench.record(new ServiceEntry(
                machine,
                "FILM_CHANGE",
                null,
                null,
                Map.of("material", "FEP", "thicknessMm", 0.127, "endReason", "PIERCED")));
        accepted("/vats/" + vat.code() + "/inspect", "leak", "DRY");
        assertThat(shop.holds(machine)).containsExactly("not-levelled");
    }

    @Test
    void anInspectionIsTakenBackWithWhatFollowedFromIt() {
        accepted("/vats/" + vat.code() + "/inspect", "leak", "WET", "clouding", "FAINT");
        long look = looks.of(vat.film().id()).get(0).id();
        assertThat(form("/vats/" + vat.code() + "/looks/" + look + "/withdraw", "reason", " ")
                        .status())
                .isEqualTo(422);
        assertThat(shop.holds(machine)).contains("wet-under-vat");
        shop.as("operator");
        assertThat(form("/vats/" + vat.code() + "/looks/" + look + "/withdraw", "reason", "not mine")
                        .status())
                .isEqualTo(403);
        shop.as("keeper");
        accepted("/vats/" + vat.code() + "/looks/" + look + "/withdraw", "reason", "wrong vat");
        assertThat(looks.of(vat.film().id())).isEmpty();
        assertThat(shop.holds(machine)).isEmpty();
    }

    @Test
    void aVatOnTheShelfIsInspectedWithoutAMachine() {
        String spare = shelf.addVat(shop.modelOf(machine), new Parts.Sheet("FEP", 0.127), Parts.Baseline.NEW);
        accepted("/vats/" + spare + "/inspect", "clouding", "CLEAR", "leak", "DRY");
        assertThat(looks.latest().get(vats.one(spare).film().id()).leak()).isEqualTo(FilmLooks.Leak.DRY);
        assertThat(page("/vats/" + spare))
                .contains("on the shelf")
                .contains("Fit it to")
                .contains("towel dry");
        String empty = shelf.addVat(shop.modelOf(machine), null, Parts.Baseline.NEW);
        assertThat(page("/vats/" + empty)).contains("There is no film in this vat");
        assertThat(page("/vats/" + empty + "/tone")).contains("How tight");
        assertThat(page("/vats/" + empty + "/inspect")).contains("no film");
        refused(409, "There is no film", "/vats/" + empty + "/inspect", "clouding", "CLEAR");
        assertThatThrownBy(() -> bench.record(new ServiceEntry(
                        null, "FILM_CLEANED", null, null, Map.of("vat", vat.code(), "cleaner", "ALCOHOL"))))
                .isInstanceOf(Conflict.class)
                .hasMessageContaining("Enter it for that machine");
    }

    @Test
    void aToneIsHeardKeptComparedAndTakenBack() throws Exception {
        String model = shop.modelOf(machine);
        assertThat(model).isNotNull();
        assertThat(page("/vats/" + vat.code() + "/tone"))
                .contains("never tapped")
                .contains("Nobody measured the window");
        assertThat(tap(TapSound.taps(144, 81, 0.127, false), TapSound.taps(144, 81, 0.127, true), "20"))
                .isEqualTo(302);
        FilmTones.Tone first = tones.of(vat.film().id()).get(0);
        assertThat(page("/vats/" + vat.code() + "/tone"))
                .contains("Nothing says yet whether it is right")
                .doesNotContain("as they should be");
        assertThat(first.withAirNPerM()).isCloseTo(TapSound.TENSION_N_PER_M, within(0.03 * TapSound.TENSION_N_PER_M));
        assertThat(first.evenness()).isCloseTo(1, within(0.05));
        accepted("/vats/" + vat.code() + "/tone/reference", "school", "EAR", "tone", "" + first.id());
        assertThat(page("/vats/" + vat.code() + "/tone"))
                .contains("As it should be")
                .contains("second, along")
                .contains("A good film of this model");
        accepted(
                "/vats/" + vat.code() + "/tone/reference",
                "school",
                "STATED",
                "hz",
                "" + 1.1 * first.hz(),
                "referenceC",
                "20");
        assertThat(page("/vats/" + vat.code() + "/tone")).contains("Slack.").contains("every frame bolt");
        accepted("/vats/" + vat.code() + "/tone/reference", "school", "MAKER", "tension", "" + first.withAirNPerM());
        assertThat(tones.reference(vat).orElseThrow().hz()).isCloseTo(first.hz(), within(0.01 * first.hz()));
        accepted("/vats/" + vat.code() + "/tone/reference", "school", "STATED", "hz", "300", "referenceC", "30");
        assertThat(page("/vats/" + vat.code() + "/tone"))
                .contains("Not comparable")
                .doesNotContain("as they should be");
        accepted("/vats/" + vat.code() + "/tone/" + first.id() + "/withdraw");
        assertThat(tones.of(vat.film().id())).isEmpty();
    }

    @Test
    void whatHasNoClearToneIsNotKept() throws Exception {
        assertThat(tap(new byte[] {1, 2, 3}, null, "20")).isEqualTo(422);
        byte[] silence = TapSound.taps(144, 81, 0.127, false);
        Arrays.fill(silence, 60, silence.length, (byte) 0);
        assertThat(tap(silence, null, "20")).isEqualTo(422);
        assertThat(tap(TapSound.taps(144, 81, 0.127, false), TapSound.taps(120, 60, 0.127, true), "20"))
                .as("another film")
                .isEqualTo(422);
        assertThat(tap(TapSound.taps(144, 81, 0.127, false), null, "warm")).isEqualTo(422);
        refused(422, "Choose where the reference comes from", "/vats/" + vat.code() + "/tone/reference");
        refused(422, "Hz", "/vats/" + vat.code() + "/tone/reference", "school", "STATED", "hz", "-4");
        assertThat(tones.of(vat.film().id())).isEmpty();
        assertThat(tones.reference(vat)).isEmpty();
    }

    /** A stop-gap is looked at every eight hours of printing; common practice, no source. */
    @Test
    void aHoleCuredShutIsWatchedHoldsWhenNobodyLooksAndEndsWithTheFilm() {
        shop.service(machine, "HOLE_CURED", 10, "sizeMm", 0.4);
        assertThat(shop.now(machine).standing().concerns())
                .anySatisfy(c -> assertThat(c.text()).contains("cured shut for now"));
        shop.run(machine, 20, 7);
        shop.service(machine, "PLATE_CLEARED", 28);
        assertThat(shop.holds(machine)).isEmpty();
        assertThat(page("/machines/" + machine + "/start")).contains("cured shut for now; look at it within 1 h");
        shop.run(machine, 30, 2);
        shop.service(machine, "PLATE_CLEARED", 33);
        assertThat(shop.holds(machine)).containsExactly("stop-gap-lapsed");
        shop.service(machine, "VAT_INSPECTED", 34, "clean", true);
        assertThat(shop.holds(machine)).isEmpty();
        shop.run(machine, 40, 9);
        shop.service(machine, "PLATE_CLEARED", 50);
        assertThat(shop.holds(machine)).containsExactly("stop-gap-lapsed");
        shop.filmChange(machine, 51);
        assertThat(shop.holds(machine)).containsExactly("not-levelled");
    }

    @Test
    void aStopGapMovesWithItsVat() {
        String other = shop.machineOf(shop.modelOf(machine));
        shop.service(machine, "HOLE_CURED", 10);
        shop.run(machine, 20, 7);
        shop.service(machine, "PLATE_CLEARED", 28);
        shop.service(machine, "VAT_REMOVED", 29, "vat", vat.code());
        shop.service(other, "VAT_FITTED", 30, "vat", vat.code());
        shop.service(other, "LEVELLING", 31, "school", "PAPER");
        shop.run(other, 32, 2);
        shop.service(other, "PLATE_CLEARED", 35);
        assertThat(shop.holds(other)).containsExactly("stop-gap-lapsed");
        assertThat(standings.of(machine).standing().concerns())
                .noneSatisfy(c -> assertThat(c.text()).contains("cured shut"));
    }

    @Test
    void aLaserTankHasNoFilmToTapOrToChange() {
        String laser = shop.machine(MachineKind.LASER_TANK, false);
        String tank = shop.now(laser).vat().code();
        shop.as("keeper");
        assertThat(page("/vats/" + tank)).contains("Tank " + tank).doesNotContain("tension by tone");
        assertThatThrownBy(() -> shop.service(laser, "HOLE_CURED", 10)).hasMessageContaining("does not apply");
    }

    private int tap(byte[] centre, byte[] quarter, String temperatureC) throws Exception {
        var who = SecurityContextHolder.getContext().getAuthentication();
        var request = MockMvcRequestBuilders.multipart("/vats/" + vat.code() + "/tone")
                .file(new MockMultipartFile("centre", "c.wav", "audio/wav", centre));
        if (quarter != null) {
            request = request.file(new MockMultipartFile("quarter", "q.wav", "audio/wav", quarter));
        }
        int status = mvc.perform(request.param("temperatureC", temperatureC)
                        .with(SecurityMockMvcRequestPostProcessors.csrf())
                        .with(SecurityMockMvcRequestPostProcessors.authentication(who)))
                .andReturn()
                .getResponse()
                .getStatus();
        SecurityContextHolder.getContext().setAuthentication(who);
        return status;
    }
}
