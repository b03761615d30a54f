package keel.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import keel.app.Keel;
import keel.app.people.People;
import keel.app.shell.ShopAudit;
import keel.app.support.EveryAddress;
import keel.sim.story.Saltmarsh;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Every address in the demo's shop, which is made here from nothing: fourteen months, entered through the services. Its
 * home stays in the build's folder for the browser tests.
 */
@SpringBootTest(classes = Keel.class, properties = "keel.demo=true")
@AutoConfigureMockMvc
class EveryAddressOfTheDemoTest {

    @Autowired
    private MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private People people;

    @Autowired
    private ShopAudit audit;

    @DynamicPropertySource
    static void settings(DynamicPropertyRegistry settings) {
        Path home = DemoHome.fresh();
        settings.add("keel.home", home::toString);
        settings.add("keel.clock", () -> DemoHome.MOMENT);
    }

    @Test
    void theDemoAnswersEverywhere() {
        Replay.as(people.byPassword("owner", Saltmarsh.PEOPLE.get(0).password()).orElseThrow());
        EveryAddress every = new EveryAddress(mvc, mappings, jdbc);
        assertThat(every.wrong()).isEmpty();
        assertThat(every.asked()).isGreaterThan(400);
        SecurityContextHolder.clearContext();
    }

    /** Whatever its pages show follows from what was entered. */
    @Test
    void theAuditFindsNothing() {
        ShopAudit.Answer answer = audit.answer();
        assertThat(answer.words()).startsWith("Nothing found: ");
        assertThat(answer.clean()).isTrue();
    }
}
