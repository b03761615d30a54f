package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.ServletContext;
import java.util.List;
import java.util.stream.StreamSupport;
import keel.app.people.Role;
import keel.app.support.AppTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** What programs send and nobody reads, stands there twice, or is too much, is refused in words. */
class StrictBodiesTest extends AppTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired
    private MockMvc mvc;

    private String token;

    @BeforeEach
    void open() {
        token = shop.token(Role.OWNER);
    }

    private MockHttpServletResponse post(String path, MediaType type, byte[] body) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.post("/api/v1" + path)
                        .header("Authorization", "Bearer " + token)
                        .contentType(type)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private JsonNode refused(int status, String path, String body) throws Exception {
        MockHttpServletResponse answer = post(path, MediaType.APPLICATION_JSON, body.getBytes());
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(status);
        return JSON.readTree(answer.getContentAsString());
    }

    private static List<String> fields(JsonNode problem) {
        return StreamSupport.stream(problem.get("errors").spliterator(), false)
                .map(e -> e.get("field").asText())
                .toList();
    }

    @Test
    void everyUnknownFieldIsNamed() throws Exception {
        String machine = shop.maskMachine();
        JsonNode problem = refused(
                422,
                "/runs",
                "{\"machine\":\"%s\",\"jobb\":\"x\",\"override\":{\"reason\":\"r\",\"by\":1},\"layer\":[1,{\"a\":2}]}"
                        .formatted(machine));
        assertThat(fields(problem)).containsExactlyInAnyOrder("jobb", "override.by", "layer");
        assertThat(problem.get("detail").asText()).contains("There is no field jobb here.");
        assertThat(fields(refused(
                        422,
                        "/services",
                        "{\"machine\":\"%s\",\"kind\":\"LEVELLING\",\"school\":\"PAPER\",\"schoool\":\"PAPER\"}"
                                .formatted(machine))))
                .containsExactly("schoool");
    }

    @Test
    void aFieldThatStandsThereTwiceIsNamed() throws Exception {
        assertThat(fields(refused(422, "/services", "{\"machine\":\"a\",\"machine\":\"b\",\"kind\":\"LEVELLING\"}")))
                .containsExactly("machine");
        assertThat(fields(refused(422, "/runs", "{\"machine\":\"a\",\"override\":{\"reason\":1,\"reason\":2}}")))
                .containsExactly("reason");
    }

    /** Whether it says beforehand how long it is or not. */
    @Test
    void moreThanAMegabyteIsNotRead() throws Exception {
        byte[] long1 = ("{\"note\":\"" + "x".repeat(1 << 20) + "\"}").getBytes();
        assertThat(post("/failures", MediaType.APPLICATION_JSON, long1).getStatus())
                .isEqualTo(413);
        MockHttpServletResponse unsaid =
                mvc.perform(context -> unsaid(context, long1)).andReturn().getResponse();
        assertThat(unsaid.getStatus()).isEqualTo(413);
    }

    /** Only a sliced file may be so large; it is refused for what it is. */
    @Test
    void otherFilesThanSlicedOnesAreRefusedBeforeTheyAreRead() throws Exception {
        byte[] large = new byte[31 * 1024 * 1024];
        MediaType form = MediaType.parseMediaType("multipart/form-data;boundary=x");
        assertThat(post("/film/tone", form, large).getStatus()).isEqualTo(413);
        assertThat(post("/files/check", form, large).getStatus()).isEqualTo(422);
    }

    private MockHttpServletRequest unsaid(ServletContext context, byte[] body) {
        MockHttpServletRequest request = new MockHttpServletRequest(context, "POST", "/api/v1/failures") {
            @Override
            public long getContentLengthLong() {
                return -1;
            }
        };
        request.setPathInfo(request.getRequestURI());
        request.addHeader("Authorization", "Bearer " + token);
        request.setContentType(MediaType.APPLICATION_JSON_VALUE);
        request.setContent(body);
        return request;
    }

    /** What is sent as something else than it must be, or broken: never an answer in the 500s. */
    @ParameterizedTest
    @CsvSource({
        "/failures/1/photos, text/plain",
        "/film/tone, application/x-www-form-urlencoded",
        "/film/tone, multipart/form-data",
        "/screen/inspections, application/json",
        "/runs, text/plain",
        "/runs, application/xml",
        "/runs, application/json",
    })
    void theWrongKindOfBodyIsRefused(String path, String type) throws Exception {
        for (String body : List.of("", "null", "[]", "{", "\"x\"", "0", "{\"a\":", "\u0000")) {
            assertThat(post(path, MediaType.valueOf(type), body.getBytes()).getStatus())
                    .as(path + " " + type + " " + body)
                    .isBetween(400, 499);
        }
    }
}
