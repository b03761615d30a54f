package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import jakarta.persistence.EntityManager;
import keel.app.standing.ConditionChanged;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.support.ApiCalls;
import keel.core.standing.MachineState;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.transaction.support.TransactionTemplate;

/** What was seen of a film outweighs its age, in state, gate and outlook alike. */
class OutlookApiTest extends ApiCalls {

    @Autowired
    private Standings standings;

    @Autowired
    private Gates gates;

    @Autowired
    private EntityManager entities;

    @Autowired
    private TransactionTemplate transaction;

    @Autowired
    private ApplicationEventPublisher events;

    private String machine;
    private String vat;

    @BeforeEach
    void aMachine() {
        machine = shop.maskMachine();
        vat = standings.of(machine).film().carrier();
    }

    @Test
    void whereNobodyLookedAgeAloneSpeaksAndALookIsAskedAfterAWhile() throws Exception {
        assertThat(part(outlook(""), "FILM").get("advice").asText())
                .as("it was seen when it was fitted")
                .isEqualTo("KEEP");
        shop.run(machine, 1, 101);
        JsonNode o = outlook("?hours=10");
        assertThat(o.get("thisJobFails").asDouble())
                .isCloseTo(o.get("byAgeAlone").asDouble(), within(1e-12));
        JsonNode film = part(o, "FILM");
        assertThat(film.get("condition").isNull()).isTrue();
        assertThat(film.get("lookedAt").isNull()).isTrue();
        assertThat(film.get("advice").asText()).isEqualTo("LOOK_FIRST");
        assertThat(film.get("why").get(0).asText()).contains("Nobody looked");
        assertThat(part(o, "SCREEN").get("nextLookDue").isNull()).isTrue();
    }

    @Test
    void aMilkyFilmTakesTheMachineOutOfReadyAtOnce() throws Exception {
        assertThat(state()).isEqualTo(MachineState.READY);
        Answer looked = inspect("{\"clouding\":\"MILKY\"}");
        assertThat(looked.status()).isEqualTo(201);
        assertThat(looked.body().get("doubt").isNull()).isTrue();
        assertThat(state()).isIn(MachineState.WATCH, MachineState.DUE);
        MachineNow now = standings.of(machine);
        assertThat(now.standing().sentence()).contains("looked milky");
        JsonNode film = part(outlook("?hours=8"), "FILM");
        assertThat(film.get("failsDuringJob").asDouble()).isGreaterThan(0.25);
        assertThat(film.get("byAgeAlone").asDouble()).isLessThan(0.05);
        assertThat(film.get("advice").asText()).isEqualTo("CHANGE_BEFORE");
        assertThat(film.get("hoursLeft").get("median").asDouble()).isLessThan(200);
        assertThat(gates.of(machine, Gates.Job.of(1000, 84.0)))
                .filteredOn(i -> i.code().equals("film-chance"))
                .singleElement()
                .satisfies(i -> assertThat(i.text()).contains("looked milky"));
    }

    @Test
    void aHazyFilmWillDoForABlockAndNotForLettering() throws Exception {
        inspect("{\"clouding\":\"CLOUDED\"}");
        double rough = fails("?hours=4&detail=ROUGH");
        double usual = fails("?hours=4");
        double fine = fails("?hours=4&detail=fine");
        assertThat(rough).isLessThan(usual / 2);
        assertThat(fine).isGreaterThan(1.5 * usual);
    }

    @Test
    void dentsCountMoreUnderTheJobsOwnFootprint() throws Exception {
        inspect("{\"clouding\":\"CLEAR\",\"marks\":[{\"kind\":\"DENT\",\"xMm\":20,\"yMm\":20,\"sizeMm\":2}]}");
        double beside = fails("?hours=20&footprint=90,60,20,20");
        double under = fails("?hours=20&footprint=20,20,20,20");
        assertThat(under).isGreaterThan(beside);
    }

    @Test
    void aHoleEndsAFilmWhateverElseItLooksLike() throws Exception {
        inspect("{\"clouding\":\"CLEAR\",\"marks\":[{\"kind\":\"HOLE\",\"xMm\":20,\"yMm\":20,\"sizeMm\":1}]}");
        JsonNode film = part(outlook("?hours=2"), "FILM");
        assertThat(film.get("failsDuringJob").asDouble()).isEqualTo(1);
        assertThat(film.get("advice").asText()).isEqualTo("CHANGE_BEFORE");
        assertThat(film.at("/hoursLeft/median").asDouble()).isZero();
        assertThat(state()).isEqualTo(MachineState.DUE);
    }

    /** Fitted with hours behind it: past the age at which films are changed. */
    @Test
    void hoursAloneAskForALookAndALookDecides() throws Exception {
        shop.run(machine, 1, 461);
        shop.service(machine, "PLATE_CLEARED", 462);
        shop.service(machine, "LUBRICATION", 463, "part", "SCREW");
        shop.service(machine, "PLATE_WORK", 464, "work", "ABRADED");
        shop.service(machine, "LEVELLING", 465, "school", "PAPER");
        assertThat(state()).isEqualTo(MachineState.DUE);
        assertThat(standings.of(machine).standing().sentence()).contains("past its age", "Look at it");
        assertThat(part(outlook(""), "FILM").get("advice").asText()).isEqualTo("LOOK_FIRST");
        inspect("{\"clouding\":\"CLEAR\"}");
        assertThat(state()).isEqualTo(MachineState.WATCH);
        assertThat(standings.of(machine).standing().sentence()).contains("prints on: it looked clear");
        assertThat(part(outlook(""), "FILM").get("advice").asText()).isEqualTo("KEEP");
    }

    @Test
    void aSlackToneCounts() throws Exception {
        inspect("{\"clouding\":\"CLEAR\"}");
        double before = fails("?hours=40");
        tone(-200);
        assertThat(part(outlook(""), "FILM").get("condition").asText()).contains("its tone 200 cents low");
        assertThat(fails("?hours=40")).isGreaterThan(before);
    }

    private void tone(double cents) {
        transaction.executeWithoutResult(t -> {
            long film = standings.of(machine).film().id();
            entities.createNativeQuery(
                            "insert into tone_reference (model_id, thickness_mm, school, hz, made_at, person_id) "
                                    + "select v.model_id, c.thickness_mm, 'STATED', 300, now(), "
                                    + "(select min(id) from person) from component c "
                                    + "join fitting f on f.component_id = c.id and f.removed_at is null "
                                    + "join component v on v.id = f.vat_id where c.id = ?1")
                    .setParameter(1, film)
                    .executeUpdate();
            entities.createNativeQuery(
                            "insert into film_tone (film_id, at, person_id, fundamental_hz, spread_hz, taps, "
                                    + "dry_n_per_m, with_air_n_per_m, stress_mpa, trace, withdrawn) values (?1, now(), "
                                    + "(select min(id) from person), ?2, 0, 3, 400, 600, 4, '', false)")
                    .setParameter(1, film)
                    .setParameter(2, 300 * Math.pow(2, cents / 1200))
                    .executeUpdate();
            events.publishEvent(new ConditionChanged());
        });
    }

    @Test
    void aFilmThatClearsIsWrittenAndDoubted() throws Exception {
        inspect("{\"clouding\":\"MILKY\"}");
        Answer better = inspect("{\"clouding\":\"FAINT\"}");
        assertThat(better.status()).isEqualTo(201);
        assertThat(better.body().get("doubt").asText()).contains("looked milky before and faint now");
        assertThat(part(outlook(""), "FILM").get("condition").asText()).contains("faint");
    }

    @Test
    void aMeterReadingNarrowsIt() throws Exception {
        inspect("{\"uvBare\":100,\"uvThrough\":91.5}");
        assertThat(fails("?hours=8")).isLessThan(0.05);
    }

    @Test
    void whatCannotBeIsRefusedInWords() throws Exception {
        assertThat(inspect("{\"uvBare\":100,\"uvThrough\":130}").status()).isEqualTo(422);
        assertThat(inspect("{}").status()).isEqualTo(422);
        assertThat(inspect("{\"clouding\":\"CLEAR\",\"at\":\"2001-01-01T00:00:00Z\"}")
                        .body()
                        .toString())
                .contains("was not there yet");
        assertThat(inspect("{\"clouding\":\"CLEAR\",\"at\":\"2101-01-01T00:00:00Z\"}")
                        .status())
                .isEqualTo(422);
        assertThat(inspect("{\"clouding\":\"PURPLE\"}").status()).isIn(400, 422);
        assertThat(inspect("{\"marks\":[{\"kind\":\"DENT\",\"xMm\":1}]}").status())
                .isEqualTo(422);
        assertThat(post("/api/v1/vats/nowhere/inspections", "{\"clouding\":\"CLEAR\"}")
                        .status())
                .isEqualTo(404);
        assertThat(get("/api/v1/machines/" + machine + "/outlook?detail=PERFECT")
                        .status())
                .isEqualTo(422);
        assertThat(get("/api/v1/machines/" + machine + "/outlook?hours=-1").status())
                .isEqualTo(422);
        assertThat(get("/api/v1/machines/" + machine + "/outlook?footprint=5,6,7")
                        .status())
                .isEqualTo(422);
        assertThat(get("/api/v1/machines/nobody/outlook").status()).isEqualTo(404);
    }

    private double fails(String query) throws Exception {
        return part(outlook(query), "FILM").get("failsDuringJob").asDouble();
    }

    private MachineState state() {
        return standings.of(machine).standing().state();
    }

    private JsonNode outlook(String query) throws Exception {
        Answer answer = get("/api/v1/machines/" + machine + "/outlook" + query);
        assertThat(answer.status()).isEqualTo(200);
        return answer.body();
    }

    private Answer inspect(String body) throws Exception {
        return post("/api/v1/vats/" + vat + "/inspections", body);
    }

    private static JsonNode part(JsonNode outlook, String kind) {
        for (JsonNode p : outlook.get("parts")) {
            if (p.get("kind").asText().equals(kind)) {
                return p;
            }
        }
        throw new AssertionError("no " + kind + " in " + outlook);
    }
}
