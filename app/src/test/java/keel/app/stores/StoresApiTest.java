package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import keel.app.base.Conflict;
import keel.app.people.Role;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Stores for programs: pours from bottles, reorder points, the buying list, the cost of a print. */
class StoresApiTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Stock stock;

    @Autowired
    private Buying buying;

    @Autowired
    private Bottles bottles;

    @Autowired
    private JdbcClient jdbc;

    private String token;
    private String machine;
    private String vat;

    @BeforeEach
    void open() {
        shop.people();
        token = shop.token(Role.OWNER);
        machine = shop.maskMachine();
        vat = shop.now(machine).vat().code();
        shop.as("keeper");
    }

    private MockHttpServletResponse post(String path, String body) throws Exception {
        MockHttpServletResponse answer = mvc.perform(MockMvcRequestBuilders.post("/api/v1" + path)
                        .header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
        SecurityContextHolder.clearContext();
        shop.as("keeper");
        return answer;
    }

    private JsonNode get(String path) throws Exception {
        JsonNode answer = JSON.readTree(
                mvc.perform(MockMvcRequestBuilders.get("/api/v1" + path).header("Authorization", "Bearer " + token))
                        .andReturn()
                        .getResponse()
                        .getContentAsString());
        SecurityContextHolder.clearContext();
        shop.as("keeper");
        return answer;
    }

    private static JsonNode json(MockHttpServletResponse answer) throws Exception {
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isBetween(200, 201);
        return JSON.readTree(answer.getContentAsString());
    }

    private String bottle(String resin, double ml) throws Exception {
        return json(post("/bottles", "{\"resin\":\"%s\",\"fullMl\":%s,\"price\":38}".formatted(resin, ml)))
                .get(0)
                .asText();
    }

    private MockHttpServletResponse pour(String bottle, double ml, String kind) throws Exception {
        return post(
                "/vats/" + vat + "/pours", "{\"bottle\":\"%s\",\"ml\":%s,\"kind\":\"%s\"}".formatted(bottle, ml, kind));
    }

    /** The vat of this model holds 280 ml to its line. */
    @Test
    void aPourKnowsWhatItTakesAndWhatTheVatHolds() throws Exception {
        String grey = shop.resin("Grey");
        String code = bottle(grey, 500);
        JsonNode poured = json(pour(code, 200, "POUR"));
        assertThat(poured.get("vatMl").asDouble()).isEqualTo(200);
        assertThat(poured.get("bottleLeftMl").asDouble()).isEqualTo(300);
        assertThat(pour(code, 120, "TOP_UP").getStatus())
                .as("320 ml are more than its line")
                .isEqualTo(409);
        assertThat(pour(code, 120, "TOP_UP").getContentAsString()).contains("280 ml");
        assertThat(json(pour(code, 60, "TOP_UP")).get("vatMl").asDouble()).isEqualTo(260);
        JsonNode back = json(pour(code, 100, "RETURN"));
        assertThat(back.get("vatMl").asDouble()).isEqualTo(160);
        assertThat(back.get("bottleLeftMl").asDouble()).isEqualTo(340);
        assertThat(json(pour(code, 0, "SIEVE")).get("vatMl").asDouble()).isEqualTo(160);
        assertThat(shop.now(machine).resinMl()).isEqualTo(160);
        assertThat(pour(code, 200, "RETURN").getStatus())
                .as("more than is in the vat")
                .isEqualTo(409);
        accepted("/pours/" + back.get("id").asLong() + "/withdraw", "reason", "it was not so", "back", machine);
        assertThat(shop.now(machine).resinMl()).isEqualTo(260);
        assertThat(bottles.one(code, "bottle").leftMl()).isEqualTo(240);
    }

    @Test
    void whatWouldMixIsRefusedWithTheReason() throws Exception {
        String grey = bottle(shop.resin("Grey"), 500);
        String blue = bottle(shop.resin("Blue"), 500);
        json(pour(grey, 100, "POUR"));
        MockHttpServletResponse mixed = pour(blue, 50, "TOP_UP");
        assertThat(mixed.getStatus()).isEqualTo(409);
        assertThat(mixed.getContentAsString()).contains("they would mix");
        assertThat(pour(blue, 50, "RETURN").getStatus()).isEqualTo(409);
        assertThat(bottles.one(blue, "bottle").leftMl()).as("nothing was taken").isEqualTo(500);
        accepted("/machines/" + machine + "/services/CLEAN_UP", "way", "FULL", "emptied", "true", "at", "");
        json(pour(blue, 50, "POUR"));
    }

    @Test
    void moreThanABottleHoldsAnUnknownOneAndNonsenseAreRefused() throws Exception {
        String code = bottle(shop.resin("Grey"), 100);
        assertThat(pour(code, 150, "POUR").getStatus()).isEqualTo(409);
        assertThat(pour("B99999", 50, "POUR").getStatus()).isEqualTo(422);
        assertThat(pour(code, -5, "POUR").getStatus()).isEqualTo(422);
        assertThat(post("/vats/" + vat + "/pours", "{\"ml\":50}").getStatus()).isEqualTo(422);
        assertThat(pour(code, 50, "SPILL").getStatus()).isEqualTo(400);
        assertThat(post("/bottles", "{\"resin\":\"nothing\",\"fullMl\":1000}").getStatus())
                .isEqualTo(422);
        bottles.emptied(code, true);
        assertThat(pour(code, 50, "POUR").getStatus()).as("empty").isEqualTo(409);
    }

    /** The scanner's text does as well as the code. */
    @Test
    void aBottleIsScanned() throws Exception {
        String code = bottle(shop.resin("Grey"), 500);
        accepted("/machines/" + machine + "/pour", "scanned", "VK-B-" + code, "kind", "POUR", "ml", "80,5");
        assertThat(shop.now(machine).resinMl()).isEqualTo(80.5);
        assertThat(page("/machines/" + machine + "/pour"))
                .contains("About 80 ml")
                .contains("value=\"199\"");
        refused(
                409,
                "stands over its most",
                "/machines/" + machine + "/pour",
                "bottle",
                code,
                "kind",
                "TOP_UP",
                "ml",
                "300");
        assertThat(page("/stores/bottles")).contains(code);
        accepted("/stores/bottles/" + code, "do", "left", "leftMl", "390");
        assertThat(bottles.one(code, "bottle").leftMl()).isEqualTo(390);
        refused(422, "What is left must be between", "/stores/bottles/" + code, "do", "left", "leftMl", "900");
    }

    /** Heizer and Render (from memory): 150 a day, sd 16, 5 days, sd 1, 95 %: about 1004. */
    @Test
    void theReorderPointIsThatOfTheTextbook() throws Exception {
        JsonNode r = json(post(
                "/stores/reorder",
                "{\"dailyDemand\":150,\"dailyDemandSd\":16,\"leadDays\":5,\"leadDaysSd\":1,"
                        + "\"serviceLevel\":0.95,\"packSize\":1000,\"coverDays\":30}"));
        assertThat(r.get("reorderPoint").asDouble()).isCloseTo(1003.65, within(0.1));
        assertThat(r.get("safetyStock").asDouble()).isCloseTo(253.65, within(0.1));
        assertThat(r.get("orderQuantity").asDouble()).isEqualTo(5000);
        assertThat(post(
                                "/stores/reorder",
                                "{\"dailyDemand\":1,\"dailyDemandSd\":1,\"leadDays\":5,\"leadDaysSd\":1,"
                                        + "\"serviceLevel\":1,\"packSize\":1}")
                        .getStatus())
                .isEqualTo(422);
        assertThat(post("/stores/reorder", "{\"dailyDemandSd\":1,\"leadDays\":5,\"serviceLevel\":0.9}")
                        .getStatus())
                .isEqualTo(422);
    }

    /** The print of docs/stores.md. */
    @Test
    void aPrintIsCostedLineByLine() throws Exception {
        JsonNode cost = json(
                post(
                        "/cost/print",
                        """
                {"resinMl":85,"resinPricePerL":38,"hours":5.5,"uvHours":1.6,"filmPrice":5,"filmLifeHours":440,\
                "screenPrice":78,"screenLifeUvHours":900,"labourMinutes":14,"labourPricePerHour":18,
                 "energyKwh":0.33,"energyPrice":0.31,"other":[{"name":"Towels","amount":0.2}],"successRate":0.85}"""));
        assertThat(cost.get("perAttempt").asDouble()).isCloseTo(7.9335, within(1e-3));
        assertThat(cost.get("perGoodPrint").asDouble()).isCloseTo(9.3335, within(1e-3));
        assertThat(cost.get("lines")).hasSize(6);
        assertThat(cost.at("/lines/0/name").asText()).isEqualTo("Resin");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"resinMl\":85,\"successRate\":0}",
                "{\"resinMl\":-1}",
                "{\"hours\":5,\"filmPrice\":5,\"filmLifeHours\":0}",
                "{\"other\":[{\"amount\":3}]}"
            })
    void aCostThatCannotBeIsRefused(String body) throws Exception {
        assertThat(post("/cost/print", body).getStatus()).isEqualTo(422);
    }

    /**
     * Two a day for sixty days, a week until it comes: 14 on the way at least, and what is used up in thirty days in
     * packs of fifty.
     */
    @Test
    void theBuyingListSaysWhatAndWhy() throws Exception {
        String item = shop.item("Towels", 150);
        buying.change(item, new Buying.Terms(50.0, 0.2, "Somebody", "Shelf 1", 7.0, 0.0, "SOME"));
        for (int day = 1; day <= 60; day++) {
            used(item, 2, day);
        }
        used(item, 0.5, 0);
        JsonNode line = find(get("/stock"), item);
        assertThat(line.get("reorderPoint").asDouble()).isBetween(14.0, 16.0);
        assertThat(line.get("quantity").asDouble()).isEqualTo(29.5);
        assertThat(find(get("/buying-list"), item)).isNull();
        stock.move(item, -17.0, "used");
        JsonNode buy = find(get("/buying-list"), item);
        assertThat(buy.get("quantity").asDouble()).isEqualTo(100);
        assertThat(buy.get("why").asText()).contains("12.5 pieces there").contains("a day");
        long order = buying.order(item, 100.0, 0.25);
        assertThat(find(get("/buying-list"), item)).as("it is on its way").isNull();
        assertThat(page("/stores/buying")).contains("on its way");
        accepted("/stores/orders/" + order + "/receive", "quantity", "90");
        assertThat(stock.one(item).quantity()).isEqualTo(102.5);
        assertThat(buying.one(item).terms().price()).isEqualTo(0.25);
        assertThat(form("/stores/orders/" + order + "/receive", "quantity", "10")
                        .status())
                .as("it came already")
                .isEqualTo(409);
        assertThat(new String(file("/stores/buying.csv").getContentAsByteArray()))
                .startsWith("item,name,quantity");
    }

    private static JsonNode find(JsonNode list, String item) {
        for (JsonNode line : list) {
            if (line.get("item").asText().equals(item)) {
                return line;
            }
        }
        return null;
    }

    private void used(String item, double quantity, int daysAgo) {
        jdbc.sql("insert into stock_movement (item_id, quantity, reason, at) select id, ?, 'used', ? from "
                        + "stock_item where code = ?")
                .params(-quantity, Instant.now().minus(Duration.ofDays(daysAgo)).atOffset(ZoneOffset.UTC), item)
                .update();
        jdbc.sql("update stock_item i set on_hand = on_hand - ?, first_moved_at = (select min(m.at) from "
                        + "stock_movement m where m.item_id = i.id) where code = ?")
                .params(quantity, item)
                .update();
    }

    @ParameterizedTest
    @CsvSource({"packSize,-3", "leadDays,x", "price,NaN"})
    void termsThatCannotBeAreRefused(String field, String value) {
        String item = shop.item("Gloves", 10);
        shop.as("keeper");
        assertThat(form("/stores/" + item + "/terms", field, value).status()).isEqualTo(422);
    }

    @Test
    void aStocktakeIsOnePageAllOrNothing() {
        String one = shop.item("Blades", 10);
        String two = shop.item("Screws", 40);
        shop.as("keeper");
        assertThat(page("/stores/count")).contains("n-" + one).contains("n-" + two);
        refused(422, "must be between", "/stores/count", "n-" + one, "8", "n-" + two, "-1");
        assertThat(stock.one(one).quantity()).as("nothing was set").isEqualTo(10);
        accepted("/stores/count", "n-" + one, "8", "n-" + two, "40", "why", "two broke");
        assertThat(stock.one(one).quantity()).isEqualTo(8);
        assertThat(stock.movements(one).get(0).reason()).isEqualTo("counted 8 pieces: two broke");
        assertThat(stock.movements(two)).as("no difference, no movement").hasSize(1);
        refused(422, "Nothing was counted.", "/stores/count", "why", "");
    }

    /**
     * Sixteen at once take one each of ten, for a while: what is on hand is always the sum of the movements, and never
     * below nothing.
     */
    @Test
    void stockIsTheSumOfItsMovementsHoweverManyTakeAtOnce() throws Exception {
        String item = shop.item("Filters", 100);
        var who = SecurityContextHolder.getContext().getAuthentication();
        ExecutorService pool = Executors.newFixedThreadPool(16);
        List<Future<Boolean>> taken = IntStream.range(0, 160)
                .mapToObj(i -> pool.submit(() -> {
                    SecurityContextHolder.getContext().setAuthentication(who);
                    try {
                        stock.move(item, -1.0, "used");
                        return true;
                    } catch (Conflict e) {
                        return false;
                    }
                }))
                .toList();
        int out = 0;
        for (Future<Boolean> f : taken) {
            out += f.get() ? 1 : 0;
        }
        pool.shutdown();
        assertThat(out).isEqualTo(100);
        assertThat(stock.one(item).quantity()).isZero();
        assertThat(jdbc.sql("select sum(quantity) from stock_movement m join stock_item i on i.id = m.item_id "
                                + "where i.code = ?")
                        .param(item)
                        .query(Double.class)
                        .single())
                .isZero();
    }
}
