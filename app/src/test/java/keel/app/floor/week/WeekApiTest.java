package keel.app.floor.week;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import keel.app.people.People;
import keel.app.people.Role;
import keel.app.people.TokenScope;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.stores.Stock;
import keel.app.support.ApiCalls;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Jobs that wait, the week and its calendar, for programs. */
class WeekApiTest extends ApiCalls {

    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private WantedJobs jobs;

    @Autowired
    private Runs runs;

    @Autowired
    private People people;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private MockMvc calls;

    @AfterEach
    void nothingWaits() {
        shop.as("keeper");
        jobs.waiting().forEach(j -> jobs.close(j.id(), false));
    }

    private static String name() {
        return "Otter " + NUMBER.incrementAndGet();
    }

    private long ask(String name, String more) throws Exception {
        Answer made = post("/api/v1/jobs", "{\"name\":\"" + name + "\",\"hours\":3" + more + "}");
        assertThat(made.status()).as(made.body().toString()).isEqualTo(201);
        return made.body().get("id").asLong();
    }

    private String model(String machine) {
        return shop.modelOf(machine);
    }

    private static List<JsonNode> planned(JsonNode week) {
        List<JsonNode> all = new ArrayList<>();
        week.get("days").forEach(d -> d.get("jobs").forEach(all::add));
        return all;
    }

    private JsonNode planned(String name) throws Exception {
        return planned(get("/api/v1/week").body()).stream()
                .filter(j -> j.get("job").asText().equals(name))
                .findFirst()
                .orElse(null);
    }

    @Test
    void aJobIsPutWhereItFits() throws Exception {
        String m = shop.maskMachine();
        String job = name();
        ask(
                job,
                ",\"machineModels\":[\"" + model(m) + "\"],\"dueAt\":\""
                        + Instant.now().plus(Duration.ofDays(6)) + "\"");
        JsonNode week = get("/api/v1/week").body();
        assertThat(week.get("days")).hasSizeBetween(7, 8);
        JsonNode slot = planned(job);
        assertThat(slot.get("machine").asText()).isEqualTo(m);
        Instant start = Instant.parse(slot.get("startAt").asText());
        Instant end = Instant.parse(slot.get("endAt").asText());
        assertThat(Duration.between(start, end))
                .as("15 min of hands, 3 h of printing")
                .isEqualTo(Duration.ofMinutes(195));
        assertThat(slot.get("why").asText()).contains("In time".toLowerCase(Locale.ROOT));
        assertThat(week.get("assumed").toString()).contains("Nobody said when somebody is there");
    }

    @Test
    void whatItIsNotPutOnIsSaid() throws Exception {
        String job = name();
        long id = ask(job, ",\"footprint\":[{\"xMm\":400,\"yMm\":10,\"lengthMm\":800,\"widthMm\":20}]");
        JsonNode week = get("/api/v1/week").body();
        assertThat(week.get("notThisWeek"))
                .filteredOn(n -> n.get("id").asLong() == id)
                .singleElement()
                .satisfies(n -> {
                    assertThat(n.get("gives").asText()).isEqualTo("NO_MACHINE");
                    assertThat(n.get("why").asText()).contains("No plate in use takes 800 × 20 mm");
                });
    }

    @Test
    void whatCannotBeIsRefused() throws Exception {
        for (Map.Entry<String, String> wrong : Map.of(
                        "name", "{\"name\":\"\",\"hours\":3}",
                        "hours", "{\"name\":\"x\",\"hours\":0}",
                        "resin", "{\"name\":\"x\",\"hours\":3,\"resin\":\"no-such\"}",
                        "machineModels", "{\"name\":\"x\",\"hours\":3,\"machineModels\":[\"no-such\"]}",
                        "footprint", "{\"name\":\"x\",\"hours\":3,\"footprint\":\"large\"}")
                .entrySet()) {
            Answer answer = post("/api/v1/jobs", wrong.getValue());
            assertThat(answer.status()).as(wrong.getKey()).isEqualTo(422);
            assertThat(answer.body().get("errors").toString()).contains("\"" + wrong.getKey() + "\"");
        }
        assertThat(post("/api/v1/jobs", "{\"name\":\"x\",\"hours\":3,\"colour\":1}")
                        .status())
                .as("an unknown field")
                .isEqualTo(422);
        assertThat(post("/api/v1/jobs", "{\"name\":\"x\",\"hours\":null}").status())
                .isEqualTo(422);
        assertThat(get("/api/v1/jobs/987654321").status()).isEqualTo(404);
        assertThat(post("/api/v1/jobs/987654321/fix", "{}").status()).isEqualTo(404);
    }

    @Test
    void aPrintThatCameOutIsTheOldestJobOfItsNameDone() throws Exception {
        String m = shop.maskMachine();
        String job = name();
        long first = ask(job, "");
        long second = ask(job.toUpperCase(Locale.ROOT), "");
        jdbc.sql("update wanted_job set asked_at = dateadd('DAY', -2, asked_at) where id in (?, ?)")
                .params(first, second)
                .update();
        print(m, job, 40, "FAILED");
        assertThat(jobs.one(first).state()).isEqualTo(WantedView.State.WAITING);
        assertThat(jobs.one(first).attempts()).isEqualTo(1);
        assertThat(jobs.one(second).attempts()).as("no run serves two").isZero();
        long good = print(m, job, 30, "GOOD");
        assertThat(jobs.one(first).state()).isEqualTo(WantedView.State.DONE);
        assertThat(jobs.one(first).doneBy()).isEqualTo(good);
        assertThat(jobs.one(second).state()).isEqualTo(WantedView.State.WAITING);
        print(m, job, 20, "USABLE");
        assertThat(jobs.one(second).state()).as("usable came out").isEqualTo(WantedView.State.DONE);
        assertThat(planned(job)).isNull();
    }

    private long print(String machine, String job, double hoursAgo, String outcome) {
        Instant start = Instant.now().minus(Duration.ofMinutes(Math.round(60 * hoursAgo)));
        Integer reached = outcome.equals("FAILED") ? Integer.valueOf(40) : null;
        return runs.enter(new RunEntry(
                        machine, job, start, start.plus(Duration.ofHours(2)), 1000, 1.8, 50.0, outcome, reached, null))
                .id();
    }

    @Test
    void whatIsOverItsDateIsLateAndSaysWhenItCouldBeDone() throws Exception {
        shop.maskMachine();
        String job = name();
        ask(job, ",\"dueAt\":\"2026-01-01T00:00:00Z\",\"footprint\":{\"widthMm\":20,\"depthMm\":10}");
        JsonNode slot = planned(job);
        assertThat(slot.get("late").asBoolean()).isTrue();
        assertThat(slot.get("why").asText()).contains("too late; even before all else it would be done");
    }

    @Test
    void whatIsFixedStaysWhereSomebodyWantsIt() throws Exception {
        shop.maskMachine();
        String m = shop.maskMachine();
        String job = name();
        long id = ask(job, "");
        Instant at = Instant.now().plus(Duration.ofDays(2));
        assertThat(post("/api/v1/jobs/" + id + "/fix", "{\"machine\":\"" + m + "\",\"at\":\"" + at + "\"}")
                        .status())
                .isEqualTo(200);
        JsonNode slot = planned(job);
        assertThat(slot.get("machine").asText()).isEqualTo(m);
        assertThat(slot.get("fixed").asBoolean()).isTrue();
        assertThat(Instant.parse(slot.get("startAt").asText())).isAfterOrEqualTo(at.minusMillis(5));
        assertThat(post("/api/v1/jobs/" + id + "/fix", "{\"machine\":\"no-such\"}")
                        .status())
                .isEqualTo(422);
        assertThat(post("/api/v1/jobs/" + id + "/fix", "{}").status()).isEqualTo(200);
        assertThat(planned(job).get("fixed").asBoolean()).isFalse();
    }

    @Autowired
    private Stock stock;

    private JsonNode filmChange(String machine) throws Exception {
        for (JsonNode day : get("/api/v1/week").body().get("days")) {
            for (JsonNode task : day.get("tasks")) {
                if (task.get("machine").asText().equals(machine)
                        && task.get("kind").asText().equals("FILM_CHANGE")) {
                    return task;
                }
            }
        }
        throw new AssertionError("No film change at " + machine);
    }

    private String milky() throws Exception {
        String m = shop.maskMachine();
        String vat = shop.now(m).film().carrier();
        assertThat(post("/api/v1/vats/" + vat + "/inspections", "{\"clouding\":\"MILKY\"}")
                        .status())
                .isEqualTo(201);
        return m;
    }

    @Test
    void aFilmThatMustGoIsChangedInASittingAndWhatLacksIsSaid() throws Exception {
        String uncounted = milky();
        JsonNode task = filmChange(uncounted);
        assertThat(task.get("person").asText()).isEqualTo("Somebody");
        assertThat(Duration.between(
                                Instant.parse(task.get("startAt").asText()),
                                Instant.parse(task.get("endAt").asText()))
                        .toMinutes())
                .as("hands for as long as a film change takes")
                .isBetween(15L, 120L);
        assertThat(task.get("buy").asText()).contains("Nobody counts what it takes");
        String none = milky();
        stock.spare(shop.item("Film", 0), "FILM", shop.modelOf(none));
        assertThat(filmChange(none).get("buy").asText()).contains("is left for it", "order it");
        String one = milky();
        stock.spare(shop.item("Film", 1), "FILM", shop.modelOf(one));
        assertThat(filmChange(one).get("buy").isNull()).isTrue();
    }

    private MockHttpServletResponse calendar(String path) throws Exception {
        SecurityContextHolder.clearContext();
        MockHttpServletResponse response =
                calls.perform(MockMvcRequestBuilders.get(path)).andReturn().getResponse();
        shop.as("keeper");
        return response;
    }

    /** RFC 5545, read back by another library. */
    @Test
    void theCalendarSaysWhatTheWeekSays() throws Exception {
        shop.maskMachine();
        String job = name() + ", \"left; right\"";
        ask(job.replace("\"", "\\\""), "");
        String secret = people.makeCalendarToken();
        MockHttpServletResponse response = calendar("/calendar.ics?token=" + secret);
        assertThat(response.getStatus()).isEqualTo(200);
        assertThat(response.getContentType()).startsWith("text/calendar");
        ICalendar read = Biweekly.parse(response.getContentAsString()).first();
        List<VEvent> events = read.getEvents();
        assertThat(events.stream().map(e -> e.getUid().getValue()).distinct()).hasSameSizeAs(events);
        VEvent event = events.stream()
                .filter(e -> e.getSummary().getValue().endsWith(job))
                .findFirst()
                .orElseThrow();
        JsonNode slot = planned(job);
        assertThat(event.getDateStart().getValue().toInstant())
                .isBetween(
                        Instant.parse(slot.get("startAt").asText()).minusSeconds(1),
                        Instant.parse(slot.get("startAt").asText()));
        assertThat(event.getAlarms()).hasSize(1);
        assertThat(calendar("/api/v1/calendar.ics?token=" + token).getStatus()).isEqualTo(200);
        assertThat(calendar("/calendar.ics?token=" + secret + "&of=mine").getContentAsString())
                .as("nobody said their hours: no start is anybody's")
                .doesNotContain("VALARM");
    }

    @Test
    void aTokenOfTheCalendarReadsNothingElseAndIsWithdrawn() throws Exception {
        String secret = people.makeCalendarToken();
        SecurityContextHolder.clearContext();
        int other = calls.perform(
                        MockMvcRequestBuilders.get("/api/v1/runs").header("Authorization", "Bearer " + secret))
                .andReturn()
                .getResponse()
                .getStatus();
        assertThat(other).isEqualTo(403);
        shop.as("keeper");
        assertThat(calendar("/api/v1/runs?token=" + secret).getStatus())
                .as("in the address of nothing else")
                .isEqualTo(401);
        people.withdrawOwnCalendars();
        assertThat(calendar("/calendar.ics?token=" + secret).getStatus()).isEqualTo(401);
        assertThat(calendar("/calendar.ics").getStatus()).isEqualTo(401);
        shop.as("owner");
        String sensor = people.makeToken("s", Role.OPERATOR, TokenScope.SENSOR, null);
        assertThat(calendar("/calendar.ics?token=" + sensor).getStatus()).isEqualTo(403);
    }

    @Test
    void theListHoldsWhatWaits() throws Exception {
        String job = name();
        long id = ask(job, ",\"footprint\":\"60 x 40\"");
        JsonNode one = get("/api/v1/jobs/" + id).body();
        assertThat(one.get("entry").get("size").get("widthMm").asDouble()).isEqualTo(60);
        assertThat(StreamSupport.stream(get("/api/v1/jobs").body().spliterator(), false)
                        .map(j -> j.get("id").asLong())
                        .collect(Collectors.toList()))
                .contains(id);
    }
}
