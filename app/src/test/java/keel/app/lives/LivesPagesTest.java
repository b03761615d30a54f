package keel.app.lives;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import keel.app.support.PageTest;
import keel.core.life.LifeClock;
import keel.core.life.WeibullFit;
import keel.core.standing.PartUse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Lives as the records know them. */
class LivesPagesTest extends PageTest {

    @Autowired
    private PartLives lives;
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
        PartLives.Group films = group(PartUse.Part.FILM);
        assertThat(films.life().ends()).isEqualTo(1);
        assertThat(films.life().lives()).isEqualTo(3);
        assertThat(films.clock()).isEqualTo(LifeClock.HOURS);
        assertThat(films.life().chosen()).isFalse();
        assertThat(films.life().known()).as("two ends and a planned change are too few").isFalse();
        assertThat(films.causes()).containsEntry("PIERCED", 1L).containsEntry("PLANNED", 1L);
        assertThat(films.inService()).singleElement().satisfies(l -> assertThat(l.age()).isCloseTo(5, within(1e-9)));
        assertThat(films.life().ways().accidents()).isEqualTo(1);
        assertThat(films.life().ways().worn()).isZero();
        assertThat(films.life().ways().halfByAccident()).as("what never happened is thought to happen later").isLessThan(films.life().ways().halfByWear());
        assertThat(films.life().fit().scale()).as("short lives pull what is usual down").isLessThan(450);
        PartLives.Group screens = group(PartUse.Part.SCREEN);
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
        PartLives.Group films = group(PartUse.Part.FILM);
        assertThat(films.clock()).isNotEqualTo(LifeClock.HOURS);
        assertThat(films.life().chosen()).isTrue();
        assertThat(films.life().fit().way()).isEqualTo(WeibullFit.Way.WEAR_OUT);
    }

    @Test
    void thePageShowsEachKindWithWhatIsLeft() {
        shop.run(machine, 0, 10);
        String html = page("/bench/lives");
        assertThat(html).contains("How long parts last here").contains("Films").contains(shop.now(machine).film().code()).contains("Half of them last");
        assertThat(html).doesNotContain("NaN").doesNotContain("Infinity");
    }

    private PartLives.Group group(PartUse.Part kind) {
        return lives.groups().stream().filter(g -> g.kind() == kind && g.model().equals(model)).findFirst().orElseThrow();
    }
}
