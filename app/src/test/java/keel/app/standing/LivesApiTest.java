package keel.app.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import keel.app.people.Role;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Lives and placement for programs, against the published examples that the core is checked with. */
class LivesApiTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired
    private MockMvc api;

    private String token;

    private record Answer(int status, JsonNode body) {}

    @BeforeEach
    void token() {
        shop.people();
        token = shop.token(Role.OPERATOR);
    }

    /** NIST/SEMATECH e-Handbook 8.4.1.2. */
    @Test
    void theHandbooksExampleIsFitted() throws Exception {
        String lives = lives(true, 54, 187, 216, 240, 244, 335, 361, 373, 375, 386) + ","
                + lives(false, 500, 500, 500, 500, 500, 500, 500, 500, 500, 500);
        JsonNode fit = post("/life/fit", "{\"lives\":[" + lives + "],\"method\":\"MLE\"}")
                .body();
        assertThat(fit.get("shape").asDouble()).isCloseTo(1.7208, within(1e-4));
        assertThat(fit.get("scaleHours").asDouble()).isCloseTo(606.53, within(0.01));
        assertThat(fit.at("/interval80/shape/0").asDouble()).isLessThan(1.7208);
        assertThat(fit.at("/interval80/scaleHours/1").asDouble()).isGreaterThan(606.53);
        assertThat(fit.get("survival")).hasSize(10);
        assertThat(fit.at("/survival/0/probability").asDouble()).isCloseTo(0.95, within(1e-12));
    }

    @Test
    void withoutAnEndOnlyThePriorSpeaks() throws Exception {
        assertThat(field(post("/life/fit", "{\"lives\":[" + lives(false, 100, 200) + "],\"method\":\"MLE\"}")))
                .isEqualTo("lives");
        JsonNode prior = post("/life/fit", "{\"lives\":[],\"method\":\"BAYES\",\"kind\":\"TANK\"}")
                .body();
        assertThat(prior.get("shape").asDouble()).isCloseTo(3, within(0.05));
        assertThat(prior.get("scaleHours").asDouble()).isCloseTo(170, within(2.0));
        assertThat(prior.get("survival")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"lives\":[{\"hours\":0,\"ended\":true}]}|lives[0].hours",
                "{\"lives\":[{\"hours\":-3,\"ended\":true}]}|lives[0].hours",
                "{\"lives\":[{\"hours\":5}]}|lives[0].ended",
                "{}|lives",
                "{\"lives\":[],\"method\":\"GUESS\"}|method",
                "{\"lives\":[null]}|lives[0]",
                "{\"lives\":[{\"hours\":100,\"ended\":true},{\"hours\":100,\"ended\":true}]}|lives"
            })
    void whatCannotBeFittedIsSaidAtItsField(String body, String field) throws Exception {
        assertThat(field(post("/life/fit", body))).isEqualTo(field);
    }

    /** By hand: 1 − exp(−((450 + 8)/450)² + 1) for shape 2, scale 450 at 450 h. */
    @Test
    void whatIsLeftFollowsFromTheLife() throws Exception {
        JsonNode left = post("/life/remaining", "{\"shape\":2,\"scaleHours\":450,\"ageHours\":450,\"jobHours\":8}")
                .body();
        assertThat(left.get("failsDuringJob").asDouble())
                .isCloseTo(1 - Math.exp(1 - Math.pow(458.0 / 450, 2)), within(1e-12));
        assertThat(left.get("medianHours").asDouble()).isCloseTo(450 * Math.sqrt(1 + Math.log(2)) - 450, within(1e-9));
        assertThat(left.get("tenPercentHours").asDouble())
                .isLessThan(left.get("medianHours").asDouble());
        assertThat(field(post("/life/remaining", "{\"shape\":2,\"scaleHours\":450,\"ageHours\":-1,\"jobHours\":8}")))
                .isEqualTo("ageHours");
    }

    /** Barlow and Hunter 1960: 0.382 of the scale, 3.95 of a planned change. */
    @Test
    void whenToChangeFollowsFromLifeAndCosts() throws Exception {
        JsonNode best = post(
                        "/life/replacement", "{\"shape\":3,\"scaleHours\":100,\"plannedCost\":1,\"failureCost\":10}")
                .body();
        assertThat(best.get("replaceAtHours").asDouble()).isCloseTo(38.2, within(0.05));
        assertThat(best.get("costPerHour").asDouble()).isCloseTo(0.0395, within(0.0001));
        JsonNode never = post(
                        "/life/replacement", "{\"shape\":0.9,\"scaleHours\":100,\"plannedCost\":1,\"failureCost\":10}")
                .body();
        assertThat(never.get("replaceAtHours").isNull()).isTrue();
        assertThat(never.get("advice").asText()).contains("until it shows signs");
        assertThat(post("/life/replacement", "{\"shape\":3,\"scaleHours\":100,\"plannedCost\":11,\"failureCost\":10}")
                        .body()
                        .get("why")
                        .asText())
                .isEqualTo("NOT_DEARER");
        assertThat(field(post(
                        "/life/replacement", "{\"shape\":3,\"scaleHours\":100,\"plannedCost\":0,\"failureCost\":10}")))
                .isEqualTo("plannedCost");
    }

    @Test
    void aFootprintIsPlacedWhereThePlateIsLeastWorn() throws Exception {
        JsonNode placed = post(
                        "/plate/placement",
                        "{\"plateMm\":[144,80],\"footprintMm\":[40,30],\"marginMm\":2,\"spots\":[{\"xMm\":130,"
                                + "\"yMm\":70,\"sizeMm\":3}],"
                                + "\"wear\":[[5,1],[5,0]],\"diagonal\":false}")
                .body();
        assertThat(placed.get("fits").asBoolean()).isTrue();
        assertThat(placed.get("wear").asDouble()).isCloseTo(0, within(1e-9));
        assertThat(placed.get("wearAtCentre").asDouble()).isCloseTo(2.75, within(1e-9));
        JsonNode large = post("/plate/placement", "{\"plateMm\":[144,80],\"footprintMm\":[200,90]}")
                .body();
        assertThat(large.get("fits").asBoolean()).isFalse();
        assertThat(large.get("xMm").isNull()).isTrue();
        assertThat(field(post("/plate/placement", "{\"plateMm\":[144,80],\"footprintMm\":[0,90]}")))
                .isEqualTo("footprintMm");
        assertThat(field(post(
                        "/plate/placement", "{\"plateMm\":[144,80],\"footprintMm\":[20,10],\"wear\":[[1,2],[1]]}")))
                .isEqualTo("wear");
        assertThat(field(post("/plate/placement", "{\"footprintMm\":[20,10]}"))).isEqualTo("plateMm");
    }

    private static String lives(boolean ended, double... hours) {
        return DoubleStream.of(hours)
                .mapToObj(h -> "{\"hours\":" + h + ",\"ended\":" + ended + "}")
                .collect(Collectors.joining(","));
    }

    private static String field(Answer answer) {
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
        return answer.body().at("/errors/0/field").asText();
    }

    private Answer post(String path, String body) throws Exception {
        MockHttpServletResponse response = api.perform(MockMvcRequestBuilders.post("/api/v1" + path)
                        .header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
        return new Answer(response.getStatus(), JSON.readTree(response.getContentAsString()));
    }
}
