package keel.app.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import keel.app.failures.Verdicts;
import keel.app.support.PageTest;
import keel.core.life.ChangeSchool;
import keel.core.life.LifeClock;
import keel.core.life.SchoolCost;
import keel.core.life.WeibullFit;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Lives as the records know them. */
class LivesPagesTest extends PageTest {

    @Autowired
    private PartLives lives;

    @Autowired
    private Verdicts verdicts;

    private String machine;
    private String model;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
        model = "Model " + shop.modelOf(machine).replaceAll("\\D", "");
    }

    @Test
    void endsCountPlannedChangesAreCensoredAndTheRestLivesOn() {
        shop.run(machine, 0, 10);
        shop.service(machine, "FILM_CHANGE", 11, "material", "FEP", "thicknessMm", 0.127, "endReason", "PIERCED");
        shop.run(machine, 20, 30);
        shop.service(machine, "FILM_CHANGE", 60, "material", "FEP", "thicknessMm", 0.127, "endReason", "PLANNED");
        shop.run(machine, 70, 5);
        PartLives.Group films = group(PartUse.UsedPart.FILM);
        assertThat(films.life().ends()).isEqualTo(1);
        assertThat(films.life().lives()).isEqualTo(3);
        assertThat(films.clock()).isEqualTo(LifeClock.HOURS);
        assertThat(films.life().chosen()).isFalse();
        assertThat(films.life().known())
                .as("two ends and a planned change are too few")
                .isFalse();
        assertThat(films.causes()).containsEntry("PIERCED", 1L).containsEntry("PLANNED", 1L);
        assertThat(films.inService()).singleElement().satisfies(l -> assertThat(l.age())
                .isCloseTo(5, within(1e-9)));
        assertThat(films.life().ways().accidents()).isEqualTo(1);
        assertThat(films.life().ways().worn()).isZero();
        assertThat(films.life().ways().halfByAccident())
                .as("what never happened is thought to happen later")
                .isLessThan(films.life().ways().halfByWear());
        assertThat(films.life().fit().scale())
                .as("short lives pull what is usual down")
                .isLessThan(450);
        PartLives.Group screens = group(PartUse.UsedPart.SCREEN);
        assertThat(screens.clock()).isEqualTo(LifeClock.UV_HOURS);
        assertThat(screens.life().ends()).isZero();
        assertThat(screens.life().ways()).isNull();
    }

    /** Every film peels as often before its end, however long that takes: peels explain the ends best. */
    @Test
    void theClockIsTheOneThatExplainsTheEnds() {
        double hour = 0;
        for (int i = 0; i < 6; i++) {
            double hours = 4 + 7 * i;
            shop.run(machine, hour, hours);
            shop.run(machine, hour + hours + 1, i == 2 ? 2 : 1);
            hour += hours + 4;
            shop.service(machine, "FILM_CHANGE", hour, "material", "FEP", "thicknessMm", 0.127, "endReason", "CLOUDED");
            hour += 1;
        }
        // two runs of a thousand layers each; one that differs a little, or nothing would tell a shape
        shop.run(machine, hour, 3);
        shop.service(machine, "FILM_CHANGE", hour + 4, "material", "FEP", "thicknessMm", 0.127, "endReason", "CLOUDED");
        PartLives.Group films = group(PartUse.UsedPart.FILM);
        assertThat(films.clock()).isNotEqualTo(LifeClock.HOURS);
        assertThat(films.life().chosen()).isTrue();
        assertThat(films.life().fit().way()).isEqualTo(WeibullFit.Way.WEAR_OUT);
    }

    @Test
    void thePageShowsEachKindWithWhatIsLeft() {
        shop.run(machine, 0, 10);
        String html = page("/bench/lives");
        assertThat(html)
                .contains("How long parts last here")
                .contains("Films")
                .contains(shop.now(machine).film().code())
                .contains("Half of them last");
        assertThat(html).doesNotContain("NaN").doesNotContain("Infinity");
    }

    /** From five ends on, what is due and what the gate says goes by them. */
    @Test
    void statesAndTheGateGoByTheShopsOwnEnds() {
        assertThat(shop.now(machine).liningUse().life().knownFrom()).isEqualTo("what is usual");
        double hour = 0;
        for (int i = 0; i < 8; i++) {
            shop.run(machine, hour, 38 + i);
            hour += 40 + i;
            shop.service(machine, "FILM_CHANGE", hour, "material", "FEP", "thicknessMm", 0.127, "endReason", "CLOUDED");
            hour += 1;
        }
        shop.run(machine, hour, 39);
        shop.service(machine, "PLATE_CLEARED", hour + 40);
        shop.service(machine, "LEVELLING", hour + 41, "school", "PAPER");
        MachineNow now = shop.now(machine);
        assertThat(now.liningUse().life().ends()).isEqualTo(8);
        assertThat(now.standing().state()).isEqualTo(MachineState.DUE);
        assertThat(now.standing().concerns())
                .anySatisfy(c -> assertThat(c.text()).contains("Film").contains("by 8 ends here"));
        assertThat(page("/machines/" + machine + "/start")).contains("by 8 ends here");
        assertThat(page("/machines/" + machine)).contains("by 8 ends here");
        assertThat(group(PartUse.UsedPart.FILM).life().early()).isNotNull();
    }

    @Test
    void theSchoolDecidesAtWhichAgeAFilmIsDue() {
        double hour = 0;
        for (int i = 0; i < 6; i++) {
            shop.run(machine, hour, 38 + i);
            hour += 40 + i;
            verdicts.nameCause(
                    shop.failure(machine, hour - 1, "part-missing", "film-cloudy")
                            .id(),
                    "film-worn",
                    "PRESUMED",
                    null);
            shop.service(machine, "FILM_CHANGE", hour, "material", "FEP", "thicknessMm", 0.127, "endReason", "CLOUDED");
            hour += 1;
        }
        shop.run(machine, hour, 20);
        assertThat(shop.now(machine).liningUse().life().replaceAt()).isLessThan(44);
        accepted("/bench/lives/FILM/school", "school", "FIXED_AGE");
        assertThat(shop.now(machine).liningUse().life().replaceAt()).isEqualTo(450);
        accepted("/bench/lives/FILM/school", "school", "SIGNS");
        assertThat(shop.now(machine).liningUse().life().replaceAt()).isInfinite();
        assertThat(shop.now(shop.maskMachine()).liningUse().life().replaceAt())
                .as("of a size of which none has ended too")
                .isInfinite();
        shop.as("operator");
        assertThat(form("/bench/lives/FILM/school", "school", "RECORDS").status())
                .isEqualTo(403);
        shop.as("keeper");
        accepted("/bench/lives/FILM/school", "school", "RECORDS");
        assertThat(page("/logbook")).contains("Films are changed when it looks or sounds bad, or fails.");
        assertThat(form("/bench/lives/FILM/school", "school", "MOON").status()).isEqualTo(400);
    }

    /** A film that the last print failed by costs more than one that was seen to be clouded in time. */
    @Test
    void anEndInAPrintIsToldFromOneOnSigns() {
        shop.run(machine, 0, 10);
        long failure = shop.failure(machine, 11, "part-missing", "film-cloudy").id();
        verdicts.nameCause(failure, "film-worn", "PRESUMED", null);
        shop.filmChange(machine, 12);
        shop.run(machine, 20, 10);
        shop.filmChange(machine, 31);
        PartLives.Group films = group(PartUse.UsedPart.FILM);
        SchoolCost signs = films.schools().stream()
                .filter(c -> c.school() == ChangeSchool.SIGNS)
                .findFirst()
                .orElseThrow();
        assertThat(films.life().ends()).isEqualTo(2);
        assertThat(films.endCost())
                .as("one of two in a print, and two that are thought of")
                .isCloseTo(
                        films.costs().plannedCost()
                                + 0.75
                                        * (films.costs().failureCost()
                                                - films.costs().plannedCost()),
                        within(1e-9));
        assertThat(signs.hours()).as("ended more than a year ago").isZero();
    }

    @Test
    void theOwnerChangesWhatAChangeCosts() {
        shop.run(machine, 0, 10);
        shop.as("owner");
        double before = group(PartUse.UsedPart.FILM).costs().plannedCost();
        accepted("/bench/lives/FILM/costs", "film.price", "9", "labour.perHour", "18");
        assertThat(group(PartUse.UsedPart.FILM).costs().plannedCost()).isCloseTo(before + 4, within(1e-9));
        String html = refused(422, "must be between", "/bench/lives/FILM/costs", "film.price", "-3");
        assertThat(html).contains("value=\"-3\"");
        accepted("/bench/lives/FILM/costs", "film.price", "5");
        shop.as("keeper");
        assertThat(form("/bench/lives/FILM/costs", "film.price", "9").status()).isEqualTo(403);
    }

    private PartLives.Group group(PartUse.UsedPart kind) {
        return lives.groups().stream()
                .filter(g -> g.kind() == kind && g.model().equals(model))
                .findFirst()
                .orElseThrow();
    }
}
