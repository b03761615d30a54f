package keel.app.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
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

/** Air for programs; the figures are those of the core's tests. */
class AirApiTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired
    private MockMvc mvc;

    private String token;

    @BeforeEach
    void open() {
        shop.people();
        token = shop.token(Role.OWNER);
    }

    private MockHttpServletResponse post(String path, String body) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.post("/api/v1/air/" + path)
                        .header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private JsonNode answer(String path, String body) throws Exception {
        MockHttpServletResponse response = post(path, body);
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        return JSON.readTree(response.getContentAsString());
    }

    /** 200 m³/h through nothing into 20 m³: ten changes an hour, 28 and 41 minutes (CDC 2003, table B.1). */
    @Test
    void aPlanIsAnswered() throws Exception {
        JsonNode plan = answer(
                "plan",
                "{\"room\":{\"volumeM3\":20},\"fan\":{\"points\":[{\"flowM3H\":0,\"pressurePa\":60},"
                        + "{\"flowM3H\":200,\"pressurePa\":0}]},\"ducts\":[],\"fittings\":[]}");
        assertThat(plan.get("flowM3H").doubleValue()).isCloseTo(200, within(1e-6));
        assertThat(Math.round(plan.get("purgeMinutes").get("99").doubleValue())).isEqualTo(28);
        assertThat(Math.round(plan.get("purgeMinutes").get("99.9").doubleValue()))
                .isEqualTo(41);
        JsonNode hose = answer(
                "plan",
                "{\"room\":{\"volumeM3\":20,\"mixingFactor\":3},\"fan\":{\"points\":[{\"flowM3H\":0,"
                        + "\"pressurePa\":60},{\"flowM3H\":200,\"pressurePa\":0}]},"
                        + "\"ducts\":[{\"diameterMm\":75,\"lengthM\":2}]}");
        assertThat(hose.get("flowM3H").doubleValue()).isBetween(60.0, 180.0);
        assertThat(hose.get("velocityMs")).hasSize(1);
    }

    @Test
    void aDecayAndAVapourAreAnswered() throws Exception {
        StringBuilder samples = new StringBuilder();
        for (int t = 0; t < 30; t++) {
            samples.append(t == 0 ? "" : ",")
                    .append("{\"minutes\":")
                    .append(t)
                    .append(",\"value\":")
                    .append(50 + 800 * Math.exp(-6 * t / 60.0))
                    .append('}');
        }
        assertThat(answer("decay", "{\"samples\":[" + samples + "],\"background\":50}")
                        .get("airChangesPerHour")
                        .doubleValue())
                .isCloseTo(6, within(1e-6));
        assertThat(answer(
                                "vapour",
                                "{\"volumeM3\":40,\"flowM3H\":0,\"evaporationGPerH\":60.1,\"molarMass\":60.1,"
                                        + "\"minutes\":60}")
                        .get("ppm")
                        .doubleValue())
                .isCloseTo(611.25, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "plan|{\"room\":{\"volumeM3\":0},\"fan\":{\"points\":[{\"flowM3H\":0,\"pressurePa\":60},"
                        + "{\"flowM3H\":200,\"pressurePa\":0}]}}",
                "plan|{}",
                "plan|{\"room\":{\"volumeM3\":20},\"fan\":{\"points\":[{\"flowM3H\":90,\"pressurePa\":1},"
                        + "{\"flowM3H\":100,\"pressurePa\":0}]},\"ducts\":[{\"diameterMm\":20,\"lengthM\":30}]}",
                "plan|{\"room\":{\"volumeM3\":20},\"fan\":{\"points\":[null,{\"flowM3H\":100,\"pressurePa\":0}]},"
                        + "\"ducts\":[null]}",
                "decay|{\"samples\":[{\"minutes\":0,\"value\":1},{\"minutes\":1,\"value\":2},{\"minutes\":2,"
                        + "\"value\":3},{\"minutes\":3,\"value\":4},{\"minutes\":4,\"value\":5},"
                        + "{\"minutes\":5,\"value\":6}]}",
                "decay|{}",
                "vapour|{\"volumeM3\":0,\"flowM3H\":10,\"evaporationGPerH\":5,\"minutes\":5}",
                "vapour|{\"volumeM3\":20,\"flowM3H\":-1,\"evaporationGPerH\":5,\"minutes\":5}"
            })
    void whatCannotBeIsRefused(String path, String body) throws Exception {
        assertThat(post(path, body).getStatus()).isEqualTo(422);
    }

    @Test
    void notANumberIsNoNumber() throws Exception {
        assertThat(post("vapour", "{\"volumeM3\":\"NaN\",\"flowM3H\":10,\"evaporationGPerH\":5,\"minutes\":5}")
                        .getStatus())
                .isBetween(400, 422);
    }
}
