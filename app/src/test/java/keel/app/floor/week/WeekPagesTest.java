package keel.app.floor.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import keel.app.fleet.Fleet;
import keel.app.floor.round.Rounds;
import keel.app.people.Actor;
import keel.app.people.Presences;
import keel.app.prints.LookIns;
import keel.app.prints.LookKept;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.support.PageTest;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The week as people use it. */
class WeekPagesTest extends PageTest {

    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private WantedJobs jobs;

    @Autowired
    private Presences presences;

    @Autowired
    private Rounds rounds;

    @Autowired
    private Weeks weeks;

    @Autowired
    private Fleet fleet;

    @BeforeEach
    @AfterEach
    void nothingWaits() {
        shop.as("keeper");
        jobs.waiting().forEach(j -> jobs.close(j.id(), false));
        presences.say(Actor.current().personId(), Map.of());
    }

    private static String name() {
        return "Heron " + NUMBER.incrementAndGet();
    }

    private WantedView ask(String name, String... more) {
        String[] fields = new String[4 + more.length];
        fields[0] = "name";
        fields[1] = name;
        fields[2] = "hours";
        fields[3] = "2:30";
        System.arraycopy(more, 0, fields, 4, more.length);
        assertThat(accepted("/jobs/new", fields)).isEqualTo("/week");
        return jobs.waiting().stream()
                .filter(j -> j.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void anEmptyWeekSaysWhatToDo() {
        assertThat(page("/week")).contains("Nothing waits to be printed.", "/jobs/new");
        assertThat(page("/jobs")).contains("Nothing waits.");
    }

    @Test
    void aJobIsAskedForChangedDroppedAndWantedAgain() {
        shop.maskMachine();
        String name = name();
        WantedView job = ask(name);
        assertThat(job.entry().hours()).as("2:30").isEqualTo(2.5);
        assertThat(page("/week")).contains(name, "Taken for granted");
        String path = "/jobs/" + job.id();
        assertThat(page(path)).contains("/start?job=", "Where and when");
        accepted(path + "/change", "name", name, "hours", "3,5", "version", Integer.toString(job.version()));
        assertThat(jobs.one(job.id()).entry().hours()).isEqualTo(3.5);
        refused(
                409,
                "meanwhile",
                path + "/change",
                "name",
                name,
                "hours",
                "4",
                "version",
                Integer.toString(job.version()));
        refused(422, "How long it prints", path + "/change", "name", name, "hours", "");
        accepted(path + "/close", "as", "dropped");
        assertThat(page("/week")).doesNotContain(name);
        assertThat(page(path)).contains("not wanted any more", "It is wanted after all");
        refused(409, "waits no more", path + "/fix", "machine", "");
        accepted(path + "/back");
        accepted(path + "/back");
        assertThat(page("/week")).contains(name);
        accepted(path + "/close", "as", "done");
        assertThat(page("/jobs")).contains(name, "came out");
    }

    @Test
    void whatIsTypedWrongIsKeptAndSaid() {
        assertThat(refused(422, "no number", "/jobs/new", "name", "Kept name", "hours", "soon"))
                .contains("Kept name");
        refused(422, "What it is", "/jobs/new", "name", " ", "hours", "2");
        refused(422, "no date and time", "/jobs/new", "name", "x", "hours", "2", "dueAt", "tomorrow");
        WantedView job = ask(name());
        refused(422, "no date and time", "/jobs/" + job.id() + "/fix", "machine", "", "at", "later");
        assertThat(status("/jobs/987654321")).isEqualTo(404);
    }

    @Test
    void draggingFixesAJobToMachineAndTime() {
        String m = shop.maskMachine();
        WantedView job = ask(name());
        long then = Instant.now().plusSeconds(200_000).getEpochSecond();
        assertThat(accepted("/jobs/" + job.id() + "/fix", "machine", m, "at", Long.toString(then), "then", "week"))
                .isEqualTo("/week");
        assertThat(jobs.one(job.id()).fixedMachine()).isEqualTo(m);
        assertThat(jobs.one(job.id()).fixedAt().getEpochSecond()).isEqualTo(then);
        assertThat(page("/jobs/" + job.id())).contains("fixed by hand".substring(1), "Leave it free again");
    }

    @Test
    void hoursArePlannedBy() {
        long me = Actor.current().personId();
        refused(422, "Hours are written like", "/week/hours", "person", Long.toString(me), "monday", "mornings");
        accepted("/week/hours", "person", Long.toString(me), "monday", "8-18", "sunday", "22-6");
        assertThat(presences.known()).singleElement().satisfies(w -> assertThat(w.hours())
                .hasSize(2));
        assertThat(page("/week/hours")).contains("8–18", "22–6");
        ask(name());
        assertThat(page("/week")).doesNotContain("Nobody said when somebody is there");
        assertThat(weeks.now().plan().slots())
                .isNotEmpty()
                .allMatch(s -> s.startAt().atZone(ZoneOffset.UTC).getDayOfWeek() == DayOfWeek.MONDAY
                        || s.startAt().atZone(ZoneOffset.UTC).getDayOfWeek() == DayOfWeek.SUNDAY);
        shop.as("operator");
        assertThat(form("/week/hours", "person", Long.toString(me), "monday", "9-10")
                        .status())
                .as("those of others are a keeper's")
                .isEqualTo(403);
        assertThat(form("/week/away", "from", "2031-01-01").status()).isEqualTo(403);
        shop.as("keeper");
        assertThat(refused(
                        422,
                        "before the first",
                        "/week/away",
                        "from",
                        "2031-01-05",
                        "to",
                        "2031-01-01",
                        "note",
                        "boat"))
                .contains("2031-01-05", "boat");
        refused(422, "The day is written like", "/week/away", "from", "soon");
        accepted("/week/away", "from", "2031-01-05", "note", "fair");
        assertThat(page("/week/hours")).contains("Everybody", "fair");
        long away = presences.away().get(0).id();
        accepted("/week/away/back", "id", Long.toString(away));
        accepted("/week/away/back", "id", Long.toString(away));
        assertThat(presences.away()).isEmpty();
    }

    @Test
    void aRoomWithoutNightsHoldsNothingLongerThanADay() {
        String m = shop.maskMachine();
        String room = shop.now(m).room();
        accepted("/week/night", "room", room, "may", "false");
        try {
            WantedView job = ask(name());
            accepted("/jobs/" + job.id() + "/change", "name", job.name(), "hours", "30");
            accepted("/jobs/" + job.id() + "/fix", "machine", m);
            assertThat(page("/week")).contains("find", "no place", "longer than anybody&#39;s day");
            assertThat(page("/jobs/" + job.id())).contains("It finds no place");
        } finally {
            fleet.nightRuns(room, true);
        }
    }

    @Test
    void theRoundSaysWhatIsStartedNext() {
        String m = shop.maskMachine();
        WantedView job = ask(name());
        accepted("/jobs/" + job.id() + "/fix", "machine", m);
        assertThat(rounds.of(null, 1, Rounds.Who.of(Actor.current())).lines())
                .filteredOn(l -> l.chore().what().equals("Start " + job.name()))
                .singleElement()
                .satisfies(l -> {
                    assertThat(l.chore().machine()).isEqualTo(m);
                    assertThat(l.chore().path()).contains("/start?job=Heron%20");
                });
        accepted("/jobs/" + job.id() + "/close", "as", "dropped");
        assertThat(rounds.of(null, 1, Rounds.Who.of(Actor.current())).lines())
                .noneMatch(l -> l.chore().what().equals("Start " + job.name()));
    }

    @Autowired
    private WhatItBrought brought;

    @Autowired
    private Runs runs;

    @Autowired
    private LookIns looks;

    @Autowired
    private JdbcClient jdbc;

    @Test
    void theWeeksGoneHoldWhatPrintedAndWhatWasLookedAt() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.service(m, "PLATE_CLEARED", 6);
        Gone before = gone();
        Instant start = Instant.now().minus(Duration.ofMinutes(50));
        RunView run = runs.enter(
                new RunEntry(m, "Swift", start, null, 1000, 1.8, 50.0, null, null, null, 0.5, null, null, null, null));
        assertThat(jdbc.sql("update look_in set due_at = ? where run_id = ?")
                        .params(start.plusSeconds(60).atOffset(ZoneOffset.UTC), run.id())
                        .update())
                .isPositive();
        Gone going = gone();
        assertThat(going.printed() - before.printed())
                .as("a print that goes on, in hours")
                .isCloseTo(50 / 60.0, within(0.02));
        assertThat(going.came()).isCloseTo(before.came(), within(0.02));
        runs.finish(run.id(), Instant.now(), "GOOD", null, null);
        Gone done = gone();
        assertThat(done.came() - before.came()).isCloseTo(50 / 60.0, within(0.02));
        assertThat(looks.kept(start, Instant.now())).anyMatch(LookKept::missed);
        assertThat(done.missed()).isGreaterThan(before.missed());
        assertThat(page("/week/brought")).contains("could have started them", "so far");
    }

    /** Of the last two weeks, since a print may reach over midnight. */
    private record Gone(double printed, double came, int missed) {}

    private Gone gone() {
        List<WhatItBrought.WeekGone> weeks = brought.weeks().weeks();
        assertThat(weeks).hasSize(10);
        List<WhatItBrought.WeekGone> last = weeks.subList(8, 10);
        return new Gone(
                last.stream().mapToDouble(w -> w.stood().printed()).sum(),
                last.stream().mapToDouble(w -> w.stood().came()).sum(),
                last.stream().mapToInt(WhatItBrought.WeekGone::missed).sum());
    }

    @Test
    void theCalendarsAddressIsShownOnce() {
        String page = form("/week/calendar").html();
        assertThat(page).contains("/calendar.ics?token=keel_", "Withdraw");
        assertThat(page("/week/calendar")).doesNotContain("token=keel_").contains("never asked for yet");
        accepted("/week/calendar/withdraw");
        assertThat(page("/week/calendar")).doesNotContain("Withdraw");
    }
}
