package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import keel.app.failures.Failures;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.stores.Incidents;
import keel.app.support.PageTest;
import keel.core.emergency.Emergencies;
import keel.core.run.Outcome;
import keel.core.standing.MachineState;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;

/** What to do at once is there for anybody; what is written afterwards holds what it must. */
class EmergencyTest extends PageTest {

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Runs runs;

    @Autowired
    private Failures failures;

    @Autowired
    private Incidents incidents;

    @Autowired
    private Logbook logbook;

    private String machine;

    @BeforeEach
    void aMachine() {
        shop.people();
        shop.as("operator");
        machine = shop.maskMachine();
        shop.as("operator");
    }

    private MockHttpServletResponse open(String path) throws Exception {
        SecurityContextHolder.clearContext();
        return mvc.perform(get(path)).andReturn().getResponse();
    }

    @Test
    void everyPageOpensWithoutSigningInAndIsKeptOnTheDevice() throws Exception {
        String worker = open("/emergency/worker.js").getContentAsString();
        assertThat(open("/emergency/").getContentAsString()).contains("What has happened?");
        for (String code :
                Emergencies.shipped().all().stream().map(e -> e.code()).toList()) {
            MockHttpServletResponse page = open("/emergency/" + code);
            assertThat(page.getStatus()).as(code).isEqualTo(200);
            assertThat(page.getHeader("Cache-Control")).contains("max-age=86400");
            assertThat(worker).contains("'/emergency/" + code + "'");
            assertThat(page.getContentAsString())
                    .contains("It is over: write it down")
                    .doesNotContain(machine);
        }
        assertThat(worker).contains("emergency", ".css'");
        assertThat(open("/emergency/leak/after").getRedirectedUrl())
                .as("writing does need one")
                .endsWith("/sign-in");
        shop.as("operator");
        assertThat(status("/emergency/flood")).isEqualTo(404);
        assertThat(page("/fleet")).contains("href=\"/emergency/\"");
    }

    private String after(String code, String... fields) {
        return accepted("/emergency/" + code + "/after", fields);
    }

    @Test
    void aLeakInAPrintStopsItAndHoldsTheMachine() {
        long run = runs.enter(new RunEntry(machine, "Hinge", null, null, 2000, 1.8, 40.0, null, null, null))
                .id();
        String page = after("leak", "machine", machine, "happened", "Ran out under the vat.");
        assertThat(page).startsWith("/failures/");
        assertThat(runs.one(run).outcome()).isEqualTo(Outcome.STOPPED);
        assertThat(shop.holds(machine)).contains("wet-under-vat", "failure-not-cleaned");
        assertThat(failures.one(Long.parseLong(page.substring(10))).note()).isEqualTo("Ran out under the vat.");
    }

    @Test
    void eachWritesWhatHoldsOrTells() {
        assertThat(after("fell", "machine", machine, "happened", "A spatula.")).isEqualTo("/machines/" + machine);
        assertThat(shop.holds(machine)).contains("crunch-not-inspected");
        after("skin-or-eye", "eye", "true", "who", "Elin", "happened", "A splash.");
        after("spill", "machine", "", "happened", "A bottle fell over.");
        assertThat(incidents.all()).extracting(i -> i.kind().name()).startsWith("SPILL", "EYES");
        String other = shop.maskMachine();
        shop.as("operator");
        after("smoke", "machine", other, "happened", "The fan smelt burnt.");
        assertThat(shop.now(other).standing().state()).isEqualTo(MachineState.OFF);
        String third = shop.maskMachine();
        shop.as("operator");
        after("sun", "machine", third, "happened", "The blind was up.");
        assertThat(shop.holds(third)).contains("failure-not-cleaned");
        assertThat(logbook.lines(LogFilter.ofMachine(third, 1)).get(0).headline())
                .isNotBlank();
    }

    @Test
    void whatIsMissingIsSaidAndWhatWasTypedStays() {
        String html = refused(422, "Say at which machine.", "/emergency/leak/after", "happened", "Wet <b>bench</b>");
        assertThat(html).contains("Wet &lt;b&gt;bench&lt;/b&gt;");
        refused(422, "What happened", "/emergency/spill/after", "happened", " ");
        refused(
                422,
                "Nothing prints on",
                "/emergency/power-cut/after",
                "machine",
                machine,
                "happened",
                "It went dark.");
        assertThat(shop.holds(machine)).isEmpty();
    }
}
