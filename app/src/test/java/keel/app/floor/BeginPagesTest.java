package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.people.People;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.app.standing.Standings;
import keel.app.stores.ResinView;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import keel.core.run.RunNumber;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The first hour's pages: what is said of a shop, its machines, stores and people, and what is refused there. */
class BeginPagesTest extends AppTest {

    private static final String[] COLUMNS = {
        "names",
        "presets",
        "rooms",
        "conditions",
        "counterH",
        "filmH",
        "screenUvH",
        "greasedH",
        "abradedH",
        "resins",
        "resinMl",
        "levelledOn"
    };

    private static final String LATELY =
            LocalDate.now(ZoneOffset.UTC).minusDays(3).toString();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Fleet fleet;

    @Autowired
    private ShopSettings settings;

    @Autowired
    private Resins resins;

    @Autowired
    private Standings standings;

    @Autowired
    private Stock stock;

    @Autowired
    private People people;

    @Autowired
    private Runs runs;

    private Authentication who;

    @BeforeEach
    void owner() {
        as("owner");
    }

    private void as(String name) {
        shop.as(name);
        who = SecurityContextHolder.getContext().getAuthentication();
    }

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        MockHttpServletResponse answer = mvc.perform(request.with(csrf()).with(authentication(who)))
                .andReturn()
                .getResponse();
        SecurityContextHolder.getContext().setAuthentication(who);
        return answer;
    }

    private MockHttpServletResponse post(String path, String... typed) throws Exception {
        MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post(path);
        for (int i = 0; i < typed.length; i += 2) {
            request.param(typed[i], typed[i + 1]);
        }
        return send(request);
    }

    /** Rows in the order of the columns; the first is the one for all. */
    private MockHttpServletResponse table(String... rows) throws Exception {
        MockHttpServletRequestBuilder request = MockMvcRequestBuilders.post("/begin/machines");
        for (String row : rows) {
            String[] cells = row.split("\\|", -1);
            assertThat(cells).hasSameSizeAs(COLUMNS);
            for (int c = 0; c < cells.length; c++) {
                request.param(COLUMNS[c], cells[c]);
            }
        }
        return send(request);
    }

    private String room() {
        return fleet.rooms().stream()
                .filter(r -> !r.retired())
                .findFirst()
                .orElseThrow()
                .code();
    }

    private String resin(String name) {
        return resins.all(false).stream()
                .filter(r -> r.name().equals(name))
                .map(ResinView::code)
                .findFirst()
                .orElseGet(() -> resins.add(name, null));
    }

    private List<NotKnown.About> open(MachineNow m) {
        return m.notKnown().stream().map(NotKnown::about).toList();
    }

    @Test
    void roomsAndResinsAreAddedOnceHoweverOftenTheyAreSaid() throws Exception {
        String zone = settings.zone().getId();
        String name = settings.name();
        for (int i = 0; i < 2; i++) {
            assertThat(post(
                                    "/begin",
                                    "name",
                                    name,
                                    "zone",
                                    zone,
                                    "rooms",
                                    "Begin loft, begin LOFT",
                                    "resins",
                                    "Begin grey")
                            .getRedirectedUrl())
                    .isEqualTo("/begin/machines");
        }
        assertThat(fleet.rooms())
                .filteredOn(r -> r.name().equalsIgnoreCase("begin loft"))
                .hasSize(1);
        assertThat(resins.all(true))
                .filteredOn(r -> r.name().equals("Begin grey"))
                .hasSize(1);
        MockHttpServletResponse refused =
                post("/begin", "name", "", "zone", "Nowhere/Land", "rooms", "x", "resins", "");
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("There is no time zone called")
                .contains("value=\"x\"");
        as("keeper");
        assertThat(post("/begin", "name", name, "zone", zone, "rooms", "Keepers nook", "resins", "")
                        .getStatus())
                .isEqualTo(403);
    }

    @Test
    void namesBecomeATableAndTheTableMachines() throws Exception {
        shop.maskMachine();
        as("owner");
        String page = send(MockMvcRequestBuilders.get("/begin/known?middle=Begin ruff, Begin reeve&tank=Begin dipper"))
                .getContentAsString();
        assertThat(page)
                .contains("Begin ruff", "Begin reeve", "Begin dipper", "Put all 3 on record")
                .contains("begin with the same letter");
        String grey = resin("Begin slate");
        assertThat(table(
                                "|||||40||||" + grey + "|350|" + LATELY,
                                "Begin ruff|middle|" + room() + "|USED|1200||300|50||||",
                                "Begin reeve|middle|" + room() + "|NEW||||||" + grey + "|500|")
                        .getRedirectedUrl())
                .isEqualTo("/begin/prints");
        MachineNow ruff = standings.of("begin-ruff");
        assertThat(open(ruff)).containsExactlyInAnyOrder(NotKnown.About.ABRADED, NotKnown.About.LIGHT);
        assertThat(ruff.film().usage().hours()).isEqualTo(40);
        assertThat(ruff.screen().usage().uvHours()).isEqualTo(300);
        MachineNow reeve = standings.of("begin-reeve");
        assertThat(open(reeve)).containsExactly(NotKnown.About.LEVELLED);
        assertThat(reeve.film().usage().hours())
                .as("new, whatever holds for used ones")
                .isZero();
        assertThat(fleet.models())
                .filteredOn(m -> m.entry().name().equals("Middle mask printer"))
                .hasSize(1);
        String fleetPage = send(MockMvcRequestBuilders.get("/fleet")).getContentAsString();
        assertThat(fleetPage).contains("Start its first print: Begin ruff").contains("Level it: Begin reeve");
    }

    @Test
    void whatIsWrongIsSaidAtItsMachineAndNothingIsWritten() throws Exception {
        shop.maskMachine();
        as("owner");
        String grey = resin("Begin slate");
        MockHttpServletResponse refused = table(
                "|||||||||||",
                "Begin knot|small|" + room() + "|USED||soon||||||",
                "Begin stint|small|" + room() + "|USED||||||" + grey + "||2031-01-01");
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("value=\"soon\"", "value=\"Begin stint\"");
        assertThat(fleet.machines())
                .noneMatch(m -> m.name().startsWith("Begin knot") || m.name().equals("Begin stint"));
        MockHttpServletResponse future =
                table("|||||||||||", "Begin stint|small|" + room() + "|USED||||||" + grey + "||2031-01-01");
        assertThat(future.getContentAsString())
                .contains("cannot have been levelled in the future")
                .contains("How much resin is in it is missing");
        assertThat(table("|||||||||||", "|small||USED||||||||").getContentAsString())
                .contains("Name at least one machine");
    }

    @Test
    void aNameThatIsTakenIsRefused() throws Exception {
        String code = shop.maskMachine();
        as("owner");
        String name = fleet.machine(code).name();
        assertThat(table("|||||||||||", name.toUpperCase(Locale.ROOT) + "|small|" + room() + "|USED||||||||")
                        .getContentAsString())
                .contains("There is a machine called");
        MockHttpServletResponse twice = table(
                "|||||||||||",
                "Begin twin|small|" + room() + "|USED||||||||",
                "begin Twin|small|" + room() + "|USED||||||||");
        assertThat(twice.getStatus()).isEqualTo(422);
        assertThat(fleet.machines()).noneMatch(m -> m.name().equalsIgnoreCase("begin twin"));
    }

    @Test
    void aLastPrintIsRememberedByItsHoursAndMarkedAsAGuess() throws Exception {
        String code = shop.maskMachine();
        String other = shop.maskMachine();
        as("owner");
        String[] asked = {
            "machines",
            "",
            "machines",
            code,
            "machines",
            other,
            "jobs",
            "",
            "jobs",
            "Begin latch",
            "jobs",
            "",
            "hours",
            "",
            "hours",
            "5:30",
            "hours",
            "",
            "outcomes",
            "",
            "outcomes",
            "GOOD",
            "outcomes",
            "GOOD",
            "cleared",
            "true"
        };
        assertThat(post("/begin/prints", asked).getRedirectedUrl()).isEqualTo("/begin/stores");
        RunView run = runs.last(code).orElseThrow();
        assertThat(run.hours()).isEqualTo(5.5);
        assertThat(run.guessed()).containsExactlyInAnyOrder(RunNumber.values());
        assertThat(run.layers()).isPositive();
        assertThat(standings.of(code).holds()).as("its plate was cleared").isEmpty();
        assertThat(runs.last(other)).isEmpty();
        assertThat(send(MockMvcRequestBuilders.get("/runs/" + run.id())).getContentAsString())
                .contains("Nobody knew its layers, layer exposure and resin");
        assertThat(post("/begin/prints", asked).getStatus())
                .as("the same hours cannot be printed twice")
                .isEqualTo(422);
        asked[15] = "long";
        assertThat(post("/begin/prints", asked).getContentAsString()).contains("This is no number: long");
    }

    /** What was said to be in a vat is what the print left in it. */
    @Test
    void aPrintRememberedAfterTheVatTakesNothingOutOfIt() throws Exception {
        String code = shop.maskMachine();
        String grey = resin("Begin slate");
        resins.pour(standings.of(code).vat().code(), grey, 320.0, null);
        as("owner");
        post(
                "/begin/prints",
                "machines",
                "",
                "machines",
                code,
                "jobs",
                "",
                "jobs",
                "Swift",
                "hours",
                "",
                "hours",
                "6h30",
                "endedAt",
                "",
                "endedAt",
                "",
                "outcomes",
                "",
                "outcomes",
                "GOOD");
        assertThat(runs.last(code).orElseThrow().hours()).isEqualTo(6.5);
        assertThat(standings.of(code).resinMl()).isEqualTo(320);
        assertThat(standings.of(code).holds())
                .as("nobody said that its plate was cleared")
                .isNotEmpty();
    }

    @Test
    void aStoreIsTickedAndCounted() throws Exception {
        MockHttpServletResponse refused = post("/begin/stores", "items", "-1", "items", "0", "onHand", "many");
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(post("/begin/stores", "items", "-1", "items", "0", "items", "1", "onHand", "120", "onHand", "")
                        .getRedirectedUrl())
                .isEqualTo("/begin/people");
        assertThat(stock.all(false))
                .filteredOn(i -> i.name().equals("Nitrile gloves"))
                .singleElement()
                .satisfies(i -> assertThat(i.quantity()).isEqualTo(120));
        post("/begin/stores", "items", "-1", "items", "0", "onHand", "7", "onHand", "");
        assertThat(stock.all(true))
                .filteredOn(i -> i.name().equals("Nitrile gloves"))
                .singleElement()
                .satisfies(i -> assertThat(i.quantity()).as("left alone").isEqualTo(120));
        assertThat(send(MockMvcRequestBuilders.get("/begin/stores")).getContentAsString())
                .contains("there already");
    }

    @Test
    void peopleGetAPasswordThatIsShownOnceAndOpens() throws Exception {
        String[] asked = {
            "own",
            TestShop.PASSWORD,
            "names",
            "Begin Élin",
            "names",
            "",
            "roles",
            "KEEPER",
            "roles",
            "OPERATOR",
            "pins",
            "8361",
            "pins",
            ""
        };
        String page = post("/begin/people", asked).getContentAsString();
        assertThat(page).contains("shown once").contains("beginelin");
        String password = page.replaceAll("(?s).*<td class=\"figure\">([a-z2-9]{4}(?:-[a-z2-9]{4}){3})</td>.*", "$1");
        assertThat(people.byPassword("beginelin", password)).isPresent();
        assertThat(people.byPin("beginelin", "8361")).isPresent();
        asked[asked.length - 3] = "1111";
        MockHttpServletResponse refused = post("/begin/people", asked);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("everybody tries first")
                .contains("Begin Élin");
        assertThat(people.all()).filteredOn(p -> p.name().equals("Begin Élin")).hasSize(1);
        assertThat(post("/begin/people", "names", "", "names", "").getRedirectedUrl())
                .isEqualTo("/fleet");
    }
}
