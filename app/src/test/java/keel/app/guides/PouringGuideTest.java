package keel.app.guides;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.Map;
import keel.app.air.AirParts;
import keel.app.base.Conflict;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.stores.Bottles;
import keel.app.support.PageTest;
import keel.core.air.AirPartKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Guides that end in something else than a service: a pour, a part in the path of the air that begins anew. */
class PouringGuideTest extends PageTest {

    @Autowired
    private Guides guides;

    @Autowired
    private Guidebook guidebook;

    @Autowired
    private Bottles bottles;

    @Autowired
    private AirParts airParts;

    @Autowired
    private Runs runs;

    @Autowired
    private Logbook logbook;

    @Autowired
    private JdbcClient jdbc;

    private String machine;
    private String bottle;

    @BeforeEach
    void open() {
        shop.people();
        shop.as("keeper");
        machine = shop.maskMachine();
        bottle = bottles.add(new Bottles.Entry(shop.resin("Poured " + machine), 1, 500.0, "L1", 20.0, null, false))
                .get(0);
    }

    @Test
    void resinGoesInAndBackAndEachIsOnePour() {
        long in = guides.begin(machine, "pour");
        walkTo(in, "pour", Map.of("way", "IN", "bottle", bottle));
        assertThat(page("/guides/" + in))
                .contains("it holds 280 ml", "280 ml more", "value=\"280\"", "Raw resin sensitises");
        walkTo(in, null, Map.of("ml", "250"));
        assertThat(shop.now(machine).resinMl())
                .as("nothing is written before the end")
                .isZero();
        accepted(
                "/guides/" + in + "/finish", "version", "" + guides.one(in).version(), "note", "Bubbles rose for long");
        assertThat(shop.now(machine).resinMl()).isEqualTo(250);
        assertThat(bottles.one(bottle, "bottle").leftMl()).isEqualTo(250);
        assertThat(page("/guides/" + in)).contains("Resin written down.");
        assertThat(logbook.lines(LogFilter.ofMachine(machine, 10))).anySatisfy(l -> {
            assertThat(l.headline()).contains("250 ml of Poured");
            assertThat(l.note()).contains("Bubbles rose for long", "What is to be done: resin into the vat.");
        });

        long out = guides.begin(machine, "pour");
        assertThat(out).isNotEqualTo(in);
        walkTo(out, "back", Map.of("way", "OUT", "bottle", bottle));
        assertThat(page("/guides/" + out)).contains("value=\"250\"", "How much went back");
        walkTo(out, null, Map.of("ml", "200"));
        guides.finish(out, guides.one(out).version(), Map.of(), null);
        assertThat(shop.now(machine).resinMl()).isEqualTo(50);
        assertThat(bottles.one(bottle, "bottle").leftMl()).isEqualTo(450);
    }

    @Test
    void whatCannotGoInIsSaidAtTheStepAndNotAtTheEnd() {
        long id = guides.begin(machine, "pour");
        walkTo(id, "pour", Map.of("way", "IN", "bottle", bottle));
        String step = "/guides/" + id + "/done";
        refused(
                409,
                "stands over its most of 280 ml",
                step,
                "version",
                "" + guides.one(id).version(),
                "ml",
                "300");
        refused(422, "must be between", step, "version", "" + guides.one(id).version(), "ml", "-5");
        assertThat(guides.one(id).step().code()).isEqualTo("pour");
        bottles.measured(bottle, 40.0);
        refused(409, "Only 40 ml are left", step, "version", "" + guides.one(id).version(), "ml", "100");
        accepted(step, "version", "" + guides.one(id).version(), "ml", "40");
        walkTo(id, null, Map.of());
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(shop.now(machine).resinMl()).isEqualTo(40);
    }

    @Test
    void crumbsInTheFilterLeadToALookAtTheFilmAndMoveNoResin() {
        long in = guides.begin(machine, "pour");
        walkTo(in, null, Map.of("way", "IN", "bottle", bottle, "ml", "100"));
        guides.finish(in, guides.one(in).version(), Map.of(), null);
        long id = guides.begin(machine, "pour");
        walkTo(id, "crumbs", Map.of("way", "SIEVE", "bottle", bottle, "crumbs", "true"));
        walkTo(id, null, Map.of());
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(shop.now(machine).resinMl()).isEqualTo(100);
        assertThat(logbook.lines(LogFilter.ofMachine(machine, 10)))
                .anySatisfy(l -> assertThat(l.headline()).contains("sieved"));
    }

    @Test
    void nobodyPoursIntoAVatThatPrints() {
        runs.enter(new RunEntry(machine, "Latch", null, null, 900, 2.1, 40.0, null, null, null));
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> guides.begin(machine, "pour"))
                .withMessageContaining("printing Latch");
        assertThat(page("/machines/" + machine + "/guides/pour")).contains("just write it down");
    }

    @ParameterizedTest
    @EnumSource(AirPartKind.class)
    void eachPartInThePathOfTheAirIsSeenToStepByStep(AirPartKind kind) {
        String name = kind + " of " + machine;
        airParts.add(kind.name(), name, kind == AirPartKind.CARTRIDGE ? null : roomOf(machine), 10.0, 20.0);
        AirParts.AirPart part = airParts.all().stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow();
        jdbc.sql("update air_part set since = dateadd(day, -30, since) where id = ?")
                .param(part.id())
                .update();
        assertThat(airParts.one(part.id()).due()).isTrue();
        assertThat(page("/air")).contains("/air/parts/" + part.id() + "/guide");
        assertThat(page("/guides")).contains("/air/parts/" + part.id() + "/guide");
        assertThat(page("/air/parts/" + part.id() + "/guide")).contains("Have at hand", name);
        String to = accepted("/air/parts/" + part.id() + "/guide");
        long id = Long.parseLong(to.substring(to.lastIndexOf('/') + 1));
        assertThat(guides.beginFor(part.id())).as("the same on another tablet").isEqualTo(id);
        assertThat(page("/guides"))
                .contains("/guides/" + id, guidebook.forPart(part).name() + ", " + name);
        while (!guides.one(id).atEnd()) {
            assertThat(page("/guides/" + id))
                    .contains(guides.one(id).step().title().substring(0, 3));
            walkOne(id, Map.of("clogged", "MOST", "draws", "true", "rubs", "true"));
        }
        assertThat(page("/guides/" + id)).contains("Write it down");
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(airParts.one(part.id()).due()).as("it begins anew").isFalse();
        assertThat(logbook.lines(new LogFilter(null, name, null, null, null, null, null, 0, 10)))
                .anySatisfy(l -> assertThat(l.headline()).contains(kind.done()));
        assertThat(status("/air/parts/999999/guide")).isEqualTo(404);
    }

    /** Wrong cartridges, or a fan that draws nothing: nobody can write that it was seen to. */
    @Test
    void whatIsNotRightCannotBeFinished() throws Exception {
        airParts.add("CARTRIDGE", "Wrong for " + machine, null, 10.0, 20.0);
        AirParts.AirPart part = airParts.all().stream()
                .filter(p -> p.name().equals("Wrong for " + machine))
                .findFirst()
                .orElseThrow();
        long id = guides.beginFor(part.id());
        walkTo(id, "stop", Map.of("right", "false"));
        assertThat(page("/guides/" + id)).contains("Not these", "Give it up").doesNotContain(">Done<");
        refused(
                409,
                "It does not end here",
                "/guides/" + id + "/done",
                "version",
                "" + guides.one(id).version());
        guides.back(id, guides.one(id).version());
        walkTo(id, "leaks", Map.of("right", "true", "sits", "false"));
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> guides.done(id, guides.one(id).version(), Map.of()));
        guides.giveUp(id, guides.one(id).version());
        assertThat(airParts.one(part.id()).since()).as("it does not begin anew").isEqualTo(part.since());
    }

    private String roomOf(String code) {
        return jdbc.sql("select r.code from room r join machine m on m.room_id = r.id where m.code = ?")
                .param(code)
                .query(String.class)
                .single();
    }

    private void walkTo(long id, String step, Map<String, String> wanted) {
        while (!guides.one(id).atEnd() && !guides.one(id).step().code().equals(step)) {
            walkOne(id, wanted);
        }
        assertThat(guides.one(id).atEnd()).isEqualTo(step == null);
    }

    private void walkOne(long id, Map<String, String> wanted) {
        SessionView session = guides.one(id);
        guides.done(id, session.version(), GuideAnswers.to(session, wanted));
    }
}
