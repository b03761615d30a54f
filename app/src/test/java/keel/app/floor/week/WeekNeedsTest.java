package keel.app.floor.week;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import keel.app.people.Actor;
import keel.app.people.Presences;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.stores.Baths;
import keel.app.stores.Bottles;
import keel.app.stores.Finishing;
import keel.app.stores.Resins;
import keel.app.support.PageTest;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What the jobs of a week need beside a machine: resin, a clear place, a bath; and what the gate knows of them. */
class WeekNeedsTest extends PageTest {

    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private WantedJobs jobs;

    @Autowired
    private Presences presences;

    @Autowired
    private Weeks weeks;

    @Autowired
    private ResinAhead resinAhead;

    @Autowired
    private Resins resins;

    @Autowired
    private Bottles bottles;

    @Autowired
    private Baths baths;

    @Autowired
    private Finishing finishing;

    @Autowired
    private Runs runs;

    private String machine;

    @BeforeEach
    void somebodyIsThereAllDay() {
        shop.as("keeper");
        jobs.waiting().forEach(j -> jobs.close(j.id(), false));
        machine = shop.maskMachine();
        accepted(
                "/week/hours",
                "person",
                Long.toString(Actor.current().personId()),
                "monday",
                "0-24",
                "tuesday",
                "0-24",
                "wednesday",
                "0-24",
                "thursday",
                "0-24",
                "friday",
                "0-24",
                "saturday",
                "0-24",
                "sunday",
                "0-24");
    }

    @AfterEach
    void nothingWaits() {
        shop.as("keeper");
        jobs.waiting().forEach(j -> jobs.close(j.id(), false));
        presences.say(Actor.current().personId(), Map.of());
    }

    private static String name(String what) {
        return what + " " + NUMBER.incrementAndGet();
    }

    private WantedView ask(String name, String... more) {
        String[] fields = new String[4 + more.length];
        fields[0] = "name";
        fields[1] = name;
        fields[2] = "hours";
        fields[3] = "2";
        System.arraycopy(more, 0, fields, 4, more.length);
        assertThat(accepted("/jobs/new", fields)).isEqualTo("/week");
        WantedView job = jobs.waiting().stream()
                .filter(j -> j.name().equals(name))
                .findFirst()
                .orElseThrow();
        accepted("/jobs/" + job.id() + "/fix", "machine", machine);
        return job;
    }

    private ResinAhead.Line line(String resin) {
        return resinAhead.of(weeks.now()).stream()
                .filter(l -> l.resin().equals(resin))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void resinThatLacksIsSaidFromTheJobOnThatFindsNone() {
        String resin = resins.add(name("Rush green"), null);
        ask(name("Oar"), "resin", resin, "resinMl", "300");
        assertThat(line(resin).words()).isEqualTo("300 ml for one job; nobody keeps count of its bottles");
        String item = shop.item(name("bottles of it"), 0);
        bottles.add(new Bottles.Entry(resin, 1, 500.0, null, null, null, true));
        bottles.countedBy(resin, item);
        assertThat(line(resin).lacks()).isEmpty();
        WantedView second = ask(name("Thwart"), "resin", resin, "resinMl", "300");
        ask(name("Bailer"), "resin", resin);
        ResinAhead.Line line = line(resin);
        assertThat(line.words()).isEqualTo("600 ml for 2 jobs, and of one job nobody knows; 500 ml in bottles");
        assertThat(line.lacks()).startsWith("Lacks from ").endsWith("order it; nobody said how long it takes to come.");
        assertThat(page("/week")).contains("Resin for these days", "600 ml for 2 jobs", "Lacks from ");
        accepted("/jobs/" + second.id() + "/close", "as", "dropped");
        assertThat(line(resin).lacks()).as("300 of 500 ml").isEmpty();
        refused(422, "What it takes of resin", "/jobs/new", "name", "x", "hours", "2", "resinMl", "-1");
    }

    @Test
    void whatNobodySaidIsTakenFromTheLastPrintOfThatName() {
        String resin = resins.add(name("Sedge"), null);
        String name = name("Cleat");
        printed(name);
        WantedView job = ask(name, "resin", resin);
        assertThat(jobs.takesMl(List.of(job.id()))).containsEntry(job.id(), 42.0);
        assertThat(page("/jobs/" + job.id())).contains("42 ml");
    }

    private RunView printed(String name) {
        Instant start = Instant.now().minus(Duration.ofHours(3));
        return runs.enter(new RunEntry(
                machine,
                name,
                start,
                start.plus(Duration.ofHours(2)),
                777,
                1.9,
                42.0,
                "GOOD",
                null,
                null,
                null,
                null,
                null,
                null,
                null));
    }

    @Test
    void theGateBeginsWithTheLastPrintOfTheJobAndOffersWhatWaits() {
        String name = name("Rowlock");
        printed(name);
        shop.service(machine, "PLATE_CLEARED", 9100);
        WantedView job = ask(name, "widthMm", "40", "depthMm", "25.5");
        assertThat(job.startPath(machine))
                .endsWith("/start?job=Rowlock%20" + name.split(" ")[1] + "&footprint=40%20x%2025.5");
        String gate = page("/machines/" + machine + "/start");
        assertThat(gate).contains("waiting-jobs", ">" + name + "<");
        String begun = page("/machines/" + machine + "/start?job=" + name + "&footprint=40 x 25.5");
        assertThat(begun).contains("value=\"777\"", "value=\"1.9\"", "value=\"42\"", "value=\"40 x 25.5\"");
        String other = shop.maskMachine();
        assertThat(page("/machines/" + other + "/start?job=" + name))
                .as("layers are of the file, how long they are lit is of the machine")
                .contains("value=\"777\"")
                .doesNotContain("value=\"1.9\"");
        assertThat(page("/machines/" + other + "/start?job=Never printed"))
                .contains("value=\"Never printed\"")
                .doesNotContain("value=\"777\"");
    }

    @Test
    void aJobThatHasNoClearPlaceOnThePlateIsNotPlannedThere() {
        shop.service(
                machine,
                "SCREEN_INSPECTED",
                9000,
                "clean",
                false,
                "spots",
                List.of(Map.of("xMm", 65, "yMm", 40, "sizeMm", 4)));
        WantedView wide = ask(name("Transom"), "widthMm", "110", "depthMm", "70");
        WantedView small = ask(name("Pin"), "widthMm", "40", "depthMm", "30");
        assertThat(page("/jobs/" + wide.id()))
                .contains("Spots of the screen or marks in the film leave no place for 110 × 70 mm");
        assertThat(weeks.now().plan().slots()).anyMatch(s -> weeks.now()
                .job(s.id())
                .filter(j -> j.id() == small.id())
                .isPresent());
    }

    @Test
    void aBathThatWillBeSpentHasItsSitting() {
        String bath = baths.add("ALCOHOL", "ONLY", 500.0);
        accepted("/wash/baths/" + bath, "do", "fill", "litres", "0,5");
        for (int i = 0; i < 3; i++) {
            RunView run = shop.run(shop.maskMachine(), 8500 + 10 * i, 2);
            finishing.wash(run.id(), bath, null);
            finishing.dries(run.id(), null);
        }
        assertThat(baths.one(bath).printsLeft()).as("soon, at three a day").isLessThan(15);
        assertThat(page("/week")).contains("Wash bench", "Change bath " + bath, "/wash#" + bath);
        assertThat(weeks.now().upkeep()).containsKey("upkeep bench:" + bath);
        baths.retire(bath);
    }
}
