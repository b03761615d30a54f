package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Sessions that end, tablets left alone, tokens that reach less far, names that are not this shop's. */
class DoorTest extends AppTest {

    @Autowired
    private MockMvc mvc;

    @Autowired
    private People people;

    @Autowired
    private Clock clock;

    @Autowired
    private JdbcClient jdbc;

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        SecurityContextHolder.clearContext();
        return mvc.perform(request).andReturn().getResponse();
    }

    private MockHttpSession signIn(String name, String password) throws Exception {
        MockHttpSession session = new MockHttpSession();
        send(post("/sign-in")
                .session(session)
                .with(csrf())
                .param("username", name)
                .param("password", password));
        return session;
    }

    private String someone(String name) {
        shop.as("owner");
        people.add(name, "Some " + name, Role.KEEPER, TestShop.PASSWORD, "4829");
        return name;
    }

    private int api(String token, MockHttpServletRequestBuilder request) throws Exception {
        return send(request.header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("[]"))
                .getStatus();
    }

    @Test
    void aNewPasswordPutsOutWhoSatInWithTheOld() throws Exception {
        String name = someone("lender");
        MockHttpSession lent = signIn(name, TestShop.PASSWORD);
        MockHttpSession own = signIn(name, TestShop.PASSWORD);
        assertThat(send(get("/fleet").session(lent)).getStatus()).isEqualTo(200);
        assertThat(send(post("/account/password")
                                .session(own)
                                .with(csrf())
                                .param("old", TestShop.PASSWORD)
                                .param("password", "seven quiet herons"))
                        .getRedirectedUrl())
                .isEqualTo("/account?done");
        assertThat(send(get("/fleet").session(lent)).getStatus()).as("put out").isEqualTo(302);
        assertThat(send(get("/fleet").session(own)).getStatus())
                .as("who changed it stays")
                .isEqualTo(200);
    }

    /** A script's request gets a word it can act on, never a page or raw JSON in the middle of another. */
    @Test
    void whatIsSentAfterTheSessionEndedIsAskedForOverThePage() throws Exception {
        MockHttpServletResponse piece =
                send(post("/runs").header("HX-Request", "true").header("HX-Boosted", "true"));
        assertThat(piece.getStatus()).isEqualTo(401);
        assertThat(piece.getHeader("Keel-Door")).isEqualTo("sign-in");
        assertThat(send(get("/fleet").header("HX-Request", "true")).getHeader("Keel-Door"))
                .isEqualTo("sign-in");
        assertThat(send(post("/runs")).getRedirectedUrl()).isEqualTo("/sign-in?ended");
        MockHttpSession session = signIn("keeper", TestShop.PASSWORD);
        assertThat(send(post("/runs").session(session).header("HX-Request", "true"))
                        .getHeader("Keel-Door"))
                .as("signed in anew, with the key of the form from before")
                .isEqualTo("again");
    }

    @Test
    void aTabletLeftAloneAsksWhoIsThereAndThePinBringsThemBack() throws Exception {
        String name = someone("walker");
        MockHttpSession session = signIn(name, TestShop.PASSWORD);
        session.setAttribute("keel.last", clock.instant().minus(Duration.ofMinutes(31)));
        assertThat(send(get("/runs?page=2").session(session)).getRedirectedUrl())
                .isEqualTo("/back-in?to=%2Fruns%3Fpage%3D2");
        assertThat(send(post("/runs").session(session).with(csrf())).getStatus())
                .isEqualTo(303);
        assertThat(send(get("/fleet").session(session).header("HX-Request", "true"))
                        .getHeader("Keel-Door"))
                .isEqualTo("locked");
        assertThat(send(get("/back-in").session(session)).getContentAsString()).contains("Still Some walker?");
        MockHttpServletRequestBuilder wrong = post("/back-in").session(session).with(csrf());
        assertThat(send(wrong.param("secret", "0001")).getStatus()).isEqualTo(422);
        assertThat(send(get("/fleet").session(session)).getStatus()).isEqualTo(302);
        MockHttpServletRequestBuilder right = post("/back-in").session(session).with(csrf());
        assertThat(send(right.param("secret", "4829").param("to", "//elsewhere"))
                        .getRedirectedUrl())
                .isEqualTo("/fleet");
        assertThat(send(get("/fleet").session(session)).getStatus()).isEqualTo(200);
    }

    /** An open page asks once a minute whether a look is due. */
    @Test
    void whatAPageAsksByItselfKeepsNobodyIn() throws Exception {
        MockHttpSession session = signIn("keeper", TestShop.PASSWORD);
        Instant left = clock.instant().minus(Duration.ofMinutes(29));
        session.setAttribute("keel.last", left);
        assertThat(send(get("/looks-due")
                                .session(session)
                                .header("HX-Request", "true")
                                .header("HX-Trigger", "looks"))
                        .getStatus())
                .isEqualTo(200);
        assertThat(session.getAttribute("keel.last")).isEqualTo(left);
        assertThat(send(get("/fleet").session(session)).getStatus()).isEqualTo(200);
        assertThat(session.getAttribute("keel.last")).isNotEqualTo(left);
    }

    @Test
    void aSessionOfNobodyLivesMinutes() throws Exception {
        MockHttpSession session = new MockHttpSession();
        Sitting sitting = new Sitting(clock, Duration.ofHours(12));
        sitting.sessionCreated(new jakarta.servlet.http.HttpSessionEvent(session));
        assertThat(session.getMaxInactiveInterval()).isEqualTo(600);
        assertThat(signIn("keeper", TestShop.PASSWORD).getMaxInactiveInterval()).isEqualTo(12 * 3600);
    }

    @Test
    void whatOnlyAnOwnerMayDoAsksForThePasswordAgain() throws Exception {
        MockHttpSession session = signIn("owner", TestShop.PASSWORD);
        session.setAttribute("keel.said", clock.instant().minus(Duration.ofMinutes(11)));
        MockHttpServletRequestBuilder make =
                post("/setup/tokens").session(session).with(csrf());
        make.param("name", "later").param("role", "OPERATOR");
        assertThat(send(make).getContentAsString()).contains("Say your own password again");
        MockHttpServletRequestBuilder again =
                post("/setup/tokens").session(session).with(csrf());
        again.param("name", "later").param("role", "OPERATOR").param("own", TestShop.PASSWORD);
        assertThat(send(again).getContentAsString()).contains("It is shown this once");
        MockHttpServletRequestBuilder soon =
                post("/setup/tokens").session(session).with(csrf());
        assertThat(send(soon.param("name", "soon").param("role", "OPERATOR")).getContentAsString())
                .as("said a moment ago")
                .contains("It is shown this once");
    }

    @Test
    void aTokenReachesAsFarAsItsScopeItsEndAndItsMaker() throws Exception {
        shop.as("owner");
        String reads = people.makeToken("reads", Role.OWNER, TokenScope.READ, null);
        String sensor = people.makeToken("sensor", Role.OPERATOR, TokenScope.SENSOR, null);
        Instant soon = clock.instant().plusSeconds(3600);
        String ends = people.makeToken("ends", Role.OWNER, TokenScope.ALL, soon);
        assertThat(api(reads, get("/api/v1/machines"))).isEqualTo(200);
        assertThat(api(reads, post("/api/v1/runs"))).isEqualTo(403);
        assertThat(api(sensor, get("/api/v1/machines"))).isEqualTo(403);
        assertThat(api(sensor, post("/api/v1/sensors/wall/readings"))).isNotIn(401, 403);
        assertThat(api(ends, get("/api/v1/machines"))).isEqualTo(200);
        assertThat(people.tokens().stream().filter(t -> t.name().equals("ends")))
                .singleElement()
                .satisfies(t -> assertThat(t.lastUsedAt()).isNotNull());
        jdbc.sql("update api_token set ends_at = ? where name = 'ends'")
                .param(clock.instant().minusSeconds(1).atOffset(java.time.ZoneOffset.UTC))
                .update();
        assertThat(api(ends, get("/api/v1/machines"))).isEqualTo(401);
    }

    @Test
    void aTokenLosesWhatItsMakerLost() {
        shop.as("owner");
        people.add("maker", "Maker", Role.OWNER, TestShop.PASSWORD, null);
        shop.as("maker");
        String token = people.makeToken("made", Role.OWNER);
        assertThat(people.byToken(token).orElseThrow().role()).isEqualTo(Role.OWNER);
        shop.as("owner");
        long id = people.all().stream()
                .filter(p -> p.signIn().equals("maker"))
                .findFirst()
                .orElseThrow()
                .id();
        people.change(id, Role.OPERATOR, true);
        assertThat(people.byToken(token).orElseThrow().role()).isEqualTo(Role.OPERATOR);
    }

    @ParameterizedTest
    @CsvSource({
        "localhost, 302",
        "127.0.0.1, 302",
        "tablet-shelf, 302",
        "keel.local, 302",
        "192.168.7.20, 302",
        "evil.example, 400",
        "localhost.evil.example, 400"
    })
    void itAnswersToItsOwnNamesOnly(String host, int status) throws Exception {
        MockHttpServletRequestBuilder request = get("/fleet").with(r -> {
            r.setServerName(host);
            return r;
        });
        assertThat(send(request).getStatus()).isEqualTo(status);
    }

    @Test
    void whatProgramsCanAskForIsReadBySignedInPeopleAndByProgramsWithATokenOnly() throws Exception {
        assertThat(send(get("/api/docs")).getStatus()).isEqualTo(302);
        assertThat(send(get("/api/docs").session(signIn("operator", TestShop.PASSWORD)))
                        .getStatus())
                .isEqualTo(200);
        assertThat(api(shop.token(Role.KEEPER), get("/api/docs"))).isEqualTo(200);
        assertThat(api("keel_nothing", get("/api/docs"))).isEqualTo(401);
    }

    @Test
    void whoWasRefusedStandsInTheLogbook() throws Exception {
        String name = someone("watched");
        signIn(name, "not-the-right-one");
        shop.as("owner");
        assertThat(jdbc.sql("select headline from log_entry where kind = 'SIGN_IN_REFUSED' order by id desc")
                        .query(String.class)
                        .list()
                        .get(0))
                .isEqualTo("A wrong password for Some watched from 127.0.0.1.");
        signIn("nobody-at-all", "not-the-right-one");
        assertThat(jdbc.sql("select count(*) from log_entry where headline like '%nobody-at-all%'")
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    @Test
    void aPasswordKeptAsTheFirstReleasesDidStillOpensAndGoesOver() throws Exception {
        String name = someone("early");
        String old = "{bcrypt}"
                + new org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder(4).encode(TestShop.PASSWORD);
        jdbc.sql("update person set password_hash = ? where sign_in = ?")
                .param(old)
                .param(name)
                .update();
        assertThat(people.byPassword(name, TestShop.PASSWORD)).isPresent();
        assertThat(jdbc.sql("select password_hash from person where sign_in = ?")
                        .param(name)
                        .query(String.class)
                        .single())
                .startsWith("{pbkdf2");
        assertThat(people.byPassword(name, TestShop.PASSWORD)).isPresent();
    }
}
