package keel.app.failures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import keel.app.support.ApiCalls;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Rates and changes for programs, against the same figures as in core; what cannot be is refused in words. */
class StatsApiTest extends ApiCalls {

    @Test
    void ratesAreShrunkAndJudged() throws Exception {
        JsonNode r = post(
                        "/api/v1/stats/rates",
                        "{\"groups\":[{\"id\":\"a\",\"events\":1,\"exposure\":50},{\"id\":\"b\",\"events\":12,"
                                + "\"exposure\":50},{\"id\":\"c\",\"events\":4,\"exposure\":50},{\"id\":\"d\","
                                + "\"events\":7,\"exposure\":50}]}")
                .body();
        assertThat(r.get("alpha").asDouble()).isCloseTo(2.68737, within(5e-5));
        assertThat(r.get("groups").get(1).get("shrunk").asDouble()).isCloseTo(0.202879, within(1e-6));
        assertThat(r.get("groups").get(1).get("rate").asDouble()).isEqualTo(0.24);
    }

    @Test
    void alikeGroupsHaveNoPrior() throws Exception {
        JsonNode r = post("/api/v1/stats/rates", "{\"groups\":[{\"id\":\"a\",\"events\":0,\"exposure\":30}]}")
                .body();
        assertThat(r.get("alpha").isNull()).isTrue();
        assertThat(r.get("groups").get(0).get("high").asDouble()).isCloseTo(0.12296, within(5e-6));
    }

    @Test
    void aChangeIsFoundAndWhere() throws Exception {
        JsonNode r = post("/api/v1/stats/change", "{\"values\":[0,0,0,0,0,1,1,1,1,1],\"kind\":\"SHARE\"}")
                .body();
        assertThat(r.get("changed").asBoolean()).isTrue();
        assertThat(r.get("lastBefore").asInt()).isEqualTo(4);
        JsonNode none = post("/api/v1/stats/change", "{\"values\":[0,0,0,0,1,1,1,1],\"kind\":\"SHARE\"}")
                .body();
        assertThat(none.get("lastBefore").isNull()).isTrue();
        assertThat(none.get("p").asDouble()).isCloseTo(2.0 / 70, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{\"groups\":[]}",
                "{\"groups\":[null]}",
                "{\"groups\":[{\"id\":\"a\",\"events\":1,\"exposure\":0}]}",
                "{\"groups\":[{\"id\":\"a\",\"events\":-1,\"exposure\":2}]}",
                "{\"groups\":[{\"id\":\"a\",\"events\":1}]}",
                "{\"groups\":[{\"id\":\"a\",\"events\":1,\"exposure\":2},{\"id\":\"a\",\"events\":1,\"exposure\":2}]}",
                "{\"groups\":[{\"id\":\"a\",\"events\":1,\"exposure\":2}],\"falseDiscovery\":3}"
            })
    void ratesThatCannotBe(String body) throws Exception {
        assertThat(post("/api/v1/stats/rates", body).status()).isEqualTo(422);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{\"values\":[1,2,3],\"kind\":\"MEAN\"}",
                "{\"values\":[1,2,3,4]}",
                "{\"values\":[1,null,3,4],\"kind\":\"MEAN\"}",
                "{\"values\":[1,2,3,-4],\"kind\":\"COUNT\"}",
                "{\"values\":[1,2,3,4],\"kind\":\"SHARE\"}"
            })
    void changesThatCannotBe(String body) throws Exception {
        assertThat(post("/api/v1/stats/change", body).status()).isEqualTo(422);
    }
}
