package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.List;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.floor.month.MonthReport;
import keel.app.floor.month.MonthReports;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.stores.Costs;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The month for the owner says what costs, prints and logbook say, and no more. */
class MonthPagesTest extends PageTest {

    private static final YearMonth MONTH = YearMonth.of(2025, 9);

    @Autowired
    private MonthReports reports;

    @Autowired
    private Costs costs;

    @Autowired
    private Runs runs;

    @Autowired
    private Fleet fleet;

    @Autowired
    private ShopSettings settings;

    private String machine;
    private String name;

    @BeforeEach
    void someDaysOfPrints() {
        machine = shop.maskMachine();
        name = fleet.machine(machine).name();
        Instant first = Instant.parse("2025-09-02T08:00:00Z");
        for (int day = 0; day < 6; day++) {
            Instant at = first.plus(Duration.ofDays(day));
            runs.enter(new RunEntry(
                    machine,
                    "Swift",
                    at,
                    at.plus(Duration.ofHours(4)),
                    1000,
                    2.0,
                    50.0,
                    day < 2 ? "FAILED" : "GOOD",
                    day < 2 ? 500 : null,
                    null));
        }
    }

    @Test
    void itsNumbersAreThoseOfTheCosts() {
        MonthReport r = reports.of(MONTH);
        Instant from = MONTH.atDay(1).atStartOfDay(settings.zone()).toInstant();
        Instant to = MONTH.plusMonths(1).atDay(1).atStartOfDay(settings.zone()).toInstant();
        Costs.Group all = costs.overview(from, to).all();
        assertThat(r.now().prints()).isEqualTo(all.used().prints());
        assertThat(r.now().cameOut()).isEqualTo(all.good());
        assertThat(r.now().cost()).isCloseTo(all.cost().perAttempt(), within(1e-9));
        assertThat(r.money().stream().mapToDouble(MonthReport.Line::cost).sum())
                .as("the lines are all of it")
                .isCloseTo(r.now().cost(), within(1e-6));
        assertThat(r.days()).hasSize(30);
        assertThat(r.days().stream().mapToInt(d -> d.cameOut() + d.failed()).sum())
                .isEqualTo(r.now().prints());
        assertThat(r.machines())
                .filteredOn(m -> m.name().equals(name))
                .singleElement()
                .satisfies(m -> {
                    assertThat(m.hours()).isEqualTo(24);
                    assertThat(m.prints()).isEqualTo(6);
                    assertThat(m.cameOut()).isEqualTo(4);
                });
        assertThat(r.over()).isTrue();
    }

    @Test
    void whatChangedIsListedAndEverydayWorkIsNot() {
        double hour = Duration.between(TestShop.SINCE, Instant.parse("2025-09-20T08:00:00Z"))
                .toHours();
        shop.service(machine, "FILM_CHANGE", hour, "material", "FEP", "thicknessMm", 0.127, "endReason", "CLOUDED");
        shop.service(machine, "LEVELLING", hour + 1, "school", "PAPER");
        List<String> changes = reports.of(MONTH).changes().stream()
                .map(MonthReport.Change::text)
                .filter(c -> c.startsWith(name))
                .toList();
        assertThat(changes).singleElement().asString().contains("film changed");
    }

    @Test
    void pageAndPaperSayTheSame() throws Exception {
        String said = reports.of(MONTH).says().get(0);
        assertThat(page("/month/2025-09")).contains(said, "href=\"/month/2025-08\"", "href=\"/month/2025-10\"", name);
        byte[] pdf = file("/month/2025-09.pdf").getContentAsByteArray();
        try (PDDocument paper = Loader.loadPDF(pdf)) {
            assertThat(paper.getNumberOfPages()).isBetween(1, 3);
            assertThat(new PDFTextStripper().getText(paper)).contains("September 2025", said, name);
        }
        assertThat(page("/month/" + YearMonth.now(ZoneOffset.UTC))).contains("so far");
    }

    @Test
    void aMonthThatIsNotYetAndOneThatIsNoneAreNotThere() {
        assertThat(status("/month/2099-01")).isEqualTo(404);
        assertThat(status("/month/soon")).isEqualTo(404);
        assertThat(page("/month/1999-05")).contains("No print that began in May has ended");
    }
}
