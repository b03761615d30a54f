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
}
