package keel.app.floor.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import keel.app.base.Paging;
import keel.app.failures.Failures;
import keel.app.fleet.ShopSettings;
import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What a device entered while there was no network is written for the moment it was entered. */
class EnteredLaterTest extends PageTest {

    @Autowired
    private Failures failures;

    @Autowired
    private ShopSettings settings;

    private final Instant then = Instant.now().minus(2, ChronoUnit.HOURS).truncatedTo(ChronoUnit.MINUTES);

    private MockHttpServletRequestBuilder later(String path, String... fields) {
        MockHttpServletRequestBuilder request = post(path)
                .with(csrf())
                .header(
                        "Keel-Entered",
                        LocalDateTime.ofInstant(then, settings.zone()).toString());
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return request;
    }

    @Test
    void aLineIsOfThenUnlessItSaysAnotherTime() {
        String m = shop.maskMachine();
        assertThat(answered(later("/quick", "line", m + " failed tacky")).html())
                .contains("Written");
        assertThat(failures.list(m, false, Paging.of(0, 5)).get(0).seenAt()).isEqualTo(then);
        String other = shop.maskMachine();
        answered(later("/quick", "line", other + " failed tacky 10 min ago"));
        assertThat(failures.list(other, false, Paging.of(0, 5)).get(0).seenAt()).isAfter(then.plusSeconds(5000));
    }

    @Test
    void aFormIsOfThenUnlessItSaysAnotherTime() {
        String m = shop.maskMachine();
        assertThat(answered(later("/failures", "machine", m, "symptoms", "tacky"))
                        .status())
                .isEqualTo(302);
        assertThat(failures.list(m, false, Paging.of(0, 5)).get(0).seenAt()).isEqualTo(then);
        String nonsense = shop.maskMachine();
        assertThat(answered(post("/failures")
                                .with(csrf())
                                .header("Keel-Entered", "soon")
                                .param("machine", nonsense)
                                .param("symptoms", "tacky"))
                        .status())
                .isGreaterThanOrEqualTo(400);
        assertThat(failures.list(nonsense, false, Paging.of(0, 5))).isEmpty();
    }

    @Test
    void theScriptThatKeepsPagesStandsAtTheTopAndNeedsNoSignIn() {
        assertThat(shown("/worker.js").html()).contains("addEventListener('fetch'");
        assertThat(page("/guides/read")).contains("Change the film", "Have at hand");
    }
}
