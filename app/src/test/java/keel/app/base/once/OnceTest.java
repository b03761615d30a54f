package keel.app.base.once;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.people.Role;
import keel.app.support.AtOnce;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** A lost answer, a second tap: what carries a key is written once. */
class OnceTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcClient jdbc;

    private String token;
    private String machine;
    private String key;

    @BeforeEach
    void open() {
        token = shop.token(Role.OWNER);
        machine = shop.maskMachine();
        key = UUID.randomUUID().toString();
        shop.as("keeper");
    }

    private MockHttpServletResponse post(String as, String path, String body) throws Exception {
        try {
            return mvc.perform(MockMvcRequestBuilders.post("/api/v1" + path)
                            .header("Authorization", "Bearer " + as)
                            .header("Idempotency-Key", key)
                            .contentType(MediaType.APPLICATION_JSON)
                            .content(body))
                    .andReturn()
                    .getResponse();
        } finally {
            SecurityContextHolder.clearContext();
            shop.as("keeper");
        }
    }

    private String run(String job) {
        return ("{\"machine\":\"%s\",\"startedAt\":\"2025-03-01T08:00:00Z\",\"endedAt\":\"2025-03-01T12:00:00Z\","
                        + "\"outcome\":\"GOOD\",\"layers\":400,\"layerExposureS\":2.4,\"resinMl\":40,\"job\":\"%s\"}")
                .formatted(machine, job);
    }

    private String levelled(String note) {
        return "{\"machine\":\"%s\",\"kind\":\"LEVELLING\",\"school\":\"PAPER\",\"note\":\"%s\"}"
                .formatted(machine, note);
    }

    private int services() {
        return jdbc.sql("select count(*) from service s join machine m on m.id = s.machine_id where m.code = ?")
                .param(machine)
                .query(Integer.class)
                .single();
    }

    @Test
    void aRepeatGetsTheFirstAnswerAndWritesNothing() throws Exception {
        MockHttpServletResponse first = post(token, "/runs", run("Once"));
        assertThat(first.getStatus()).isEqualTo(201);
        MockHttpServletResponse again = post(token, "/runs", run("Once"));
        assertThat(again.getStatus()).isEqualTo(201);
        assertThat(again.getContentType()).isEqualTo(first.getContentType());
        assertThat(again.getHeader("Keel-Again")).isEqualTo("true");
        JsonNode told = JSON.readTree(again.getContentAsString());
        assertThat(told).isEqualTo(JSON.readTree(first.getContentAsString()));
    }

    @Test
    void eightAtTheSameMomentWriteOnce() throws Exception {
        int before = services();
        List<Object> answers = AtOnce.times(8, () -> {
            MockHttpServletResponse answer = post(token, "/services", levelled("eight"));
            return answer.getStatus() + " "
                    + JSON.readTree(answer.getContentAsString()).path("id");
        });
        assertThat(answers).doesNotHaveAnyElementsOfTypes(Throwable.class);
        assertThat(answers.stream().distinct()).hasSize(1).allMatch(a -> a.toString()
                .startsWith("201 "));
        assertThat(services()).isEqualTo(before + 1);
    }

    @Test
    void aKeyStandsForOneRequestOfOnePerson() throws Exception {
        int before = services();
        assertThat(post(token, "/services", levelled("one")).getStatus()).isEqualTo(201);
        assertThat(post(token, "/services", levelled("another")).getStatus()).isEqualTo(422);
        assertThat(services()).isEqualTo(before + 1);
        assertThat(post(shop.token(Role.KEEPER), "/services", levelled("another"))
                        .getStatus())
                .as("somebody else's key")
                .isEqualTo(201);
        key = "k".repeat(101);
        assertThat(post(token, "/services", levelled("long")).getStatus()).isEqualTo(422);
        key = "k".repeat(99) + UUID.randomUUID().toString().charAt(0);
        assertThat(post(token, "/services", levelled("long")).getStatus()).isEqualTo(201);
        assertThat(services()).isEqualTo(before + 3);
    }

    /** What was refused wrote nothing: the same may be sent again once the reason is gone. */
    @Test
    void aRefusalIsNotRemembered() throws Exception {
        String start = "{\"machine\":\"%s\",\"job\":\"Waits\",\"layers\":400,\"layerExposureS\":2.4,\"resinMl\":40}"
                .formatted(machine);
        shop.service(machine, "PLATE_WORK", 1, "work", "ABRADED");
        assertThat(post(token, "/runs", start).getStatus()).isEqualTo(409);
        shop.service(machine, "LEVELLING", 2, "school", "PAPER");
        assertThat(post(token, "/runs", start).getStatus()).isEqualTo(201);
        assertThat(post(token, "/runs", start).getStatus()).isEqualTo(201);
    }

    /** Cut off after it was written and before the answer was kept: it is said, and not written again. */
    @Test
    void anAnswerThatIsNotKnownAnyMoreIsSaidSo() throws Exception {
        int before = services();
        post(token, "/services", levelled("cut off"));
        jdbc.sql("update written_once set status = null, body = null where code = ?")
                .param(key)
                .update();
        MockHttpServletResponse again = post(token, "/services", levelled("cut off"));
        assertThat(again.getStatus()).isEqualTo(409);
        assertThat(again.getContentAsString()).contains("This was written, once.");
        assertThat(services()).isEqualTo(before + 1);
    }

    @Test
    void aKeyIsForgottenAfterADay() throws Exception {
        int before = services();
        post(token, "/services", levelled("old"));
        jdbc.sql("update written_once set at = dateadd(hour, -25, at) where code = ?")
                .param(key)
                .update();
        assertThat(post(token, "/services", levelled("old")).getStatus()).isEqualTo(201);
        assertThat(services()).isEqualTo(before + 2);
    }

    /** What only computes leaves nothing behind. */
    @Test
    void aQuestionIsNoWrite() throws Exception {
        assertThat(post(token, "/resin/working-curve", "{\"pairs\":[]}").getStatus())
                .isNotEqualTo(404);
        assertThat(post(token, "/runs/estimate", "{\"machine\":\"" + machine + "\",\"layers\":100}")
                        .getStatus())
                .isNotEqualTo(404);
        assertThat(jdbc.sql("select count(*) from written_once where code = ?")
                        .param(key)
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    @Test
    void everyFormThatWritesCarriesAKeyOfItsOwnAndASecondTapIsAnsweredLikeTheFirst() {
        String html = page("/machines/" + machine + "/services/LEVELLING");
        Matcher keys =
                Pattern.compile("name=\"once\" value=\"([0-9a-f-]{36})\"").matcher(html);
        assertThat(keys.results().map(r -> r.group(1)).toList())
                .hasSizeGreaterThan(1)
                .doesNotHaveDuplicates();
        int before = services();
        String path = "/machines/" + machine + "/services/LEVELLING";
        String first = accepted(path, "school", "PAPER", "once", key);
        assertThat(accepted(path, "school", "PAPER", "once", key)).isEqualTo(first);
        assertThat(services()).isEqualTo(before + 1);
        assertThat(accepted(path, "school", "ON_FILM", "once", key))
                .as("somebody went back and changed it")
                .isEqualTo(first);
        assertThat(services()).isEqualTo(before + 2);
    }
}
