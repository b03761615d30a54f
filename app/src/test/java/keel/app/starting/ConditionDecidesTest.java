package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.screen.UvMaps;
import keel.app.standing.Standings;
import keel.app.stores.Spares;
import keel.app.support.ApiCalls;
import keel.core.gate.GateItem;
import keel.core.light.UvMap;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What was seen is used wherever a part is judged: the gate, the spares, what somebody decided, screens and lights. */
class ConditionDecidesTest extends ApiCalls {

    @Autowired
    private Standings standings;

    @Autowired
    private Gates gates;

    @Autowired
    private Runs runs;

    @Autowired
    private Spares spares;

    @Autowired
    private UvMaps maps;

    private String machine;

    @BeforeEach
    void aMachine() {
        machine = shop.maskMachine();
    }

    private void look(String body) throws Exception {
        String vat = standings.of(machine).film().carrier();
        assertThat(post("/api/v1/vats/" + vat + "/inspections", body).status()).isEqualTo(201);
    }

    private MachineState state() {
        return standings.of(machine).standing().state();
    }

    private PartUse use(PartUse.UsedPart kind) {
        return standings.of(machine).worn().stream()
                .filter(p -> p.part() == kind)
                .findFirst()
                .orElseThrow();
    }

    private void keep(String part, String reason) throws Exception {
        Answer kept = post(
                "/api/v1/services",
                json.writeValueAsString(
                        Map.of("machine", machine, "kind", "KEPT_IN_USE", "part", part, "reason", reason)));
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(201);
    }

    @Test
    void toPrintOnWithAMilkyFilmIsADecisionThatHoldsUntilTheNextLook() throws Exception {
        look("{\"clouding\":\"MILKY\"}");
        assertThat(state()).isEqualTo(MachineState.DUE);
        keep("FILM", "Only blocks this week.");
        assertThat(state()).isEqualTo(MachineState.WATCH);
        assertThat(standings.of(machine).standing().sentence())
                .contains("looked milky", "Kept in use: Only blocks this week.");
        JsonNode outlook = get("/api/v1/machines/" + machine + "/outlook").body();
        assertThat(outlook.at("/parts/0/kept").asText()).isEqualTo("Only blocks this week");
        assertThat(outlook.at("/parts/0/advice").asText())
                .as("what is best stays")
                .isEqualTo("CHANGE_BEFORE");
        keep("SCREEN", "Another part.");
        look("{\"marks\":[{\"kind\":\"HOLE\",\"xMm\":20,\"yMm\":20,\"sizeMm\":1}]}");
        keep("TANK", "It is the lining, by its other name.");
        assertThat(state()).as("nobody decides to print on with a hole").isEqualTo(MachineState.DUE);
        look("{\"clouding\":\"MILKY\"}");
        assertThat(state()).as("looked at again").isEqualTo(MachineState.DUE);
    }

    @Test
    void aDecisionWithoutAReasonIsNone() throws Exception {
        Answer none = post(
                "/api/v1/services", "{\"machine\":\"" + machine + "\",\"kind\":\"KEPT_IN_USE\",\"part\":\"FILM\"}");
        assertThat(none.status()).isEqualTo(422);
    }

    @Test
    void theGateGoesByTheDetailThatTheJobNeedsAndTheRunKeepsIt() throws Exception {
        look("{\"clouding\":\"CLOUDED\"}");
        assertThat(film(Detail.ROUGH).state()).isEqualTo(GateItem.State.OK);
        assertThat(film(Detail.FINE).state()).isEqualTo(GateItem.State.WARN);
        Answer started = post(
                "/api/v1/runs",
                ("{\"machine\":\"%s\",\"job\":\"Block\",\"layers\":900,\"layerExposureS\":2,\"resinMl\":40,"
                                + "\"detail\":\"rough\"}")
                        .formatted(machine));
        assertThat(started.status()).as(started.body().toString()).isEqualTo(201);
        assertThat(started.body().get("detail").asText()).isEqualTo("ROUGH");
        assertThat(runs.last(machine).orElseThrow().detail()).isEqualTo(Detail.ROUGH);
        Answer wrong = post(
                "/api/v1/runs",
                "{\"machine\":\"%s\",\"job\":\"Block\",\"layers\":900,\"layerExposureS\":2,\"detail\":\"glossy\"}"
                        .formatted(machine));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.body().toString()).contains("ROUGH, USUAL or FINE");
    }

    private GateItem film(Detail detail) {
        return gates.of(machine, new Gates.Job(900, 2.0, 40.0, detail, List.of(), null)).stream()
                .filter(i -> i.code().equals("film-chance"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aJobThatIsPutOnASpotIsToldAtTheGate() {
        shop.service(
                machine,
                "SCREEN_INSPECTED",
                500,
                "clean",
                false,
                "spots",
                List.of(Map.of("kind", "DARK", "xMm", 30, "yMm", 40, "sizeMm", 2)));
        assertThat(use(PartUse.UsedPart.SCREEN).knownFrom()).isEqualTo("1 spot");
        assertThat(screen(new PlacedPart(30, 40, 20, 20, 0)).state()).isEqualTo(GateItem.State.WARN);
        assertThat(screen(new PlacedPart(90, 40, 20, 20, 0)).state()).isEqualTo(GateItem.State.OK);
    }

    private GateItem screen(PlacedPart part) {
        return gates.of(machine, new Gates.Job(900, 2.0, 40.0, null, List.of(part), null)).stream()
                .filter(i -> i.code().equals("screen-chance"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void sparesAreBoughtByWhatWasSeen() throws Exception {
        for (int day = 1; day <= 14; day++) {
            Instant start = Instant.now().minus(Duration.ofDays(day));
            runs.enter(new RunEntry(
                    machine, "Latch", start, start.plus(Duration.ofHours(6)), 3000, 2.0, 50.0, "GOOD", null, null));
        }
        double byAge = line().expected();
        look("{\"clouding\":\"MILKY\"}");
        assertThat(line().expected()).as("it is at its end").isGreaterThan(byAge + 0.4);
        look("{\"clouding\":\"CLEAR\",\"uvBare\":100,\"uvThrough\":92}");
        assertThat(line().expected()).isLessThan(byAge + 0.2);
    }

    private Spares.SpareLine line() {
        return spares.lines(14, 0.95).stream()
                .filter(l -> l.kind() == PartUse.UsedPart.FILM
                        && l.models().contains(standings.of(machine).model()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aLightThatWasMappedTwiceIsKnownToFade() {
        maps.keep(standings.of(machine), readings(10));
        assertThat(use(PartUse.UsedPart.LIGHT).condition())
                .as("one map tells no course")
                .isNull();
        for (int day = 1; day <= 30; day++) {
            Instant start = Instant.now().minus(Duration.ofDays(40 - day));
            runs.enter(new RunEntry(
                    machine, "Latch", start, start.plus(Duration.ofHours(23)), 20000, 3.5, 50.0, "GOOD", null, null));
        }
        maps.keep(standings.of(machine), readings(8));
        assertThat(use(PartUse.UsedPart.LIGHT).knownFrom())
                .startsWith("it gives")
                .contains("of what its first map showed");
        double bright = use(PartUse.UsedPart.LIGHT).failsWithin(8, 0.8);
        assertThat(bright).isGreaterThan(use(PartUse.UsedPart.LIGHT).failsByAge(8, 0.8));
        assertThat(use(PartUse.UsedPart.LIGHT).failsWithin(8, 0.8, Detail.FINE)).isGreaterThan(bright);
    }

    private static List<UvMap.Reading> readings(double light) {
        List<UvMap.Reading> readings = new ArrayList<>();
        for (int x = 0; x < 3; x++) {
            for (int y = 0; y < 3; y++) {
                readings.add(new UvMap.Reading(20 + 50.0 * x, 10 + 30.0 * y, light));
            }
        }
        return readings;
    }
}
