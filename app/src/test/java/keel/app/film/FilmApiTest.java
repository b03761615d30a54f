package keel.app.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import keel.app.people.Role;
import keel.app.support.PageTest;
import keel.app.support.TapSound;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Films for programs. The recordings are made from a film of known tension. */
class FilmApiTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @Autowired
    private MockMvc api;

    private String token;

    private record Answer(int status, JsonNode body) {}

    @BeforeEach
    void token() {
        shop.people();
        token = shop.token(Role.KEEPER);
    }

    @Test
    void theTensionOfASimulatedFilmIsHeard() throws Exception {
        Answer heard =
                tone(TapSound.taps(130, 80, 0.127, false), "lengthMm", "130", "widthMm", "80", "thicknessMm", "0.127");
        assertThat(heard.status()).isEqualTo(200);
        assertThat(heard.body().get("clear").asBoolean()).isTrue();
        assertThat(heard.body().get("taps").asInt()).isEqualTo(3);
        assertThat(heard.body().at("/tensionNPerM/withAir").asDouble())
                .isCloseTo(TapSound.TENSION_N_PER_M, within(0.03 * TapSound.TENSION_N_PER_M));
        assertThat(heard.body().at("/tensionNPerM/dry").asDouble())
                .isLessThan(heard.body().at("/tensionNPerM/withAir").asDouble());
        assertThat(heard.body().get("stressMPa").asDouble())
                .isCloseTo(heard.body().at("/tensionNPerM/dry").asDouble() / 0.127 / 1000, within(1e-9));
        assertThat(heard.body().get("centsFromReference").isNull()).isTrue();
        assertThat(heard.body().get("verdict").asText()).isEqualTo("GOOD");
    }

    @Test
    void offTheCentreASecondModeTellsHowEvenItIs() throws Exception {
        Answer heard =
                tone(TapSound.taps(130, 80, 0.127, true), "lengthMm", "130", "widthMm", "80", "thicknessMm", "0.127");
        assertThat(heard.body().get("evenness").asDouble()).isCloseTo(1, within(0.08));
    }

    @Test
    void aReferenceJudges() throws Exception {
        byte[] wav = TapSound.taps(130, 80, 0.127, false);
        double hz = tone(wav, "lengthMm", "130", "widthMm", "80", "thicknessMm", "0.127")
                .body()
                .get("fundamentalHz")
                .asDouble();
        assertThat(against(wav, hz * 1.1).get("verdict").asText()).isEqualTo("SLACK");
        assertThat(against(wav, hz * 0.9).get("verdict").asText()).isEqualTo("TIGHT");
        assertThat(against(wav, hz * 1.02).get("verdict").asText()).isEqualTo("GOOD");
        assertThat(against(wav, hz * 2).get("centsFromReference").asDouble()).isCloseTo(-1200, within(1e-6));
    }

    @Test
    void whatCannotBeReadIsSaidByField() throws Exception {
        assertThat(field(tone("no sound".getBytes(), "lengthMm", "130", "widthMm", "80", "thicknessMm", "0.127")))
                .isEqualTo("file");
        assertThat(field(tone(new byte[0], "lengthMm", "130", "widthMm", "80", "thicknessMm", "0.127")))
                .isEqualTo("file");
        assertThat(field(tone(new byte[] {1}, "lengthMm", "-1", "widthMm", "80", "thicknessMm", "0.127")))
                .isEqualTo("lengthMm");
        assertThat(field(tone(new byte[] {1}, "lengthMm", "130", "widthMm", "80")))
                .isEqualTo("thicknessMm");
        assertThat(field(tone(
                        new byte[] {1},
                        "lengthMm",
                        "130",
                        "widthMm",
                        "80",
                        "thicknessMm",
                        "0.127",
                        "referenceHz",
                        "0")))
                .isEqualTo("referenceHz");
        assertThat(tone(new byte[] {1}, "lengthMm", "wide", "widthMm", "80", "thicknessMm", "0.127")
                        .status())
                .isEqualTo(400);
    }

    /** Dose is what counts: 0.92 then and 0.80 now ask for 1.15 times as long. */
    @Test
    void aCloudierFilmAsksForMoreLight() throws Exception {
        Answer more = json(
                "/api/v1/film/exposure",
                "{\"exposureS\":2.0,\"transmittanceAtCalibration\":0.92,\"transmittanceNow\":0.80}");
        assertThat(more.body().get("exposureS").asDouble()).isCloseTo(2.3, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0.9, 0.8, exposureS",
        "2, 1.2, 0.8, transmittanceAtCalibration",
        "2, 0.9, 0, transmittanceNow",
        "2, 0.9, null, transmittanceNow"
    })
    void figuresThatCannotBeAreRefused(String exposure, String then, String now, String field) throws Exception {
        Answer refused = json(
                "/api/v1/film/exposure",
                "{\"exposureS\":%s,\"transmittanceAtCalibration\":%s,\"transmittanceNow\":%s}"
                        .formatted(exposure, then, now));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(field(refused)).isEqualTo(field);
    }

    @Test
    void vatsAreListedWithTheirFilms() throws Exception {
        String machine = shop.maskMachine();
        shop.run(machine, 2, 6);
        JsonNode vats = send(MockMvcRequestBuilders.get("/api/v1/vats")).body();
        JsonNode mine = null;
        for (JsonNode vat : vats) {
            mine = machine.equals(vat.get("machine").asText()) ? vat : mine;
        }
        assertThat(mine).isNotNull();
        assertThat(mine.get("material").asText()).isEqualTo("FEP");
        assertThat(mine.get("filmHours").asDouble()).isCloseTo(6, within(1e-9));
        assertThat(mine.get("filmPeels").asLong()).isEqualTo(1000);
    }

    private JsonNode against(byte[] wav, double reference) throws Exception {
        return tone(
                        wav,
                        "lengthMm",
                        "130",
                        "widthMm",
                        "80",
                        "thicknessMm",
                        "0.127",
                        "referenceHz",
                        Double.toString(reference))
                .body();
    }

    private static String field(Answer answer) {
        assertThat(answer.status()).isEqualTo(422);
        return answer.body().at("/errors/0/field").asText();
    }

    private Answer tone(byte[] wav, String... fields) throws Exception {
        MockMultipartHttpServletRequestBuilder request = MockMvcRequestBuilders.multipart("/api/v1/film/tone");
        request.file(new MockMultipartFile("file", "taps.wav", "audio/wav", wav));
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return send(request);
    }

    private Answer json(String path, String body) throws Exception {
        return send(MockMvcRequestBuilders.post(path)
                .contentType(MediaType.APPLICATION_JSON)
                .content(body));
    }

    private Answer send(MockHttpServletRequestBuilder request) throws Exception {
        MockHttpServletResponse response = api.perform(request.header("Authorization", "Bearer " + token))
                .andReturn()
                .getResponse();
        return new Answer(response.getStatus(), JSON.readTree(response.getContentAsString()));
    }
}
