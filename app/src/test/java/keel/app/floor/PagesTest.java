package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.List;
import keel.app.support.AppTest;
import keel.app.support.QueryCounting;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/**
 * Pages as a person gets them: what was typed survives an error, and the fleet costs the same number of queries
 * whatever its size.
 */
class PagesTest extends AppTest {

    @Autowired
    private MockMvc mvc;

    @Test
    void aRefusedRunKeepsWhatWasTypedAndSaysWhatIsWrong() throws Exception {
        String m = shop.maskMachine();
        MockHttpServletResponse page = send(post("/runs")
                .with(csrf())
                .param("machine", m)
                .param("job", "Hinge, set of eight")
                .param("startedAt", "2025-02-01T10:00")
                .param("endedAt", "2025-02-01T09:00")
                .param("layers", "many")
                .param("layerExposureS", "2,3")
                .param("resinMl", "84")
                .param("outcome", "GOOD"));
        assertThat(page.getStatus()).isEqualTo(422);
        assertThat(page.getContentAsString())
                .contains(
                        "value=\"Hinge, set of eight\"",
                        "value=\"many\"",
                        "This is no whole number: many.",
                        "what you typed is still here",
                        "value=\"2025-02-01T09:00\"");
    }

    @Test
    void decimalsMayBeTypedWithAComma() throws Exception {
        String m = shop.maskMachine();
        MockHttpServletResponse page = send(post("/runs")
                .with(csrf())
                .param("machine", m)
                .param("job", "Hinge")
                .param("startedAt", "2025-02-01T10:00")
                .param("endedAt", "2025-02-01T14:00")
                .param("layers", "1000")
                .param("layerExposureS", "2,3")
                .param("resinMl", "84,5")
                .param("outcome", "GOOD"));
        assertThat(page.getRedirectedUrl()).startsWith("/runs/").endsWith("/after");
        assertThat(shop.now(m).total().resinMl()).isEqualTo(84.5);
    }

    @Test
    void aRenamedProgramIsRefusedAndTheFailureStays() throws Exception {
        String m = shop.maskMachine();
        long id = shop.failure(m, 1, "tacky").id();
        MockHttpServletResponse page = send(multipart("/failures/" + id + "/photos")
                .file(new MockMultipartFile("file", "plate.jpg", "image/jpeg", "MZ not a picture".getBytes()))
                .with(csrf()));
        assertThat(page.getStatus()).isEqualTo(422);
        assertThat(page.getContentAsString()).contains("no JPEG or PNG picture, whatever its name says");
    }

    @Test
    void theSecondEditorSeesBothVersions() throws Exception {
        String m = shop.maskMachine();
        long id = shop.failure(m, 1, "tacky").id();
        MockHttpServletRequestBuilder first = edit(id, m, "0", "from the first");
        assertThat(send(first).getStatus()).isEqualTo(302);
        MockHttpServletResponse second = send(edit(id, m, "0", "from the second"));
        assertThat(second.getStatus()).isEqualTo(409);
        assertThat(second.getContentAsString())
                .contains(
                        "Recorded meanwhile by somebody else",
                        "from the first",
                        "Yours, not written yet",
                        "from the second");
        assertThat(send(edit(id, m, "1", "from the second")).getStatus())
                .as("put over the first, knowingly")
                .isEqualTo(302);
    }

    @Test
    void theFleetPageCostsTheSameQueriesForManyMachinesAsForFew() throws Exception {
        shop.maskMachine();
        send(get("/fleet"));
        long few = QueryCounting.during(this::fleet);
        for (int i = 0; i < 8; i++) {
            String m = shop.maskMachine();
            shop.run(m, 1, 4);
            shop.failure(m, 6, "layer-split");
        }
        send(get("/fleet"));
        List<QueryCounting.Sent> sent = QueryCounting.sent(this::fleet);
        assertThat(sent)
                .extracting(q -> q.sql().replaceAll("select .* from ", "from "))
                .hasSizeLessThanOrEqualTo(25);
        assertThat((long) sent.size()).isEqualTo(few);
    }

    @Test
    void anAddressThatLeadsNowhereGetsAPage() throws Exception {
        MockHttpServletResponse page = send(get("/nowhere"));
        assertThat(page.getStatus()).isEqualTo(404);
        assertThat(page.getContentAsString()).contains("There is no such page", "To the fleet");
        assertThat(send(get("/machines/heron")).getContentAsString()).contains("There is no machine called heron");
    }

    private void fleet() {
        try {
            assertThat(send(get("/fleet")).getStatus()).isEqualTo(200);
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    private static MockHttpServletRequestBuilder edit(long id, String machine, String version, String note) {
        return post("/failures/" + id + "/correct")
                .with(csrf())
                .param("machine", machine)
                .param("version", version)
                .param("symptoms", "tacky")
                .param("note", note)
                .param("reason", "looked again");
    }

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        MockHttpServletResponse response =
                mvc.perform(request.with(authentication(who))).andReturn().getResponse();
        SecurityContextHolder.getContext().setAuthentication(who);
        return response;
    }
}
