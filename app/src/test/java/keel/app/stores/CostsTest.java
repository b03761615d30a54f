package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.people.Role;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.core.cost.PrintCost;
import keel.core.cost.SharedUse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Costs of runs from what they used, by the figures that a shop starts with. */
class CostsTest extends PageTest {

    @Autowired
    private Costs costs;

    @Autowired
    private Runs runs;

    @Autowired
    private Stock stock;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private Bench bench;

    @Autowired
    private MockMvc mvc;

    private String machine;

    private JsonNode api(String path) throws Exception {
        String token = shop.token(Role.KEEPER);
        return new ObjectMapper()
                .readTree(mvc.perform(
                                MockMvcRequestBuilders.get("/api/v1" + path).header("Authorization", "Bearer " + token))
                        .andReturn()
                        .getResponse()
                        .getContentAsString());
    }

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
    }

    private RunView run(int daysAgo, String outcome) {
        Instant start = Instant.now().minus(Duration.ofDays(daysAgo));
        return runs.enter(new RunEntry(
                machine,
                "Costed " + machine,
                start,
                start.plus(Duration.ofHours(5)),
                2000,
                1.8,
                100.0,
                outcome,
                outcome.equals("FAILED") ? 1000 : null,
                null));
    }

    /**
     * 100 ml at 38 a litre 3.80; 14 min at 18 an hour 4.20; 5 h of 0.06 kW at 0.31 0.093; 5 of 3000 h of a plate at 60
     * 0.10; 0.45 besides; film 5 over the life of such films, screen 78 over that of screens.
     */
    @Test
    void aRunCostsWhatItUsed() {
        Map.Entry<Costs.Run, PrintCost> of = costs.ofRun(run(2, "GOOD").id());
        PrintCost cost = of.getValue();
        assertThat(of.getKey().used().uvHours()).isCloseTo(1, within(1e-9));
        assertThat(amount(cost, "Resin")).isCloseTo(3.8, within(1e-9));
        assertThat(amount(cost, "Work")).isCloseTo(4.2, within(1e-9));
        assertThat(amount(cost, "Energy")).isCloseTo(0.093, within(1e-9));
        assertThat(amount(cost, "Plate")).isCloseTo(0.1, within(1e-9));
        double share = shop.now(machine).uvShare();
        assertThat(amount(cost, "Film"))
                .isCloseTo(5 * 5 / (shop.now(machine).liningUse().life().typicalUvHours(share) / share), within(1e-9));
        assertThat(amount(cost, "Screen"))
                .isCloseTo(78 * 1 / shop.now(machine).screenUse().life().typicalUvHours(share), within(1e-9));
        assertThat(cost.perAttempt())
                .isCloseTo(
                        cost.lines().stream()
                                .mapToDouble(PrintCost.CostLine::amount)
                                .sum(),
                        within(1e-9));
        assertThat(page("/costs/runs/" + of.getKey().id())).contains("for a print that came out.");
        assertThat(status("/costs/runs/999999")).isEqualTo(404);
    }

    /**
     * The film's share follows from what one costs in the stores; the screen's from what was paid for the very one that
     * is fitted.
     */
    @Test
    void partsCostWhatWasPaidForThem() {
        RunView run = run(2, "GOOD");
        double film = amount(costs.ofRun(run.id()).getValue(), "Film");
        double screen = amount(costs.ofRun(run.id()).getValue(), "Screen");
        String sheets = shop.item("Sheets for " + machine, 3);
        stock.spare(sheets, "FILM", shop.modelOf(machine));
        accepted(
                "/stores/" + sheets + "/terms",
                "packSize",
                "",
                "price",
                "15",
                "leadDays",
                "",
                "leadDaysSd",
                "",
                "hurts",
                "SOME");
        jdbc.sql("update component set price = 39 where code = ?")
                .param(shop.now(machine).screen().code())
                .update();
        assertThat(amount(costs.ofRun(run.id()).getValue(), "Film"))
                .as("15 instead of 5")
                .isCloseTo(3 * film, within(1e-9));
        assertThat(amount(costs.ofRun(run.id()).getValue(), "Screen"))
                .as("39 instead of 78")
                .isCloseTo(screen / 2, within(1e-9));
        jdbc.sql("update component set price = null where code = ?")
                .param(shop.now(machine).screen().code())
                .update();
        stock.spare(sheets, "", "");
    }

    private static double amount(PrintCost cost, String line) {
        return cost.lines().stream()
                .filter(l -> l.name().equals(line))
                .findFirst()
                .orElseThrow()
                .amount();
    }

    /** Until the stores say, a print is charged with the shop's figure of 0.45; then with its part of what went out. */
    @Test
    void whatPrintsShareComesOutOfTheStores() {
        String gloves = shop.item("Shared gloves " + machine, 100);
        RunView run = run(2, "GOOD");
        for (int i = 0; i < 10; i++) {
            run(3 + i, "GOOD");
        }
        assertThat(amount(costs.ofRun(run.id()).getValue(), "Gloves, towels, filters, alcohol"))
                .isCloseTo(0.45, within(1e-9));
        accepted(
                "/stores/" + gloves + "/terms",
                "packSize",
                "",
                "price",
                "0.5",
                "leadDays",
                "",
                "leadDaysSd",
                "",
                "hurts",
                "SOME",
                "shared",
                "true");
        assertThat(page("/stores/" + gloves)).contains("name=\"shared\" value=\"true\" checked");
        stock.move(gloves, -40.0, "a day");
        SharedUse shared = costs.overview(30).shared();
        SharedUse.SharedLine line = shared.lines().stream()
                .filter(l -> l.code().equals(gloves))
                .findFirst()
                .orElseThrow();
        assertThat(line.quantity())
                .as("40 went out today, the first day of its count, over some prints a day")
                .isPositive();
        assertThat(line.amount()).isCloseTo(line.quantity() * 0.5, within(1e-9));
        assertThat(amount(costs.ofRun(run.id()).getValue(), "Gloves, towels, filters, alcohol"))
                .isCloseTo(shared.perPrint(), within(1e-9));
        assertThat(page("/costs?days=30")).contains("Shared gloves " + machine);
        stock.move(gloves, -40.0, "as much again");
        assertThat(costs.overview(30).shared().lines().stream()
                        .filter(l -> l.code().equals(gloves))
                        .findFirst()
                        .orElseThrow()
                        .amount())
                .as("twice as much goes out")
                .isCloseTo(2 * line.amount(), within(1e-6));
        accepted(
                "/stores/" + gloves + "/terms",
                "packSize",
                "",
                "price",
                "0.5",
                "leadDays",
                "",
                "leadDaysSd",
                "",
                "hurts",
                "SOME");
        assertThat(amount(costs.ofRun(run.id()).getValue(), "Gloves, towels, filters, alcohol"))
                .isCloseTo(0.45, within(1e-9));
    }

    @Test
    void whatDidNotComeOutIsPaidByWhatDid() {
        double good = costs.ofRun(run(4, "GOOD").id()).getValue().perAttempt();
        double failed = costs.ofRun(run(2, "FAILED").id()).getValue().perAttempt();
        Costs.Group job = costs.overview(30).jobs().stream()
                .filter(g -> g.name().equals("Costed " + machine))
                .findFirst()
                .orElseThrow();
        assertThat(job.used().prints()).isEqualTo(2);
        assertThat(job.rate().good()).isEqualTo(1);
        assertThat(job.cost().perAttempt()).isCloseTo(good + failed, within(1e-9));
        assertThat(job.perGood()).isCloseTo(good + failed, within(1e-9));
        assertThat(job.lost()).isCloseTo(failed, within(1e-9));
        assertThat(costs.overview(30).months()).isNotEmpty();
        assertThat(page("/costs?days=30")).contains("Costed " + machine).contains("no cause named");
        assertThat(new String(file("/costs.csv?days=30").getContentAsByteArray()))
                .contains("job,Costed " + machine);
    }

    /** What its prints had not paid of a screen is paid when it ends: together its price, no more and no less. */
    @Test
    void aScreenThatDiedEarlyCostsWhatItCost() {
        run(4, "GOOD");
        double before = amount(costs.overview(30).all().cost(), "Screen");
        double shares = amount(group(costs.overview(30).machines()).cost(), "Screen");
        bench.record(new ServiceEntry(
                machine,
                "SCREEN_CHANGE",
                Instant.now().minus(Duration.ofDays(1)),
                null,
                Map.of("endReason", "DARK_PIXELS")));
        Costs.Group after = group(costs.overview(30).machines());
        assertThat(amount(after.cost(), "Screen")).as("78 for a new one").isCloseTo(78, within(1e-6));
        assertThat(after.unpaid()).isCloseTo(78 - shares, within(1e-6));
        assertThat(amount(costs.overview(30).all().cost(), "Screen")).isCloseTo(before + 78 - shares, within(1e-6));
        assertThat(after.perAttempt())
                .as("an attempt is not dearer by it")
                .isCloseTo(
                        (after.cost().perAttempt() - after.unpaid())
                                / after.used().prints(),
                        within(1e-9));
        assertThat(page("/costs?days=30")).contains("died before its time");
    }

    private Costs.Group group(List<Costs.Group> machines) {
        return machines.stream()
                .filter(g -> g.name().equals(shop.now(machine).name()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theTablesAreSortedByWhatIsAsked() {
        run(4, "GOOD");
        String html = page("/costs?days=30&sort=lost");
        assertThat(html).contains("aria-sort=\"descending\"").contains("Money by month.");
        assertThat(page("/costs?days=30&sort=nonsense")).doesNotContain("aria-sort=\"descending\"");
    }

    @Test
    void programsGetTheSame() throws Exception {
        run(4, "GOOD");
        JsonNode lately = api("/costs?days=30");
        Costs.Overview o = costs.overview(30);
        assertThat(lately.get("prints").asInt()).isEqualTo(o.all().used().prints());
        assertThat(lately.get("cameOut").asInt()).isEqualTo(o.all().good());
        assertThat(lately.get("total").asDouble()).isCloseTo(o.all().cost().perAttempt(), within(1e-6));
        double lines = 0;
        for (JsonNode line : lately.get("lines")) {
            lines += line.get("amount").asDouble();
        }
        assertThat(lately.get("total").asDouble()).isCloseTo(lines, within(1e-9));
        JsonNode empty = api("/costs?from=2001-01-01&to=2001-01-31");
        assertThat(empty.get("prints").asInt()).isZero();
        assertThat(empty.get("total").asDouble()).isZero();
        assertThat(empty.get("perGoodPrint").isNull()).isTrue();
        assertThat(status("/api/v1/costs?from=2001-02-01&to=2001-01-01")).isEqualTo(401);
    }

    /** 1 of 2 prints came out: two attempts are to be expected. */
    @Test
    void aQuoteCountsTheAttempts() {
        run(4, "GOOD");
        run(2, "FAILED");
        String html = page("/costs?machine=" + machine + "&resinMl=100&hours=5&uvHours=1&labourMinutes=10");
        assertThat(html).contains("2.00 attempts are to be expected").contains("1 of 2 prints came out");
        Shown wrong = shown("/costs?machine=" + machine + "&resinMl=-3&hours=5");
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.html()).contains("The resin must be between").contains("value=\"-3\"");
    }

    @Test
    void theOwnerSaysWhatTheShopPays() {
        shop.as("owner");
        refused(422, "must be between", "/costs/figures", "energy.price", "-1");
        assertThat(page("/costs")).contains("What the shop pays");
    }
}
