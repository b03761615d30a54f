package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

class SecurityTest extends AppTest {

    @Autowired
    private MockMvc mvc;

    @Autowired
    private People people;

    @Autowired
    private JdbcClient jdbc;

    @ParameterizedTest
    @ValueSource(strings = {"/fleet", "/runs", "/logbook.csv", "/setup/people", "/photos/1", "/hand-over"})
    void nobodySeesAPageWithoutSigningIn(String path) throws Exception {
        MockHttpServletResponse answer = send(get(path));
        assertThat(answer.getStatus()).isEqualTo(302);
        assertThat(answer.getRedirectedUrl()).endsWith("/sign-in");
    }

    @Test
    void aFormWithoutItsTokenIsRefused() throws Exception {
        MockHttpSession session = signIn("keeper", TestShop.PASSWORD, "10.0.0.1");
        assertThat(send(post("/runs").session(session)).getStatus()).isEqualTo(403);
    }

    @Test
    void pagesAllowNoInlineScriptAndNoFraming() throws Exception {
        MockHttpServletResponse page = send(get("/sign-in"));
        assertThat(page.getHeader("Content-Security-Policy"))
                .contains("default-src 'self'", "frame-ancestors 'none'")
                .doesNotContain("unsafe");
        assertThat(page.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
        assertThat(page.getContentAsString())
                .doesNotContain("<script>")
                .doesNotContain(" style=")
                .doesNotContain("onclick");
    }

    @Test
    void scriptInANoteIsShownAsText() throws Exception {
        String m = shop.maskMachine();
        String item = shop.item("<script>alert(1)</script>", 1);
        assertThat(item).doesNotContain("<");
        MockHttpSession session = signIn("keeper", TestShop.PASSWORD, "10.0.0.2");
        send(post("/failures")
                .session(session)
                .with(csrf())
                .param("machine", m)
                .param("symptoms", "tacky")
                .param("note", "<img src=x onerror=alert(1)>"));
        String page = send(get("/logbook").session(session)).getContentAsString();
        assertThat(page)
                .contains("&lt;img src=x onerror=alert(1)&gt;", "&lt;script&gt;alert(1)&lt;/script&gt;")
                .doesNotContain("<img src=x")
                .doesNotContain("<script>alert");
    }

    @Test
    void guessingIsSlowedDownByNameAndAddressAndOthersAreNot() throws Exception {
        for (int i = 0; i < 5; i++) {
            assertThat(signInAnswer("operator", "wrong-guess", "10.9.9.9").getRedirectedUrl())
                    .isEqualTo("/sign-in?wrong");
        }
        assertThat(signInAnswer("operator", TestShop.PASSWORD, "10.9.9.9").getRedirectedUrl())
                .as("even the right one now")
                .isEqualTo("/sign-in?slow");
        assertThat(signInAnswer("operator", TestShop.PASSWORD, "10.8.8.8").getRedirectedUrl())
                .endsWith("/fleet");
    }

    @Test
    void byPinAnOwnerHasAKeepersRights() throws Exception {
        MockHttpSession session = signIn("operator", TestShop.PASSWORD, "10.0.0.3");
        assertThat(send(post("/hand-over")
                                .session(session)
                                .with(csrf())
                                .param("signIn", "owner")
                                .param("pin", "4829"))
                        .getRedirectedUrl())
                .isEqualTo("/fleet");
        String page = send(get("/fleet").session(session)).getContentAsString();
        assertThat(page).contains("Olga").contains("keeper");
        assertThat(send(get("/setup/people").session(session)).getStatus()).isEqualTo(403);
    }

    @Test
    void aWrongPinHandsNothingOver() throws Exception {
        MockHttpSession session = signIn("operator", TestShop.PASSWORD, "10.0.0.4");
        MockHttpServletResponse answer = send(post("/hand-over")
                .session(session)
                .with(csrf())
                .param("signIn", "owner")
                .param("pin", "0000"));
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(send(get("/fleet").session(session)).getContentAsString()).contains("Oda");
    }

    @Test
    void onlyTheFirstVisitorMakesTheOwner() {
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> people.first("second", "Second", "another-password"));
    }

    @Test
    void aRevokedTokenIsNoLongerTaken() {
        String token = shop.token(Role.KEEPER);
        assertThat(people.byToken(token))
                .hasValueSatisfying(a -> assertThat(a.role()).isEqualTo(Role.KEEPER));
        people.revokeToken(people.tokens().get(0).id());
        assertThat(people.byToken(token)).isEmpty();
    }

    @Test
    void secretsAreKeptAsHashesOnly() {
        String token = shop.token(Role.KEEPER);
        String everything = jdbc.sql("select * from person").query().listOfRows() + ""
                + jdbc.sql("select * from api_token").query().listOfRows();
        assertThat(everything).doesNotContain(TestShop.PASSWORD).doesNotContain(token);
        assertThat(jdbc.sql("select password_hash from person union all select pin_hash from person where "
                                + "pin_hash is not null")
                        .query(String.class)
                        .list())
                .isNotEmpty()
                .allSatisfy(hash -> assertThat(hash).startsWith("{pbkdf2@SpringSecurity_v5_8}"));
        assertThat(jdbc.sql("select token_hash from api_token")
                        .query(String.class)
                        .list())
                .isNotEmpty()
                .allSatisfy(hash -> assertThat(hash).matches("[0-9a-f]{64}"));
    }

    @Test
    void whoIsTakenOffIsSignedOutAtOnce() throws Exception {
        shop.as("owner");
        people.add("leaver", "Leo", Role.OPERATOR, TestShop.PASSWORD, null);
        MockHttpSession session = signIn("leaver", TestShop.PASSWORD, "10.0.0.5");
        assertThat(send(get("/fleet").session(session)).getStatus()).isEqualTo(200);
        shop.as("owner");
        long id = people.all().stream()
                .filter(p -> p.signIn().equals("leaver"))
                .findFirst()
                .orElseThrow()
                .id();
        people.change(id, Role.OPERATOR, false);
        assertThat(send(get("/fleet").session(session)).getStatus()).isEqualTo(302);
        assertThat(people.byPassword("leaver", TestShop.PASSWORD)).isEmpty();
    }

    @Test
    void theLastOwnerStays() {
        shop.as("owner");
        long owner = people.all().stream()
                .filter(p -> p.signIn().equals("owner"))
                .findFirst()
                .orElseThrow()
                .id();
        assertThatExceptionOfType(Conflict.class).isThrownBy(() -> people.change(owner, Role.KEEPER, true));
        assertThatExceptionOfType(Conflict.class).isThrownBy(() -> people.change(owner, Role.OWNER, false));
    }

    @Test
    void peopleAreTheOwnersMatter() {
        shop.as("keeper");
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> people.add("x", "X", Role.OWNER, TestShop.PASSWORD, null));
        assertThatExceptionOfType(AccessDeniedException.class).isThrownBy(() -> people.makeToken("x", Role.OWNER));
    }

    @Test
    void weakPasswordsAndPinsAreRefused() {
        shop.as("owner");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> people.add("short", "S", Role.OPERATOR, "12345", "12"))
                .satisfies(
                        e -> assertThat(e.findings()).extracting(f -> f.field()).containsExactly("password", "pin"));
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> people.add("OWNER", "S", Role.OPERATOR, TestShop.PASSWORD, ""))
                .satisfies(
                        e -> assertThat(e.findings()).extracting(f -> f.field()).containsExactly("signIn"));
    }

    private MockHttpServletResponse signInAnswer(String name, String password, String address) throws Exception {
        return send(post("/sign-in")
                .with(csrf())
                .with(r -> {
                    r.setRemoteAddr(address);
                    return r;
                })
                .param("username", name)
                .param("password", password));
    }

    private MockHttpSession signIn(String name, String password, String address) throws Exception {
        MockHttpSession session = new MockHttpSession();
        send(post("/sign-in")
                .session(session)
                .with(csrf())
                .with(r -> {
                    r.setRemoteAddr(address);
                    return r;
                })
                .param("username", name)
                .param("password", password));
        return session;
    }

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        SecurityContextHolder.clearContext();
        return mvc.perform(request).andReturn().getResponse();
    }
}
