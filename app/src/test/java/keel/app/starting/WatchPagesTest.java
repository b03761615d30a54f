package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.base.Refused;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.LookInView;
import keel.app.prints.LookIns;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.core.watch.LookAdvice;
import keel.core.watch.LookIn;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** While a run prints and just after: looks, what they lead to, and the plate that is cleared. */
class WatchPagesTest extends PageTest {

    @Autowired
    private Runs runs;

    @Autowired
    private LookIns lookIns;

    @Autowired
    private Logbook logbook;

    /** A machine whose earlier layers took 18 s each, with a run of 2000 layers going on: ten hours. */
    private String printing(Duration since, Double everyHours) {
        String m = shop.maskMachine();
        shop.run(m, 1, 5);
        shop.service(m, "PLATE_CLEARED", 6);
        runs.enter(new RunEntry(
                m,
                "Hinge",
                Instant.now().minus(since),
                null,
                2000,
                1.8,
                40.0,
                null,
                null,
                null,
                everyHours,
                null,
                null,
                null,
                null));
        return m;
    }

    private long run(String m) {
        return shop.now(m).run().id();
    }

    @Test
    void looksArePlannedWithTheRunAtTheIntervalThatWasChosen() {
        String m = printing(Duration.ofMinutes(5), 2.0);
        List<LookInView> looks = lookIns.of(run(m));
        assertThat(looks)
                .extracting(LookInView::kind)
                .startsWith(LookIn.LookKind.FIRST_LAYERS)
                .contains(LookIn.LookKind.INTERVAL)
                .hasSize(5);
        assertThat(Duration.between(looks.get(1).dueAt(), looks.get(2).dueAt())).isEqualTo(Duration.ofHours(2));
        assertThatThrownBy(() -> runs.enter(new RunEntry(
                        shop.maskMachine(),
                        "Hinge",
                        null,
                        null,
                        2000,
                        1.8,
                        40.0,
                        null,
                        null,
                        null,
                        -1.0,
                        null,
                        null,
                        null,
                        null)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("interval to look in");
    }

    @Test
    void onePartThatFailedRunsOnUnlessSomethingIsLoose() {
        String m = printing(Duration.ofHours(3), 1.0);
        long id = run(m);
        assertThat(page("/runs/" + id + "/now"))
                .contains("What should it look like now?", "look is due", "of 2\u202f000 layers");
        assertThat(form("/runs/" + id + "/look", "seen", "ONE_PART_FAILED").html())
                .contains("Let it run.", "reprint only what failed");
        assertThat(lookIns.due(Instant.now())).as("all that were due are made").noneMatch(l -> l.run() == id);
        assertThat(lookIns.of(id))
                .filteredOn(LookInView::open)
                .as("and one within the hour is added")
                .anySatisfy(l -> assertThat(l.dueAt()).isBefore(Instant.now().plus(Duration.ofMinutes(61))));
        assertThat(form("/runs/" + id + "/look", "seen", "ONE_PART_FAILED", "loose", "true")
                        .html())
                .contains("Stop it.")
                .containsPattern("value=\"STOPPED\"[^>]*checked");
        assertThat(lookIns.of(id))
                .filteredOn(l -> l.seen() == LookAdvice.Seen.ONE_PART_FAILED)
                .isNotEmpty();
        assertThat(logbook.lines(LogFilter.ofSubject("RUN", id))).anySatisfy(l -> assertThat(l.headline())
                .contains("look-in at about layer", "one part of several failed"));
        refused(422, "Say what you saw.", "/runs/" + id + "/look", "seen", "GREEN");
    }

    @Test
    void aRunWithoutAnyKnownPaceSaysSoAndPlansNothing() {
        String m = shop.maskMachine();
        runs.enter(new RunEntry(m, "Hinge", null, null, 2000, 1.8, 40.0, null, null, null));
        assertThat(page("/runs/" + run(m) + "/now")).contains("Nothing is known of this machine");
        assertThat(lookIns.of(run(m))).isEmpty();
        assertThat(form("/runs/" + run(m) + "/look", "seen", "NOTHING").html()).contains("Stop it.");
    }

    @Test
    void whatIsDoneAfterAPrintClearsThePlateAndTheMeasuredResinCounts() {
        String m = printing(Duration.ofHours(7), null);
        long id = run(m);
        assertThat(accepted(
                        "/runs/" + id + "/finish", "outcome", "GOOD", "endedAt", "", "reachedLayer", "", "resinMl", ""))
                .isEqualTo("/runs/" + id + "/after");
        assertThat(shop.holds(m)).contains("plate-not-clear");
        String html =
                refused(422, "Is the plate clear?", "/runs/" + id + "/after", "sieved", "true", "resinLeftMl", "95");
        assertThat(html).contains("value=\"95\"").containsPattern("name=\"sieved\"[^>]*checked");
        assertThat(accepted("/runs/" + id + "/after", "clear", "true", "burr", "true", "sieved", "true"))
                .isEqualTo("/machines/" + m + "/do/PLATE_WORK");
        assertThat(shop.holds(m)).doesNotContain("plate-not-clear");
        assertThat(logbook.lines(LogFilter.ofMachine(m, 1)).get(0).headline())
                .contains("plate cleared, resin sieved; a burr was felt");
    }

    /** One that broke off is booked up to the layer of the clock; a good one reached its last, whatever was typed. */
    @Test
    void whatBrokeOffIsBookedUpToItsLayer() {
        String m = printing(Duration.ofHours(3), null);
        long id = run(m);
        String html = page("/runs/" + id + "/now");
        Matcher layer =
                Pattern.compile("name=\"reachedLayer\"[^>]*value=\"(\\d+)\"").matcher(html);
        assertThat(layer.find()).as("the layer by the clock").isTrue();
        assertThat(html).as("nobody measured").doesNotContainPattern("name=\"resinMl\"[^>]*value=\"\\d");
        accepted(
                "/runs/" + id + "/finish",
                "outcome",
                "STOPPED",
                "endedAt",
                "",
                "reachedLayer",
                layer.group(1),
                "resinMl",
                "");
        RunView stopped = runs.one(id);
        assertThat(stopped.usedMl() / stopped.resinMl())
                .isCloseTo((double) stopped.reachedLayer() / stopped.layers(), within(1e-9))
                .isBetween(0.1, 0.9);
        String other = printing(Duration.ofHours(7), null);
        long good = run(other);
        accepted("/runs/" + good + "/finish", "outcome", "GOOD", "endedAt", "", "reachedLayer", "5", "resinMl", "");
        assertThat(runs.one(good).reachedLayer()).isNull();
    }

    @Test
    void afterTheLastRunOfAMachineIsFoundWithoutItsNumber() {
        String m = shop.maskMachine();
        assertThat(form("/machines/" + m + "/stance/kept").status()).isEqualTo(302);
        long id = shop.run(m, 1, 4).id();
        assertThat(page("/runs/" + id + "/after")).contains("Before the next one on", "after failures and on signs");
    }

    /** A resin in the vat whose layers take 15 s, 2 s of it the tilt, or 5 s where it tilts slowly. */
    private String tilting() {
        String m = shop.maskMachine();
        String resin = shop.resin("Silt " + m);
        accepted("/machines/" + m + "/pour", "resin", resin, "ml", "240");
        accepted(
                "/machines/" + m + "/profiles",
                "resin",
                resin,
                "school",
                "MAKER",
                "layerMm",
                "0.05",
                "bottomLayers",
                "0",
                "bottomExposureS",
                "20",
                "exposureS",
                "3",
                "liftMm",
                "5",
                "liftMmPerMin",
                "60",
                "retractMmPerMin",
                "60",
                "releaseS",
                "2",
                "slowReleaseS",
                "5");
        return m;
    }

    @Test
    void aReleaseThatIsSwitchedMovesTheEndOfTheRun() {
        String m = tilting();
        RunView run = runs.enter(new RunEntry(m, "Hinge", null, null, 1000, 3.0, 40.0, null, null, null));
        Instant start = run.startedAt();
        long id = run.id();
        assertThat(shop.now(m).run().expectedEnd()).isEqualTo(start.plusSeconds(15_000));
        assertThat(page("/runs/" + id + "/now")).contains("Switched to slow");
        refused(422, "This is no whole number: soon.", "/runs/" + id + "/release", "slow", "true", "fromLayer", "soon");
        refused(422, "The layer", "/runs/" + id + "/release", "slow", "true", "fromLayer", "1001");
        refused(422, "The layer", "/runs/" + id + "/release", "slow", "true", "fromLayer", "");
        accepted("/runs/" + id + "/release", "slow", "true", "fromLayer", "401");
        assertThat(shop.now(m).run().expectedEnd()).as("600 layers of 3 s more").isEqualTo(start.plusSeconds(16_800));
        accepted("/runs/" + id + "/release", "slow", "true", "fromLayer", "500");
        assertThat(shop.now(m).run().expectedEnd())
                .as("tapped twice, or by another tablet")
                .isEqualTo(start.plusSeconds(16_800));
        accepted("/runs/" + id + "/release", "slow", "false", "fromLayer", "501");
        assertThat(shop.now(m).run().expectedEnd()).isEqualTo(start.plusSeconds(15_300));
        assertThat(logbook.lines(LogFilter.ofSubject("RUN", id)))
                .filteredOn(l -> l.headline().contains("release from layer"))
                .hasSize(2);
        long ended = shop.run(shop.maskMachine(), 1, 4).id();
        assertThat(form("/runs/" + ended + "/release", "slow", "true", "fromLayer", "600")
                        .to())
                .as("one that has ended")
                .isEqualTo("/runs/" + ended);
    }

    @Test
    void aMachineThatCannotLetGoSlowlyIsNotAsked() {
        String m = printing(Duration.ofHours(1), null);
        assertThat(page("/runs/" + run(m) + "/now")).doesNotContain("Switched to");
        assertThat(page("/machines/" + m + "/start")).doesNotContain("slowRelease");
    }
}
