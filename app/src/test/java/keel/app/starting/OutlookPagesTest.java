package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keel.app.film.FilmLooks;
import keel.app.film.Vats;
import keel.app.standing.Standings;
import keel.app.support.PageTest;
import keel.core.condition.Advice;
import keel.core.film.Clouding;
import keel.core.run.Detail;
import keel.core.standing.PartUse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The pages of what is to be expected agree with one another: machine, vat, outlook, gate. */
class OutlookPagesTest extends PageTest {

    @Autowired
    private Standings standings;

    @Autowired
    private Outlooks outlooks;

    @Autowired
    private FilmLooks looks;

    @Autowired
    private Vats vats;

    private String machine;
    private String vat;

    @BeforeEach
    void aMachine() {
        shop.people();
        machine = shop.maskMachine();
        vat = standings.of(machine).film().carrier();
    }

    @Test
    void theMachineAndItsVatSayTheSame() {
        look(Clouding.CLOUDED);
        PartUse onMachine = standings.of(machine).worn().get(0);
        PartUse inVat = vats.one(vat).filmUse();
        assertThat(inVat.failsWithin(8, 0.3)).isCloseTo(onMachine.failsWithin(8, 0.3), within(1e-12));
        assertThat(inVat.hoursLeft(0.3)).isEqualTo(onMachine.hoursLeft(0.3));
        assertThat(outlooks.of(machine, new Outlooks.Job(8.0, null, Detail.USUAL, List.of()))
                        .parts()
                        .get(0)
                        .failsDuringJob())
                .isCloseTo(onMachine.failsWithin(8, standings.of(machine).uvShare()), within(1e-12));
    }

    @Test
    void theVatShowsTheCourseOfItsFilm() {
        assertThat(page("/vats/" + vat)).contains("How clear it is", "Nobody looked yet: this is what is usual");
        look(Clouding.MILKY);
        assertThat(page("/vats/" + vat))
                .contains("That is too little for usual detail", "too cloudy for usual detail", "it looked milky")
                .doesNotContain("Nobody looked yet");
    }

    @Test
    void adviceFollowsTheLookAndTheDetail() {
        shop.run(machine, 1, 101);
        assertThat(page("/machines/" + machine + "/outlook")).contains("Look at it first", "Nobody looked at it");
        look(Clouding.CLOUDED);
        assertThat(advice("ROUGH")).isEqualTo(Advice.KEEP);
        assertThat(advice("USUAL")).isEqualTo(Advice.CHANGE_AFTER);
        assertThat(advice("FINE")).isEqualTo(Advice.CHANGE_BEFORE);
        String html = page("/machines/" + machine + "/outlook?hours=6&detail=FINE");
        assertThat(html).contains("Change it before this job", "of fine detail");
        assertThat(page("/machines/" + machine + "/outlook?hours=soon&detail=GLOSSY"))
                .as("what is no number is not said")
                .contains("of usual detail");
    }

    private Advice advice(String detail) {
        return outlooks.of(machine, new Outlooks.Job(6.0, null, Detail.valueOf(detail), List.of()))
                .parts()
                .get(0)
                .advice();
    }

    private void look(Clouding grade) {
        looks.write(vat, new FilmLooks.LookEntry(grade, null, null, null, List.of(), null), 130, 80);
    }
}
