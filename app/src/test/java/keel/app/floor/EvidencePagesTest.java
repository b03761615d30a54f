package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import keel.app.people.Role;
import keel.app.support.AppTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;

class EvidencePagesTest extends AppTest {

    @Autowired
    private MockMvc mvc;

    private MockHttpServletResponse ask(String path) throws Exception {
        String token = shop.token(Role.OPERATOR);
        SecurityContextHolder.clearContext();
        return mvc.perform(get(path).header("Authorization", "Bearer " + token))
                .andReturn()
                .getResponse();
    }

    @Test
    void programsGetThePaperAndTheZip() throws Exception {
        String machine = shop.maskMachine();
        String film = shop.now(machine).film().code();
        MockHttpServletResponse pdf = ask("/api/v1/evidence/machine/" + machine + ".pdf");
        assertThat(pdf.getStatus()).isEqualTo(200);
        assertThat(pdf.getContentType()).isEqualTo("application/pdf");
        assertThat(pdf.getContentAsByteArray()).startsWith("%PDF".getBytes());
        assertThat(ask("/api/v1/evidence/part/" + film.toLowerCase() + ".pdf").getStatus())
                .isEqualTo(200);
        MockHttpServletResponse zip = ask("/api/v1/evidence/machine/" + machine + ".zip");
        assertThat(zip.getContentType()).isEqualTo("application/zip");
        assertThat(zip.getContentAsByteArray()).startsWith(new byte[] {'P', 'K'});
    }

    @Test
    void whatIsNotThereIs404() throws Exception {
        assertThat(ask("/api/v1/evidence/machine/nobody.pdf").getStatus()).isEqualTo(404);
        assertThat(ask("/api/v1/evidence/person/owner.pdf").getStatus()).isEqualTo(404);
        assertThat(ask("/api/v1/evidence/bottle/B99999.zip").getStatus()).isEqualTo(404);
    }
}
