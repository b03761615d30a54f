package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import keel.app.support.ApiCalls;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Upkeep put together into visits, for programs. */
class PlanApiTest extends ApiCalls {

    @Test
    void visitsAreSharedWhereThatIsCheaper() throws Exception {
        JsonNode r = post(
                        "/api/v1/plan/group",
                        "{\"visitCost\":6,\"items\":[{\"id\":\"A\",\"bestDay\":2,\"earlyPerDay\":1,\"latePerDay\":4},"
                                + "{\"id\":\"D\",\"bestDay\":6,\"earlyPerDay\":3,\"latePerDay\":3,\"minutes\":20},"
                                + "{\"id\":\"E\",\"bestDay\":9,\"earlyPerDay\":1,\"latePerDay\":1}]}")
                .body();
        assertThat(r.get("cost").asDouble()).isCloseTo(15, within(1e-9));
        assertThat(r.get("alone").asDouble()).isEqualTo(18);
        assertThat(r.get("visits").get(1).toString()).isEqualTo("{\"day\":6,\"ids\":[\"D\",\"E\"]}");
        assertThat(post("/api/v1/plan/group", "{\"visitCost\":6,\"items\":[]}")
                        .body()
                        .get("visits"))
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{\"visitCost\":-1,\"items\":[]}",
                "{\"visitCost\":1,\"items\":[{\"id\":\"A\"}]}",
                "{\"visitCost\":1,\"items\":[{\"id\":\"A\",\"bestDay\":-2,\"earlyPerDay\":1,\"latePerDay\":4}]}",
                "{\"visitCost\":1,\"items\":[{\"id\":\"A\",\"bestDay\":2,\"earlyPerDay\":-1,\"latePerDay\":4}]}"
            })
    void whatCannotBe(String body) throws Exception {
        assertThat(post("/api/v1/plan/group", body).status()).isEqualTo(422);
    }

    @Test
    void errandsAreOrdered() throws Exception {
        Answer answer = post(
                "/api/v1/plan/sequence",
                "{\"workers\":1,\"changeMinutes\":5,\"items\":["
                        + "{\"id\":\"bath\",\"minutes\":10,\"costPerHour\":30,\"deadlineMin\":12,\"place\":\"wash\"},"
                        + "{\"id\":\"film\",\"minutes\":30,\"costPerHour\":6,\"place\":\"bench\"},"
                        + "{\"id\":\"cure\",\"minutes\":5,\"costPerHour\":60,\"releaseMin\":20,\"place\":\"wash\","
                        + "\"after\":[\"bath\"]}]}");
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().get("order").toString()).isEqualTo("[\"bath\",\"cure\",\"film\"]");
        assertThat(answer.body().at("/startMin/film").asDouble()).isEqualTo(30);
        assertThat(answer.body().get("cost").asDouble()).isCloseTo((30 * 10 + 60 * 25 + 6 * 60) / 60.0, within(1e-9));
        assertThat(answer.body().get("lateMin").size()).isZero();
        assertThat(answer.body().get("proven").asBoolean()).isTrue();
        assertThat(answer.body().get("lowerBound").asDouble())
                .isLessThanOrEqualTo(answer.body().get("cost").asDouble());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"items\":[{\"id\":\"a\",\"minutes\":1,\"costPerHour\":1,\"after\":[\"a\"]}]}",
                "{\"items\":[{\"id\":\"a\",\"minutes\":1,\"costPerHour\":1,\"after\":[\"z\"]}]}",
                "{\"items\":[{\"id\":\"a\",\"minutes\":-1,\"costPerHour\":1}]}",
                "{\"items\":[{\"id\":\"a\",\"minutes\":1}]}",
                "{\"items\":[null]}",
                "{\"workers\":0,\"items\":[]}",
                "{\"objective\":\"SPEED\",\"items\":[]}",
                "{\"items\":[{\"id\":\"a\",\"minutes\":1,\"costPerHour\":1,\"unlocks\":\"M\"}]}",
                "{\"items\":[{\"id\":\"a\",\"minutes\":1,\"costPerHour\":1},"
                        + "{\"id\":\"a\",\"minutes\":1,\"costPerHour\":1}]}"
            })
    void whatCannotBeOrderedIsRefused(String body) throws Exception {
        assertThat(post("/api/v1/plan/sequence", body).status()).isEqualTo(422);
    }
}
