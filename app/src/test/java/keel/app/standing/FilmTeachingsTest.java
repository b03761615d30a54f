package keel.app.standing;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.ApiCalls;
import keel.app.support.TestShop;
import keel.core.condition.FilmLearned;
import keel.core.film.Clouding;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What a shop's prints taught: only those through a film that somebody had looked at, and by their verdicts. */
class FilmTeachingsTest extends ApiCalls {

    private static final int PRINTS = 120;
    private static final int LOST = 6;

    @Autowired
    private FilmTeachings teachings;

    @Autowired
    private Runs runs;

    private long printed(int lost) throws Exception {
        String machine = shop.maskMachine();
        shop.run(machine, 1, 1);
        String vat = shop.now(machine).film().carrier();
        Answer looked = post(
                "/api/v1/vats/" + vat + "/inspections", "{\"clouding\":\"HAZY\",\"at\":\"" + TestShop.at(3) + "\"}");
        assertThat(looked.status()).as(looked.body().toString()).isEqualTo(201);
        for (int i = 0; i < PRINTS; i++) {
            double hour = 5 + 2 * i;
            String outcome = i < lost ? "FAILED" : "GOOD";
            long run = runs.enter(new RunEntry(
                            machine,
                            "Latch",
                            TestShop.at(hour),
                            TestShop.at(hour + 1),
                            500,
                            2.0,
                            10.0,
                            outcome,
                            i < lost ? 400 : null,
                            null))
                    .id();
            if (i < lost) {
                blameTheFilm(machine, run);
            }
        }
        return shop.now(machine).id();
    }

    private void blameTheFilm(String machine, long run) throws Exception {
        Answer failure = post(
                "/api/v1/failures",
                "{\"machine\":\"%s\",\"run\":%d,\"symptoms\":[\"layer-split\",\"film-cloudy\"]}"
                        .formatted(machine, run));
        assertThat(failure.status()).as(failure.body().toString()).isEqualTo(201);
        Answer cause = post(
                "/api/v1/failures/" + failure.body().get("id").asLong() + "/cause",
                "{\"cause\":\"film-worn\",\"certainty\":\"PRESUMED\"}");
        assertThat(cause.status()).as(cause.body().toString()).isBetween(200, 204);
    }

    @Test
    void whatCameOutAndWhatWasLostThroughLookedAtFilmsIsLearned() throws Exception {
        int before = teachings.reckoned().prints();
        long good = printed(0);
        long bad = printed(LOST);
        FilmLearned learned = teachings.reckoned();
        assertThat(learned.prints()).as("not the print before the look").isGreaterThanOrEqualTo(before + 2 * PRINTS);
        assertThat(learned.worn().get(good)).isLessThan(1);
        assertThat(learned.worn().get(bad)).isGreaterThan(1.5 * learned.worn().get(good));
        assertThat(learned.on(bad, Clouding.MILKY))
                .as("of milky films nothing")
                .isEqualTo(FilmLearned.NOTHING.on(0, null));
    }
}
