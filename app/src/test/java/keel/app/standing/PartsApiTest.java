package keel.app.standing;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;
import java.util.stream.StreamSupport;
import keel.app.people.Role;
import keel.app.support.AppTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** What is listed and what is counted are the same parts. */
class PartsApiTest extends AppTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired
    private MockMvc mvc;

    private String token;
    private String machine;
    private String model;

    @BeforeEach
    void open() {
        token = shop.token(Role.KEEPER);
        machine = shop.maskMachine();
        model = shop.modelOf(machine);
    }

    private MockHttpServletResponse get(String path) throws Exception {
        try {
            return mvc.perform(MockMvcRequestBuilders.get("/api/v1" + path).header("Authorization", "Bearer " + token))
                    .andReturn()
                    .getResponse();
        } finally {
            SecurityContextHolder.clearContext();
            shop.as("keeper");
        }
    }

    private List<JsonNode> ofModel(String path) throws Exception {
        JsonNode all = JSON.readTree(get(path).getContentAsString());
        return StreamSupport.stream(all.spliterator(), false)
                .filter(p -> model.equals(p.path("model").asText()))
                .toList();
    }

    private JsonNode lives(String kind) throws Exception {
        return ofModel("/lives").stream()
                .filter(l -> l.get("kind").asText().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void endedAndAliveAreTheListedOnes() throws Exception {
        shop.run(machine, 10, 20);
        shop.filmChange(machine, 40);
        shop.filmChange(machine, 60);
        shop.service(machine, "SCREEN_CHANGE", 80, "endReason", "DARK_PIXELS");
        for (String kind : List.of("FILM", "SCREEN", "PLATE")) {
            List<JsonNode> parts = ofModel("/parts?size=1000&kind=" + kind);
            JsonNode counted = lives(kind);
            assertThat(counted.get("parts").asInt()).as(kind).isEqualTo(parts.size());
            assertThat(counted.get("ends").asInt()).as(kind).isEqualTo((int)
                    parts.stream().filter(p -> !p.get("endedAt").isNull()).count());
            assertThat(counted.get("ends").asInt() + counted.get("alive").asInt())
                    .isEqualTo(counted.get("parts").asInt());
        }
        assertThat(lives("FILM").get("ends").asInt()).isEqualTo(2);
        assertThat(lives("FILM").get("medianHours").isNull())
                .as("two ends do not tell")
                .isTrue();
        assertThat(lives("SCREEN").get("ends").asInt()).isEqualTo(1);
        assertThat(lives("SCREEN").get("clock").asText()).isEqualTo("UV_HOURS");
    }

    @Test
    void aPartIsListedWithWhereItIsAndWhatItHasBeenThrough() throws Exception {
        shop.run(machine, 10, 20);
        JsonNode film = ofModel("/parts?kind=FILM&size=1000").get(0);
        assertThat(film.get("machine").asText()).isEqualTo(machine);
        assertThat(film.get("vat").asText()).isEqualTo(shop.now(machine).vat().code());
        assertThat(film.get("hours").asDouble()).isEqualTo(shop.filmHours(machine));
        assertThat(film.get("known").asBoolean()).isTrue();
        shop.filmChange(machine, 40);
        JsonNode ended = ofModel("/parts?kind=FILM&size=1000").get(1);
        assertThat(ended.get("code")).isEqualTo(film.get("code"));
        assertThat(ended.get("machine").isNull()).isTrue();
        assertThat(ended.get("endedAt").isNull()).isFalse();
        assertThat(ended.get("endReason").isNull()).isFalse();
    }

    @Test
    void anUnknownKindIsRefused() throws Exception {
        assertThat(get("/parts?kind=WHEEL").getStatus()).isEqualTo(422);
        assertThat(get("/parts?size=0").getStatus()).isEqualTo(422);
    }

    /** What is spared for is what is listed: the ends of the year before stand beside those of the year to come. */
    @Test
    void sparesCountTheSameEnds() throws Exception {
        shop.run(machine, 10, 20);
        shop.filmChange(machine, 40);
        shop.service(machine, "SCREEN_CHANGE", 80, "endReason", "DARK_PIXELS");
        JsonNode film = spares("FILM");
        assertThat(film.get("endsLastYear").asInt())
                .isEqualTo(lives("FILM").get("endsLastYear").asInt());
        assertThat(spares("SCREEN").get("endsLastYear").asInt())
                .isEqualTo(lives("SCREEN").get("endsLastYear").asInt());
        assertThat(film.get("inService").asInt()).isEqualTo(1);
        assertThat(film.get("expectedPerYear").asDouble())
                .as("nothing was printed lately")
                .isZero();
        assertThat(film.get("leadDays").asDouble()).isEqualTo(14);
        assertThat(film.get("chanceOfWaiting").asDouble()).isBetween(0.0, 1.0);
        assertThat(film.get("wanted").isInt()).isTrue();
        assertThat(get("/spares?percent=100").getStatus()).isEqualTo(422);
    }

    private JsonNode spares(String kind) throws Exception {
        JsonNode all = JSON.readTree(get("/spares").getContentAsString());
        return StreamSupport.stream(all.spliterator(), false)
                .filter(s -> s.get("kind").asText().equals(kind)
                        && s.get("models").get(0).asText().equals(model))
                .findFirst()
                .orElseThrow();
    }
}
