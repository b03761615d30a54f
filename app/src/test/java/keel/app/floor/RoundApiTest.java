package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.stream.StreamSupport;
import keel.app.support.ApiCalls;
import org.junit.jupiter.api.Test;

/** The round for programs. */
class RoundApiTest extends ApiCalls {

    private JsonNode line(JsonNode items, String machine) {
        return StreamSupport.stream(items.spliterator(), false)
                .filter(i -> machine.equals(i.get("machine").asText())
                        && i.get("url").asText().endsWith("/do/PLATE_CLEARED"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void eachLineSaysWhatWhereHowLongAndWhy() throws Exception {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        JsonNode round = get("/api/v1/round").body();
        JsonNode line = line(round.get("items"), m);
        assertThat(line.get("task").asText()).isEqualTo("Clear the plate");
        assertThat(line.get("place").asText()).isEqualTo(shop.now(m).room());
        assertThat(line.get("minutes").asDouble()).isPositive();
        assertThat(line.get("costPerHour").asDouble()).isPositive();
        assertThat(line.get("why").asText()).contains("must not until it is done");
        assertThat(line.get("startAt").asText()).isNotEmpty();
        assertThat(line.get("deadline").isNull()).isTrue();
        assertThat(line.get("needs").isArray()).isTrue();
        assertThat(round.get("items").get(0).get("n").asInt()).isEqualTo(1);
    }

    @Test
    void theMinutesAreKept() throws Exception {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        JsonNode round = get("/api/v1/round?minutes=4").body();
        double sum = 0;
        for (JsonNode i : round.get("items")) {
            sum += i.get("minutes").asDouble();
        }
        assertThat(sum).isLessThanOrEqualTo(4);
        JsonNode none = get("/api/v1/round?minutes=0").body();
        assertThat(none.get("items").size()).isZero();
        assertThat(none.get("notToday").size()).isPositive();
    }

    @Test
    void whatCannotBeIsRefused() throws Exception {
        assertThat(get("/api/v1/round?minutes=-1").status()).isEqualTo(422);
        assertThat(get("/api/v1/round?person=nobody-here").status()).isEqualTo(422);
        assertThat(get("/api/v1/round?workers=0").status()).isEqualTo(422);
        assertThat(get("/api/v1/round?person=operator").status()).isEqualTo(200);
    }
}
