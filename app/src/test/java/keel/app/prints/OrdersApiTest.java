package keel.app.prints;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import keel.app.support.ApiCalls;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is still to be printed of an order, through failures and reprints; counted by hand beside it. */
class OrdersApiTest extends ApiCalls {

    private static final String TWO =
            "{\"name\":\"Skiff\",\"dueAt\":\"2031-05-02\",\"parts\":[{\"name\":\"Frame\",\"wanted\":11},"
                    + "{\"name\":\"Rudder\",\"wanted\":2}]}";

    private String machine;
    private Instant from;

    @BeforeEach
    void aMachine() {
        machine = shop.maskMachine();
        from = Instant.now().minus(9, ChronoUnit.DAYS).truncatedTo(ChronoUnit.SECONDS);
    }

    private long order() throws Exception {
        Answer made = post("/api/v1/orders", TWO);
        assertThat(made.status()).isEqualTo(201);
        return made.body().get("id").asLong();
    }

    private Answer run(String more, String end) throws Exception {
        from = from.plus(12, ChronoUnit.HOURS);
        return post(
                "/api/v1/runs",
                ("{\"machine\":\"%s\",\"job\":\"Skiff\",\"startedAt\":\"%s\",\"layers\":900,"
                                + "\"layerExposureS\":2,\"resinMl\":40%s%s}")
                        .formatted(
                                machine,
                                from,
                                end == null
                                        ? ""
                                        : ",\"endedAt\":\"%s\",\"outcome\":\"%s\""
                                                .formatted(from.plus(6, ChronoUnit.HOURS), end),
                                more));
    }

    private static String plate(long order, int frames) {
        return ",\"order\":%d,\"parts\":{\"Frame\":%d}".formatted(order, frames);
    }

    private void stands(long order, int done, int onPlates, int still) throws Exception {
        JsonNode all = get("/api/v1/orders").body();
        JsonNode one = null;
        for (JsonNode o : all) {
            one = o.get("id").asLong() == order ? o : one;
        }
        JsonNode frame = one.get("parts").get(0);
        assertThat(frame.get("name").asText()).isEqualTo("Frame");
        assertThat(frame.get("wanted").asInt()).isEqualTo(11);
        assertThat(frame.get("done").asInt()).isEqualTo(done);
        assertThat(frame.get("onPlates").asInt()).isEqualTo(onPlates);
        assertThat(one.get("stillToPrint").asInt()).isEqualTo(still);
    }

    @Test
    void countsNothingTwiceThroughFailuresAndReprints() throws Exception {
        long order = order();
        stands(order, 0, 0, 13);
        Answer first = run(plate(order, 6), null);
        assertThat(first.status()).isEqualTo(201);
        stands(order, 0, 6, 7);
        String end = "{\"endedAt\":\"%s\",\"outcome\":\"PARTIAL\",\"reachedLayer\":900,\"partsGood\":{\"frame\":4}}"
                .formatted(from.plus(5, ChronoUnit.HOURS));
        Answer ended = post("/api/v1/runs/" + first.body().get("id").asLong() + "/finish", end);
        assertThat(ended.status()).isEqualTo(200);
        stands(order, 4, 0, 9);
        assertThat(run(plate(order, 7), "FAILED").status()).isEqualTo(201);
        stands(order, 4, 0, 9);
        long good = run(plate(order, 7), "GOOD").body().get("id").asLong();
        stands(order, 11, 0, 2);
        Answer corrected = post(
                "/api/v1/runs/" + good + "/corrections", "{\"reason\":\"it was another plate\",\"withdrawn\":true}");
        assertThat(corrected.status()).isEqualTo(200);
        stands(order, 4, 0, 9);
    }

    @Test
    void whatNobodyCountedStaysOnItsPlate() throws Exception {
        long order = order();
        assertThat(run(plate(order, 6), "PARTIAL").status()).isEqualTo(201);
        stands(order, 0, 6, 7);
    }

    @Test
    void refusesWhatCannotBeAndWritesNothingOfIt() throws Exception {
        long order = order();
        assertThat(run(",\"order\":%d,\"parts\":{\"Mast\":1}".formatted(order), "GOOD")
                        .status())
                .isEqualTo(422);
        assertThat(run(",\"order\":%d".formatted(order), "GOOD").status()).isEqualTo(422);
        assertThat(run(",\"parts\":{\"Frame\":1}", "GOOD").status()).isEqualTo(422);
        assertThat(run(plate(order, -1), "GOOD").status()).isEqualTo(422);
        assertThat(run(plate(order, 0), "GOOD").status()).isEqualTo(422);
        assertThat(run(plate(987_654_321, 1), "GOOD").status()).isEqualTo(422);
        stands(order, 0, 0, 13);
        assertThat(get("/api/v1/runs?machine=" + machine).body()).isEmpty();

        Answer open = run(plate(order, 3), null);
        String tooMany = "{\"endedAt\":\"%s\",\"outcome\":\"GOOD\",\"partsGood\":{\"Frame\":4}}"
                .formatted(from.plus(5, ChronoUnit.HOURS));
        String path = "/api/v1/runs/" + open.body().get("id").asLong() + "/finish";
        assertThat(post(path, tooMany).status()).isEqualTo(422);
        assertThat(post(path, tooMany.replace("Frame", "Rudder")).status()).isEqualTo(422);
        stands(order, 0, 3, 10);
        assertThat(post(path, tooMany.replace("4}", "2}")).status()).isEqualTo(200);
        stands(order, 2, 0, 11);
    }

    @Test
    void anOrderHasPartsOfDifferentNamesAndWholeNumbers() throws Exception {
        String[] wrong = {
            "{\"name\":\"\",\"parts\":[{\"name\":\"A\",\"wanted\":1}]}",
            "{\"name\":\"X\",\"parts\":[]}",
            "{\"name\":\"X\"}",
            "{\"name\":\"X\",\"parts\":[null]}",
            "{\"name\":\"X\",\"parts\":[{\"name\":\"A\",\"wanted\":0}]}",
            "{\"name\":\"X\",\"parts\":[{\"name\":\"A\"}]}",
            "{\"name\":\"X\",\"parts\":[{\"name\":\"A\",\"wanted\":1},{\"name\":\"a\",\"wanted\":2}]}",
            "{\"name\":\"X\",\"dueAt\":\"Friday\",\"parts\":[{\"name\":\"A\",\"wanted\":1}]}",
            "{\"name\":\"X\",\"colour\":1,\"parts\":[{\"name\":\"A\",\"wanted\":1}]}"
        };
        for (String body : wrong) {
            assertThat(post("/api/v1/orders", body).status()).as(body).isEqualTo(422);
        }
        assertThat(get("/api/v1/orders/987654321").status()).isEqualTo(404);
    }
}
