package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.Standings;
import keel.app.stores.Stock;
import keel.app.support.ApiCalls;
import keel.core.run.RunNumber;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Tables as shops keep them: what is read, what is refused, and that all of it comes or nothing. */
class BringApiTest extends ApiCalls {

    private static final String HEADINGS = "Date;Duration;Printer;File;Resin (ml);Result;Layers;Exposure\n";

    @Autowired
    private Standings standings;

    @Autowired
    private Runs runs;

    @Autowired
    private Fleet fleet;

    @Autowired
    private Stock stock;

    @Autowired
    private ShopSettings settings;

    private String machine;
    private String name;

    @BeforeEach
    void aMachine() {
        machine = shop.maskMachine();
        name = fleet.machine(machine).name();
    }

    private Answer send(String path, byte[] file, String kind, String... params) throws Exception {
        MockMultipartHttpServletRequestBuilder request = MockMvcRequestBuilders.multipart(path);
        request.file(new MockMultipartFile("file", "prints.csv", "text/csv", file));
        request.param("kind", kind);
        for (int i = 0; i < params.length; i += 2) {
            request.param(params[i], params[i + 1]);
        }
        return answer(request);
    }

    private Answer look(String table, String kind, String... params) throws Exception {
        return send("/api/v1/import/preview", table.getBytes(StandardCharsets.UTF_8), kind, params);
    }

    private Answer bring(String table, String kind, String... params) throws Exception {
        return send("/api/v1/import", table.getBytes(StandardCharsets.UTF_8), kind, params);
    }

    private List<RunView> runs() {
        return runs.list(machine, null, null, null, new keel.app.base.Paging(0, 50));
    }

    private String row(String day, String took, String result) {
        return day + ";" + took + ";" + name + ";Hinge;84,5;" + result + ";1.000;2,35\n";
    }

    @Test
    void aTableWithCommasAndDaysOfHereIsReadAsItStands() throws Exception {
        String table = HEADINGS + row("04.02.2025 08:00", "5:30", "ok") + row("05.02.2025 08:00", "5,5", "failed");
        JsonNode looked = look(table, "RUNS").body();

        assertThat(looked.get("rows").asInt()).isEqualTo(2);
        assertThat(looked.get("good").asInt()).isEqualTo(2);
        assertThat(looked.get("problems")).isEmpty();
        assertThat(looked.get("columns").get(1).get("field").asText()).isEqualTo("duration");
        assertThat(runs()).as("only looked at").isEmpty();

        Answer brought = bring(table, "RUNS");
        assertThat(brought.status()).isEqualTo(200);
        RunView first = runs().get(1);
        assertThat(first.startedAt())
                .isEqualTo(LocalDateTime.of(2025, 2, 4, 8, 0)
                        .atZone(settings.zone())
                        .toInstant());
        assertThat(Duration.between(first.startedAt(), first.endedAt())).isEqualTo(Duration.ofMinutes(330));
        assertThat(first.layers()).isEqualTo(1000);
        assertThat(first.resinMl()).isEqualTo(84.5);
        assertThat(first.layerExposureS()).isEqualTo(2.35);
        assertThat(standings.of(machine).sinceRecords().hours())
                .as("the meters follow")
                .isCloseTo(11, within(1e-9));
    }

    @Test
    void oneWrongRowAndNothingIsWritten() throws Exception {
        String table = HEADINGS
                + row("04.02.2025 08:00", "5:30", "ok")
                + row("04.02.2025 09:00", "1:00", "ok")
                + row("31.02.2025 08:00", "1:00", "ok")
                + row("06.02.2025 08:00", "long", "kaputt");
        Answer brought = bring(table, "RUNS");

        assertThat(brought.status()).isEqualTo(422);
        JsonNode problems = brought.body().get("problems");
        assertThat(problems.get(0).get("row").asInt())
                .as("in the way of the one before")
                .isEqualTo(3);
        assertThat(problems.findValuesAsText("row")).contains("4", "5");
        assertThat(problems.findValuesAsText("column")).contains("Date", "Duration", "Result");
        assertThat(problems.findValuesAsText("text")).anyMatch(t -> t.contains("What is meant by kaputt"));
        assertThat(brought.body().get("applied").asBoolean()).isFalse();
        assertThat(runs()).isEmpty();
        assertThat(standings.of(machine).sinceRecords().prints()).isZero();
    }

    @Test
    void aRepeatDoublesNothingAndAllIsTakenBackAsOne() throws Exception {
        String table = HEADINGS + row("04.02.2025 08:00", "5:30", "ok") + row("05.02.2025 08:00", "5:30", "ok");
        long batch = bring(table, "RUNS").body().get("batch").asLong();
        JsonNode again =
                bring(table + row("06.02.2025 08:00", "1:00", "ok"), "RUNS").body();
        assertThat(again.get("already").asInt()).isEqualTo(2);
        assertThat(runs()).hasSize(3);
        assertThat(bring(table, "RUNS").body().get("batch").isNull()).isTrue();

        assertThat(post("/api/v1/import/" + batch + "/undo", "{}").status()).isEqualTo(200);
        assertThat(runs()).hasSize(1);
        assertThat(standings.of(machine).sinceRecords().hours()).isCloseTo(1, within(1e-9));
        assertThat(post("/api/v1/import/" + batch + "/undo", "{}").status()).isEqualTo(409);
        assertThat(bring(table, "RUNS").body().get("already").asInt()).isZero();
        assertThat(runs()).hasSize(3);
    }

    @Test
    void columnsAndWordsAreTakenAsTheyAreSaid() throws Exception {
        String table = "A,B,C,D,E,F,G,H\n2025-02-04 08:00,2025-02-04T13:30:00Z," + machine + ",Hinge,80,nass,900,2\n";
        String map = "{\"A\":\"startedAt\",\"B\":\"endedAt\",\"C\":\"machine\",\"D\":\"job\",\"E\":\"resinMl\","
                + "\"F\":\"outcome\",\"G\":\"layers\",\"H\":\"layerExposureS\"}";
        assertThat(look(table, "RUNS").status()).as("nothing is known of it").isEqualTo(422);
        assertThat(look(table, "RUNS", "map", map).body().get("problems")).hasSize(1);
        Answer brought = bring(table, "RUNS", "map", map, "words", "{\"nass\":\"STOPPED\"}");
        assertThat(brought.status()).isEqualTo(200);
        assertThat(runs().get(0).outcome().name()).isEqualTo("STOPPED");
        assertThat(runs().get(0).endedAt()).isEqualTo(Instant.parse("2025-02-04T13:30:00Z"));
        assertThat(look(table, "RUNS", "map", "{\"Z\":\"job\"}").status()).isEqualTo(422);
        assertThat(look(table, "RUNS", "map", "no json").status()).isEqualTo(422);
        assertThat(look(table, "RUNS", "map", map, "words", "{\"nass\":\"WET\"}")
                        .body()
                        .get("problems"))
                .hasSize(1);
    }

    /** What ships as a sample comes in as it stands, where the machines it names are there. */
    @Test
    void theSampleComesIn() throws Exception {
        String other = fleet.machine(shop.maskMachine()).name();
        try (InputStream in = getClass().getResourceAsStream("/static/samples/prints.csv")) {
            String sample = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("Heron", name)
                    .replace("Ibis", other);
            JsonNode looked = look(sample, "RUNS").body();
            assertThat(looked.get("problems")).isEmpty();
            assertThat(looked.get("good").asInt()).isEqualTo(24);
        }
    }

    @Test
    void aTableThatHasNoColumnForANumberIsTakenWithAGuess() throws Exception {
        String table = "startedAt;duration;machine;job;outcome\n2025-02-04 08:00;5:30;" + machine + ";Hinge;good\n";
        assertThat(look(table, "RUNS").body().get("problems")).isEmpty();
        assertThat(bring(table, "RUNS").status()).isEqualTo(200);
        assertThat(runs().get(0).guessed()).containsExactlyInAnyOrder(RunNumber.values());
        String half =
                "startedAt;duration;machine;job;outcome;layers\n2025-02-05 08:00;5:30;" + machine + ";Hinge;good;\n";
        assertThat(look(half, "RUNS").body().get("problems"))
                .as("an empty cell of a column that is there is asked about")
                .isNotEmpty();
    }

    private byte[] workbook() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(out, "test", "1.0")) {
            Worksheet sheet = book.newWorksheet("Prints");
            String[] headings = {
                "startedAt", "endedAt", "machine", "job", "resinMl", "outcome", "layers", "layerExposureS"
            };
            for (int i = 0; i < headings.length; i++) {
                sheet.value(0, i, headings[i]);
            }
            sheet.value(1, 0, LocalDateTime.of(2025, 2, 4, 8, 0));
            sheet.value(1, 1, LocalDateTime.of(2025, 2, 4, 13, 30));
            sheet.style(1, 0).format("yyyy-MM-dd hh:mm").set();
            sheet.style(1, 1).format("dd/mm/yyyy h:mm").set();
            sheet.value(1, 2, name);
            sheet.value(1, 3, "Hinge");
            sheet.value(1, 4, 84.5);
            sheet.value(1, 5, "good");
            sheet.value(1, 6, 1000);
            sheet.value(1, 7, 2.35);
        }
        return out.toByteArray();
    }

    @Test
    void aWorkbooksDaysAreDaysAndItsNumbersNumbers() throws Exception {
        Answer brought = send("/api/v1/import", workbook(), "RUNS");
        assertThat(brought.body().get("problems")).as(brought.body().toString()).isEmpty();
        RunView run = runs().get(0);
        assertThat(run.startedAt())
                .isEqualTo(LocalDateTime.of(2025, 2, 4, 8, 0)
                        .atZone(settings.zone())
                        .toInstant());
        assertThat(Duration.between(run.startedAt(), run.endedAt())).isEqualTo(Duration.ofMinutes(330));
        assertThat(run.resinMl()).isEqualTo(84.5);
        assertThat(run.layers()).isEqualTo(1000);
        Answer without = send("/api/v1/import/preview", workbook(), "RUNS");
        assertThat(without.body().get("columns")).hasSize(8);
        assertThat(without.body().get("readAs").asText()).contains("Prints");
    }

    @Test
    void lettersAndSeparatorsAreFoundOut() throws Exception {
        String table = "name\tunit\tquantity\tlow\nHandschuhe für " + machine + "\tStück\t100\t20\n";
        for (Charset letters :
                List.of(StandardCharsets.UTF_8, Charset.forName("windows-1252"), Charset.forName("UTF-16LE"))) {
            String marked = letters.name().startsWith("UTF-16") ? "\uFEFF" + table : table;
            JsonNode looked = send("/api/v1/import/preview", marked.getBytes(letters), "STOCK")
                    .body();
            assertThat(looked.get("good").asInt()).as(letters.name()).isEqualTo(1);
        }
        assertThat(send("/api/v1/import", table.getBytes(Charset.forName("windows-1252")), "STOCK")
                        .status())
                .isEqualTo(200);
        String gloves = "Handschuhe für " + machine;
        assertThat(stock.all(false)).anyMatch(i -> i.name().equals(gloves) && i.quantity() == 100);
    }

    @Test
    void machinesAndFailuresComeTheSameWay() throws Exception {
        Fleet.MachineView like = fleet.machines().stream()
                .filter(m -> m.code().equals(machine))
                .findFirst()
                .orElseThrow();
        String machines = "name;model;room;since;hours\nSanderling " + machine + ";" + like.modelName() + ";"
                + like.roomName() + ";1.2.2025;1.250,5\n";
        JsonNode made = bring(machines, "MACHINES").body();
        assertThat(made.get("good").asInt()).as(made.toString()).isEqualTo(1);
        assertThat(bring(machines, "MACHINES").body().get("already").asInt()).isEqualTo(1);
        assertThat(bring(
                                machines.replace(like.roomName(), "Nowhere " + machine)
                                        .replace("Sanderling", "Knot"),
                                "MACHINES")
                        .body()
                        .get("problems")
                        .get(0)
                        .get("text")
                        .asText())
                .contains("no room called Nowhere");
        long batch = made.get("batch").asLong();
        assertThat(post("/api/v1/import/" + batch + "/undo", "{}").status()).isEqualTo(200);
        assertThat(fleet.machines())
                .filteredOn(m -> m.name().equals("Sanderling " + machine))
                .allMatch(Fleet.MachineView::retired);

        String failures = "machine,when,what,note\n" + name + ",2025-02-04 08:00,bare-plate,all of it\n" + name
                + ",2025-02-05 08:00,kaputt,\n";
        JsonNode problems = bring(failures, "FAILURES").body().get("problems");
        assertThat(problems).hasSize(1);
        assertThat(problems.get(0).get("row").asInt()).isEqualTo(3);
        assertThat(bring(failures, "FAILURES", "words", "{\"kaputt\":\"bare-plate\"}")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void whatIsNoTableIsRefusedWithASentence() throws Exception {
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(zip)) {
            out.putNextEntry(new ZipEntry("a.txt"));
            out.write(1);
        }
        assertThat(send("/api/v1/import/preview", zip.toByteArray(), "RUNS").status())
                .isEqualTo(422);
        assertThat(look("", "RUNS").status()).isEqualTo(422);
        assertThat(look("\n\n", "RUNS").status()).isEqualTo(422);
        assertThat(look("job;job\n1;2\n", "RUNS").body().toString()).contains("Two columns are called job");
        assertThat(look("job\n", "PAINT").status()).isEqualTo(422);
        assertThat(look("job\n\"never closed\n", "RUNS").status()).isEqualTo(422);
        assertThat(send("/api/v1/import/preview", new byte[] {0, 1, 2, 3, 0, 5}, "RUNS")
                        .status())
                .isEqualTo(422);
    }

    /** Newest first, as spreadsheets are kept: written the oldest first, so that what is on now is what came last. */
    @Test
    void partsThatWereChangedAreServicesOfTheirDayAndGoBackAsOne() throws Exception {
        String first = standings.of(machine).film().code();
        String table = "Printer,Changed,Part,Why,Thickness mm,Serial\n"
                + name + ",2025-06-01 10:00,Film,Clouded,0.1,\n"
                + name + ",2025-03-01 10:00,FEP,,,\n"
                + name + ",2025-05-01 10:00,LCD,Dark pixels,,SCR-77\n";
        JsonNode looked = look(table, "PARTS").body();
        assertThat(looked.get("problems")).isEmpty();
        assertThat(looked.get("good").asInt()).isEqualTo(3);
        assertThat(standings.of(machine).film().code())
                .as("a preview writes nothing")
                .isEqualTo(first);

        long batch = bring(table, "PARTS").body().get("batch").asLong();
        assertThat(standings.of(machine).film().thicknessMm()).isEqualTo(0.1);
        assertThat(standings.of(machine).film().since())
                .isEqualTo(LocalDateTime.parse("2025-06-01T10:00")
                        .atZone(settings.zone())
                        .toInstant());
        assertThat(standings.of(machine).screen().serial()).isEqualTo("SCR-77");
        assertThat(bring(table, "PARTS").body().get("already").asInt())
                .as("again")
                .isEqualTo(3);

        assertThat(post("/api/v1/import/" + batch + "/undo", "{}").status()).isEqualTo(200);
        assertThat(standings.of(machine).film().code()).isEqualTo(first);
        assertThat(standings.of(machine).screen().serial()).isNull();
    }

    @Test
    void partsThatNobodyKnowsAreAskedFor() throws Exception {
        String table = "machine,changedAt,part,endReason\n" + name + ",2025-03-01,gizmo,\n" + name
                + ",2025-03-02,film,worn out\n" + name + ",,screen,\n";
        JsonNode problems = look(table, "PARTS").body().get("problems");
        assertThat(problems).hasSize(3);
        assertThat(problems.get(0).get("text").asText()).contains("What is meant by gizmo?");
        assertThat(problems.get(1).get("text").asText()).contains("What is meant by worn out?", "Clouded");
        assertThat(problems.get(2).get("text").asText()).contains("When it was changed is missing");
        JsonNode said = look(
                        table.lines().limit(3).reduce("", (a, b) -> a + b + "\n"),
                        "PARTS",
                        "words",
                        "{\"gizmo\":\"plate\",\"worn out\":\"CLOUDED\"}")
                .body();
        assertThat(said.get("problems")).isEmpty();
    }
}
