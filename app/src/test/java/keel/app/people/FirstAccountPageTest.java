package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** Nobody is here yet, and no code is asked: whoever finds no good password at once is told so, each time. */
@SpringBootTest(
        properties = {
            "spring.datasource.url=jdbc:h2:mem:first-page;DB_CLOSE_DELAY=-1",
            "keel.home=target/first-page-home"
        })
@AutoConfigureMockMvc
class FirstAccountPageTest {

    @Autowired
    private MockMvc mvc;

    private MockHttpServletResponse first(String password) throws Exception {
        return mvc.perform(post("/first")
                        .with(csrf())
                        .param("signIn", "olga")
                        .param("name", "Olga")
                        .param("password", password))
                .andReturn()
                .getResponse();
    }

    @Test
    void manyWeakPasswordsLaterTheGoodOneIsStillTaken() throws Exception {
        for (int i = 0; i < 8; i++) {
            assertThat(first("password1234").getContentAsString())
                    .contains("guessed too soon")
                    .doesNotContain("on the terminal");
        }
        assertThat(first("seven quiet herons").getRedirectedUrl()).isEqualTo("/begin");
    }
}
