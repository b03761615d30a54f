package keel.app.smoke;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import keel.app.Keel;
import keel.app.support.EveryAddress;
import keel.app.support.EveryWrite;
import keel.app.support.QueryCounting;
import keel.app.support.QuickPasswords;
import keel.app.support.TestShop;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every address in a shop where nothing is, and in one with machines and nothing else: no run, no level, no resin. */
@SpringBootTest(
        classes = Keel.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:every-address;DB_CLOSE_DELAY=-1",
            "keel.home=target/every-address"
        })
@AutoConfigureMockMvc
@Import({TestShop.class, QueryCounting.class, QuickPasswords.class})
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class EveryAddressTest {

    @Autowired
    private MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private TestShop shop;

    @BeforeEach
    void owner() {
        shop.people();
        shop.as("owner");
    }

    @Test
    @Order(1)
    void anEmptyShopAnswersEverywhere() {
        EveryAddress every = new EveryAddress(mvc, mappings, jdbc);
        assertThat(every.wrong()).isEmpty();
        assertThat(every.asked()).isGreaterThan(120);
    }

    @Test
    @Order(2)
    void aShopWithMachinesAndNothingElseAnswersEverywhere() {
        shop.maskMachine();
        shop.machine(MachineKind.PROJECTOR, false);
        shop.machine(MachineKind.LASER_TANK, false);
        shop.as("owner");
        EveryAddress every = new EveryAddress(mvc, mappings, jdbc);
        assertThat(every.wrong()).isEmpty();
        assertThat(every.asked()).isGreaterThan(250);
    }

    @Test
    @Order(3)
    void nonsenseIsRefusedInWordsEverywhere() throws IOException {
        EveryWrite every = new EveryWrite(mvc, mappings, jdbc);
        assertThat(every.broken()).isEmpty();
        assertThat(every.sent()).isGreaterThan(2000);
    }

    @Test
    @Order(4)
    void nobodyWritesAnywhereWithoutSigningIn() throws Exception {
        assertThat(new EveryWrite(mvc, mappings, jdbc).openToNobody()).isEmpty();
    }
}
