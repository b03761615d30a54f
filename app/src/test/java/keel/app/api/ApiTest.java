package keel.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import keel.app.people.Role;
import keel.app.support.ApiCalls;
import keel.app.support.TestShop;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The open interface: shapes, codes and sentences that programs rely on. */
class ApiTest extends ApiCalls {

    @Test
    void machinesAreListedWithWhatWearsAndWhatHolds() throws Exception {
        String m = shop.maskMachine();
        String laser = shop.machine(MachineKind.LASER_TANK, false);
        shop.run(m, 1, 4);
        JsonNode all = get("/api/v1/machines").body();
        JsonNode one = byCode(all, m);
        assertThat(one.get("kind").asText()).isEqualTo("MASK");
        assertThat(one.get("state").asText()).isEqualTo("HOLD");
        assertThat(one.at("/holds/0/code").asText()).isEqualTo("plate-not-clear");
        assertThat(one.at("/holds/0/text").asText()).contains("last print");
        assertThat(one.at("/film/hours").asDouble()).isEqualTo(4);
        assertThat(one.at("/film/layers").asInt()).isEqualTo(1000);
        assertThat(one.at("/screen/uvHours").asDouble()).isEqualTo(0.5);
        assertThat(byCode(all, laser).get("screen").isNull()).isTrue();
        JsonNode more = get("/api/v1/machines/" + m).body();
        assertThat(more.get("run").isNull()).isTrue();
        assertThat(more.at("/total/hours").asDouble()).isEqualTo(4);
        assertThat(get("/api/v1/machines/heron").status()).isEqualTo(404);
    }

    @Test
    void aRunIsLoggedFinishedListedAndCorrected() throws Exception {
        String m = shop.maskMachine();
        Answer logged = post("/api/v1/runs", run(m, 2, 5));
        assertThat(logged.status()).isEqualTo(201);
        long id = logged.body().get("id").asLong();
        assertThat(get("/api/v1/runs?machine=" + m).body()).hasSize(1);
        assertThat(get("/api/v1/runs?machine=" + m + "&from=" + TestShop.at(3)).body())
                .isEmpty();
        Answer corrected = post(
                "/api/v1/runs/" + id + "/corrections", "{\"reason\":\"clock\",\"endedAt\":\"" + TestShop.at(8) + "\"}");
        assertThat(corrected.status()).isEqualTo(200);
        assertThat(get("/api/v1/machines/" + m).body().at("/film/hours").asDouble())
                .isEqualTo(6);
        JsonNode lines = get("/api/v1/logbook?machine=" + m).body();
        JsonNode correction = byField(lines, "kind", "RUN_CORRECTED");
        JsonNode first = byField(lines, "kind", "RUN_LOGGED");
        assertThat(correction.get("reason").asText()).isEqualTo("clock");
        assertThat(correction.get("supersedes").asLong())
                .isEqualTo(first.get("id").asLong());
        assertThat(first.get("superseded").asBoolean()).isTrue();
        assertThat(first.at("/content/hours").asDouble())
                .as("what stood before is kept")
                .isEqualTo(3);
    }

    @Test
    void aRunWithoutAnEndStartsAndHoldsForbidIt() throws Exception {
        String m = shop.maskMachine();
        String start = "{\"machine\":\"%s\",\"job\":\"Latch\",\"layers\":900,\"layerExposureS\":2.1,\"resinMl\":40%s}";
        Answer started = post("/api/v1/runs", start.formatted(m, ""));
        assertThat(started.status()).isEqualTo(201);
        assertThat(started.body().get("endedAt").isNull()).isTrue();
        assertThat(get("/api/v1/machines/" + m).body().get("state").asText()).isEqualTo("RUNNING");
        assertThat(post("/api/v1/runs", start.formatted(m, "")).status()).isEqualTo(409);
        Answer early = post(
                "/api/v1/runs/" + started.body().get("id").asLong() + "/finish",
                "{\"outcome\":\"FAILED\",\"reachedLayer\":0}");
        assertThat(early.status()).as(early.body().toString()).isEqualTo(200);
        Answer held = post("/api/v1/runs", start.formatted(m, ""));
        assertThat(held.status()).isEqualTo(409);
        assertThat(held.body().at("/holds/0/code").asText()).isEqualTo("plate-not-clear");
        assertThat(held.body().get("detail").asText()).contains("must not print");
        assertThat(post("/api/v1/runs", start.formatted(m, ",\"override\":{\"reason\":\"seen, it is clear\"}"))
                        .status())
                .isEqualTo(201);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "layers|0|422",
                "layers|-4|422",
                "layers|1e9|422",
                "layers|\"many\"|400",
                "layerExposureS|-2|422",
                "layerExposureS|NaN|400",
                "layerExposureS|60|422",
                "resinMl|-1|422",
                "resinMl|99999999|422",
                "outcome|\"FINE\"|422",
                "outcome|null|422",
                "job|\"\"|422",
                "startedAt|\"2024-12-31T00:00:00Z\"|422",
                "startedAt|\"yesterday\"|400",
                "endedAt|\"2025-01-01T00:30:00Z\"|422",
                "endedAt|\"2199-01-01T00:00:00Z\"|422",
                "machine|\"heron\"|422",
                "machine|null|422"
            })
    void aRunThatCannotBeIsRefusedAtItsField(String field, String value, int status) throws Exception {
        String m = shop.maskMachine();
        String body = run(m, 2, 5).replaceAll("\"" + field + "\":(\"[^\"]*\"|[^,}]*)", "\"" + field + "\":" + value);
        Answer answer = post("/api/v1/runs", body);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(status);
        assertThat(answer.type()).isEqualTo("application/problem+json");
        assertThat(answer.body().get("detail").asText()).isNotBlank();
        if (status == 422) {
            assertThat(answer.body().get("errors").findValuesAsText("field")).contains(field);
        }
        assertThat(get("/api/v1/runs?machine=" + m).body())
                .as("nothing half-written")
                .isEmpty();
    }

    @Test
    void twoRunsOnOneMachineDoNotOverlap() throws Exception {
        String m = shop.maskMachine();
        assertThat(post("/api/v1/runs", run(m, 2, 5)).status()).isEqualTo(201);
        assertThat(post("/api/v1/runs", run(m, 4, 7)).status()).isEqualTo(409);
        assertThat(post("/api/v1/runs", run(m, 1, 9)).status()).isEqualTo(409);
        assertThat(post("/api/v1/runs", run(m, 5, 7)).status())
                .as("one right after the other")
                .isEqualTo(201);
    }

    @Test
    void aFailureHoldsGetsACauseAndIsCleanedUp() throws Exception {
        String m = shop.maskMachine();
        Answer failure = post(
                "/api/v1/failures",
                ("{\"machine\":\"%s\",\"symptoms\":[\"layer-split\"],\"absent\":[\"film-slack\"],\"zones\":[\"B2\"],"
                                + "\"note\":\"x\"}")
                        .formatted(m));
        assertThat(failure.status()).isEqualTo(201);
        long id = failure.body().get("id").asLong();
        assertThat(failure.body().at("/symptoms/0").asText()).isEqualTo("layer-split");
        assertThat(get("/api/v1/machines/" + m).body().at("/holds/0/code").asText())
                .isEqualTo("failure-not-cleaned");
        assertThat(post("/api/v1/failures/" + id + "/cause", "{\"cause\":\"vat-bolts-loose\",\"certainty\":\"FOUND\"}")
                        .status())
                .isEqualTo(200);
        assertThat(post("/api/v1/failures/" + id + "/cause", "{\"certainty\":\"UNKNOWN\"}")
                        .status())
                .isEqualTo(200);
        assertThat(post("/api/v1/failures/" + id + "/cause", "{\"certainty\":\"PRESUMED\"}")
                        .status())
                .isEqualTo(422);
        assertThat(post("/api/v1/failures/" + id + "/cause", "{\"cause\":\"bad-luck\",\"certainty\":\"FOUND\"}")
                        .status())
                .isEqualTo(422);
        assertThat(post("/api/v1/failures/999999/cause", "{\"certainty\":\"UNKNOWN\"}")
                        .status())
                .isEqualTo(404);
        Answer cleaned = post(
                "/api/v1/services",
                "{\"machine\":\"%s\",\"kind\":\"CLEAN_UP\",\"way\":\"FULL\",\"sieved\":true,\"emptied\":false}"
                        .formatted(m));
        assertThat(cleaned.status()).isEqualTo(201);
        assertThat(cleaned.body().get("holds")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"symptoms\":[\"gremlins\"]",
                "\"symptoms\":[\"tacky\"],\"absent\":[\"tacky\"]",
                "\"absent\":[\"no\"]",
                "\"zones\":[\"Z9\"]",
                "\"symptoms\":[null]",
                "\"run\":987654321",
                "\"seenAt\":\"2199-01-01T00:00:00Z\""
            })
    void aFailureThatCannotBeIsRefused(String wrong) throws Exception {
        String m = shop.maskMachine();
        assertThat(post("/api/v1/failures", "{\"machine\":\"" + m + "\"," + wrong + "}")
                        .status())
                .isEqualTo(422);
        assertThat(get("/api/v1/failures?machine=" + m).body()).isEmpty();
    }

    @Test
    void theSecondOfTwoWhoEditAFailureIsShownWhatTheFirstWrote() throws Exception {
        String m = shop.maskMachine();
        long id = shop.failure(m, 2, "tacky").id();
        String edit = "{\"reason\":\"looked again\",\"version\":0,\"note\":\"%s\"}";
        assertThat(post("/api/v1/failures/" + id + "/corrections", edit.formatted("first"))
                        .status())
                .isEqualTo(200);
        Answer second = post("/api/v1/failures/" + id + "/corrections", edit.formatted("second"));
        assertThat(second.status()).isEqualTo(409);
        assertThat(second.body().at("/recorded/note").asText()).isEqualTo("first");
        assertThat(get("/api/v1/failures/" + id).body().get("note").asText()).isEqualTo("first");
    }

    /** 912 of 2,180 layers of 3 s with 90 ml planned, six hours: shares worked out by hand. */
    @Test
    void aRunSaysWhatWasReallyPrinted() throws Exception {
        String m = shop.maskMachine();
        String body = "{\"machine\":\"%s\",\"job\":\"Latch\",\"startedAt\":\"%s\",\"endedAt\":\"%s\",\"layers\":2180,"
                + "\"layerExposureS\":3,\"resinMl\":90,\"outcome\":\"FAILED\",\"reachedLayer\":912}";
        long id = post("/api/v1/runs", body.formatted(m, TestShop.at(1), TestShop.at(7)))
                .body()
                .get("id")
                .asLong();
        JsonNode run = get("/api/v1/runs/" + id).body();
        assertThat(run.get("usedMl").asDouble()).isCloseTo(90 * 912 / 2180.0, within(1e-9));
        assertThat(run.get("hours").asDouble()).isEqualTo(6);
        assertThat(run.get("uvHours").asDouble()).isCloseTo(0.76, within(1e-9));
        assertThat(run.get("peels").asLong()).isEqualTo(912);
        assertThat(run.get("cameOut").asBoolean()).isFalse();
        assertThat(run.get("resinMl").asDouble()).as("as it was planned").isEqualTo(90);
        assertThat(get("/api/v1/machines/" + m).body().at("/film/layers").asLong())
                .isEqualTo(912);
    }

    @Test
    void aRunThatGoesOnSaysNothingYetOfWhatItDid() throws Exception {
        String m = shop.maskMachine();
        String body = "{\"machine\":\"%s\",\"job\":\"Latch\",\"layers\":2180,\"layerExposureS\":3,\"resinMl\":90,"
                + "\"override\":{\"reason\":\"new here\"}}";
        JsonNode run = post("/api/v1/runs", body.formatted(m)).body();
        for (String field : new String[] {"usedMl", "hours", "uvHours", "peels", "cameOut"}) {
            assertThat(run.get(field).isNull()).as(field).isTrue();
        }
    }

    @Test
    void aCorrectionClearsAFieldThatIsGivenAsNull() throws Exception {
        String m = shop.maskMachine();
        long id = post("/api/v1/runs", run(m, 2, 5)).body().get("id").asLong();
        String path = "/api/v1/runs/" + id + "/corrections";
        assertThat(post(path, "{\"reason\":\"looked\",\"outcome\":\"FAILED\",\"reachedLayer\":500}")
                        .body()
                        .get("reachedLayer")
                        .asInt())
                .isEqualTo(500);
        assertThat(post(path, "{\"reason\":\"other run\",\"outcome\":\"PARTIAL\"}")
                        .body()
                        .get("reachedLayer")
                        .asInt())
                .as("not given: as it was")
                .isEqualTo(500);
        assertThat(post(path, "{\"reason\":\"other run\",\"reachedLayer\":null}")
                        .body()
                        .get("reachedLayer")
                        .isNull())
                .isTrue();
        long failure = shop.failure(m, 9, "tacky").id();
        String note = "/api/v1/failures/" + failure + "/corrections";
        post(note, "{\"reason\":\"more\",\"note\":\"wet\"}");
        assertThat(post(note, "{\"reason\":\"less\",\"note\":null}")
                        .body()
                        .get("note")
                        .isNull())
                .isTrue();
    }

    @Test
    void theSecondOfTwoWhoCorrectARunIsShownWhatTheFirstWrote() throws Exception {
        String m = shop.maskMachine();
        JsonNode run = post("/api/v1/runs", run(m, 2, 5)).body();
        String path = "/api/v1/runs/" + run.get("id").asLong() + "/corrections";
        String edit =
                "{\"reason\":\"weighed\",\"version\":" + run.get("version").asInt() + ",\"resinMl\":%s}";
        assertThat(post(path, edit.formatted("61")).status()).isEqualTo(200);
        Answer second = post(path, edit.formatted("62"));
        assertThat(second.status()).isEqualTo(409);
        assertThat(second.body().at("/recorded/resinMl").asDouble()).isEqualTo(61);
    }

    @Test
    void itSaysWhichVersionRunsHere() throws Exception {
        JsonNode version = get("/api/v1/version").body();
        assertThat(version.get("version").asText()).isNotBlank();
        assertThat(version.has("commit")).isTrue();
        assertThat(version.get("schema").asInt()).isGreaterThanOrEqualTo(12);
    }

    @Test
    void aFilmChangeResetsHoursAndAsksForLevelling() throws Exception {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        Answer changed = post(
                "/api/v1/services",
                ("{\"machine\":\"%s\",\"kind\":\"FILM_CHANGE\",\"at\":\"%s\",\"material\":\"PFA\",\"thicknessMm\":0.1,"
                                + "\"endReason\":\"PIERCED\",\"note\":\"small hole\"}")
                        .formatted(m, TestShop.at(6)));
        assertThat(changed.status()).isEqualTo(201);
        assertThat(changed.body().at("/holds/0/code").asText()).isEqualTo("not-levelled");
        JsonNode film = get("/api/v1/machines/" + m).body().get("film");
        assertThat(film.get("hours").asDouble()).isZero();
        assertThat(film.get("material").asText()).isEqualTo("PFA");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DANCE||kind",
                "FILM_CHANGE|\"material\":\"SILK\",\"thicknessMm\":0.1,\"endReason\":\"OTHER\"|material",
                "FILM_CHANGE|\"material\":\"FEP\",\"thicknessMm\":127,\"endReason\":\"OTHER\"|thicknessMm",
                "FILM_CHANGE|\"material\":\"FEP\",\"thicknessMm\":0.1|endReason",
                "LEVELLING||school",
                "LEVELLING|\"school\":\"SELF\"|school",
                "VAT_INSPECTED||clean",
                "VAT_INSPECTED|\"clean\":\"perhaps\"|clean",
                "VAT_FITTED|\"vat\":\"V9999\"|vat",
                "MOVED|\"room\":\"moon\"|room",
                "LUBRICATION|\"part\":\"DOOR\"|part",
                "TANK_CHANGE|\"endReason\":\"OTHER\"|kind",
                "STANCE_CHECKED|\"at\":\"2199-01-01T00:00:00Z\"|at",
                "STANCE_CHECKED|\"at\":\"2024-01-01T00:00:00Z\"|at"
            })
    void aServiceThatCannotBeIsRefusedAtItsField(String kind, String fields, String field) throws Exception {
        String m = shop.maskMachine();
        Answer answer = post(
                "/api/v1/services",
                "{\"machine\":\"%s\",\"kind\":\"%s\"%s}".formatted(m, kind, fields == null ? "" : "," + fields));
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
        assertThat(answer.body().get("errors").findValuesAsText("field")).contains(field);
        assertThat(shop.holds(m)).isEmpty();
    }

    @Test
    void aLaserTankCannotBeCleanedTheQuickWay() throws Exception {
        String m = shop.machine(MachineKind.LASER_TANK, false);
        assertThat(post("/api/v1/services", "{\"machine\":\"" + m + "\",\"kind\":\"CLEAN_UP\",\"way\":\"QUICK\"}")
                        .status())
                .isEqualTo(422);
        assertThat(post("/api/v1/services", "{\"machine\":\"" + m + "\",\"kind\":\"CLEAN_UP\",\"way\":\"FULL\"}")
                        .status())
                .isEqualTo(201);
    }

    @Test
    void nothingIsChangedOnAMachineThatPrints() throws Exception {
        String m = shop.maskMachine();
        post(
                "/api/v1/runs",
                ("{\"machine\":\"%s\",\"job\":\"Latch\",\"layers\":900,\"layerExposureS\":2.1,\"resinMl\":40,"
                                + "\"startedAt\":\"%s\"}")
                        .formatted(m, TestShop.at(2)));
        Answer answer = post(
                "/api/v1/services", "{\"machine\":\"%s\",\"kind\":\"LEVELLING\",\"school\":\"PAPER\"}".formatted(m));
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.body().get("detail").asText()).contains("printing");
    }

    @Test
    void stockMovesInSteps() throws Exception {
        String item = shop.item("Gloves", 10);
        String move = "{\"item\":\"%s\",\"quantity\":%s,\"reason\":\"week's use\"}";
        assertThat(post("/api/v1/stock/movements", move.formatted(item, "-4")).status())
                .isEqualTo(201);
        assertThat(byField(get("/api/v1/stock").body(), "item", item)
                        .get("quantity")
                        .asDouble())
                .isEqualTo(6);
        assertThat(post("/api/v1/stock/movements", move.formatted(item, "-7")).status())
                .isEqualTo(409);
        assertThat(post("/api/v1/stock/movements", move.formatted(item, "0")).status())
                .isEqualTo(422);
        assertThat(post("/api/v1/stock/movements", move.formatted(item, "1e12")).status())
                .isEqualTo(422);
        assertThat(post("/api/v1/stock/movements", move.formatted("no-such", "1"))
                        .status())
                .isEqualTo(422);
        assertThat(byField(get("/api/v1/stock").body(), "item", item)
                        .get("quantity")
                        .asDouble())
                .isEqualTo(6);
    }

    @Test
    void listsComeInPages() throws Exception {
        String m = shop.maskMachine();
        for (int i = 0; i < 5; i++) {
            shop.run(m, 10 * i + 1, 2);
        }
        JsonNode second = get("/api/v1/runs?machine=" + m + "&page=1&size=2").body();
        assertThat(second.findValuesAsText("startedAt"))
                .containsExactly(TestShop.at(21).toString(), TestShop.at(11).toString());
        assertThat(get("/api/v1/runs?size=1001").status()).isEqualTo(422);
        assertThat(get("/api/v1/runs?page=-1").status()).isEqualTo(422);
        assertThat(get("/api/v1/runs?size=lots").status()).isEqualTo(400);
    }

    @Test
    void withoutAValidTokenNothingIsAnswered() throws Exception {
        token = "keel_nonsense";
        Answer answer = get("/api/v1/machines");
        assertThat(answer.status()).isEqualTo(401);
        assertThat(answer.body().get("detail").asText()).contains("token");
    }

    @Test
    void anOperatorsTokenCannotOverrideHolds() throws Exception {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        token = shop.token(Role.OPERATOR);
        Answer answer = post(
                "/api/v1/runs",
                ("{\"machine\":\"%s\",\"job\":\"x\",\"layers\":9,\"layerExposureS\":2,\"resinMl\":4,"
                                + "\"override\":{\"reason\":\"so\"}}")
                        .formatted(m));
        assertThat(answer.status()).isEqualTo(403);
    }

    @Test
    void unreadableBodiesAndUnknownAddressesAreSaidToBeThat() throws Exception {
        assertThat(post("/api/v1/runs", "{\"machine\":").status()).isEqualTo(400);
        assertThat(get("/api/v1/nothing").status()).isEqualTo(404);
        assertThat(get("/api/docs").body().at("/paths/~1api~1v1~1runs/post").isMissingNode())
                .isFalse();
    }

    @Test
    void boltsOfARingAndOfARectangleComeInTheirPasses() throws Exception {
        JsonNode ring = get("/api/v1/bolts?count=24&school=STAR").body();
        assertThat(ring.get("bolts").asInt()).isEqualTo(24);
        assertThat(ring.get("positions")).hasSize(24);
        assertThat(ring.at("/passes/0/percent").asInt()).isEqualTo(30);
        assertThat(ring.at("/passes/0/order").toString()).startsWith("[1,13,7,19,4,16,10,22");
        assertThat(ring.at("/passes/3/order").toString()).startsWith("[1,2,3,4");
        JsonNode frame = get("/api/v1/bolts?long=8&short=4&school=CIRCULAR").body();
        assertThat(frame.get("bolts").asInt()).isEqualTo(20);
        assertThat(frame.at("/passes/0/order").toString()).startsWith("[1,2,3");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "count=23",
                "count=3",
                "count=62",
                "long=8",
                "short=4",
                "long=1&short=4",
                "long=40&short=40",
                "",
                "count=24&long=8&short=4",
                "count=24&school=SPIRAL"
            })
    void boltsThatNoFrameHasAreRefusedWithASentence(String query) throws Exception {
        Answer answer = get("/api/v1/bolts?" + query);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().get("detail").asText()).endsWith(".");
    }

    @Test
    void theSpacersBulgeComesFromSpanAndStrain() throws Exception {
        assertThat(get("/api/v1/film/spacer?spanMm=80&strainPercent=0.5")
                        .body()
                        .get("bulgeMm")
                        .asDouble())
                .isCloseTo(3.46, org.assertj.core.api.Assertions.within(0.005));
        assertThat(get("/api/v1/film/spacer?spanMm=-80&strainPercent=0.5").status())
                .isEqualTo(422);
        assertThat(get("/api/v1/film/spacer?spanMm=80&strainPercent=NaN").status())
                .isEqualTo(422);
        assertThat(get("/api/v1/film/spacer?spanMm=wide&strainPercent=1").status())
                .isEqualTo(400);
    }

    @Test
    void aQuickLineIsReadThenWrittenThenTakenBack() throws Exception {
        String m = shop.maskMachine();
        JsonNode read = post("/api/v1/quick", "{\"line\":\"%s failed bare-plate\",\"commit\":false}".formatted(m))
                .body();
        assertThat(read.get("understood").asBoolean()).isTrue();
        assertThat(read.get("choices")).isEmpty();
        assertThat(get("/api/v1/failures?machine=" + m).body()).isEmpty();
        JsonNode done = post("/api/v1/quick", "{\"line\":\"%s failed bare-plate\",\"commit\":true}".formatted(m))
                .body();
        assertThat(get("/api/v1/failures?machine=" + m).body()).hasSize(1);
        assertThat(post("/api/v1/quick/" + done.get("undo").asLong() + "/undo", "")
                        .status())
                .isEqualTo(200);
        assertThat(get("/api/v1/failures?machine=" + m).body()).isEmpty();
        JsonNode unclear = post("/api/v1/quick", "{\"line\":\"%s failed bareplte\",\"commit\":true}".formatted(m))
                .body();
        assertThat(unclear.get("understood").asBoolean()).isFalse();
        assertThat(unclear.at("/choices/0/line").asText()).isEqualTo(m + " failed bare-plate");
        shop.run(m, 1, 4);
        assertThat(post("/api/v1/quick", "{\"line\":\"%s start 900layers 2s 40ml latch\",\"commit\":true}".formatted(m))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aFailureIsDiagnosedFromWhatIsSentOrFromWhatIsRecorded() throws Exception {
        JsonNode sent = post(
                        "/api/v1/diagnosis",
                        "{\"symptoms\":[\"wet-under-vat\",\"region-bare\"],\"absent\":[\"film-cloudy\"],"
                                + "\"checks\":[{\"check\":\"look-under-vat\",\"found\":[\"film-pierced\","
                                + "\"resin-on-screen\"]}],\"history\":[\"film-old\"]}")
                .body();
        assertThat(sent.at("/causes/0/code").asText()).isEqualTo("film-pierced");
        assertThat(sent.at("/pairs/0/causes/1").asText()).isEqualTo("resin-on-screen");
        assertThat(sent.get("enough").isBoolean()).isTrue();
        assertThat(sent.at("/causes/0/present").asDouble()).isBetween(0.9, 1.0);
        assertThat(sent.at("/causes/0/evidence/0/words").asText()).isNotBlank();
        assertThat(sent.get("alsoLookAt").isArray()).isTrue();
        JsonNode open = post("/api/v1/diagnosis", "{\"symptoms\":[\"crunch\",\"hole-through\"]}")
                .body();
        assertThat(open.at("/nextChecks/0/savesPerMinute").asDouble()).isPositive();
        assertThat(open.at("/alsoLookAt/0/code").asText()).isEqualTo("screen-dark-pixels");
        assertThat(open.at("/alsoLookAt/0/why").asText()).contains("crushed");
        assertThat(open.at("/alsoLookAt/0/present").asDouble()).isGreaterThan(0.5);
        double sum = 0;
        for (JsonNode cause : sent.get("causes")) {
            sum += cause.get("probability").asDouble();
        }
        assertThat(sum).isCloseTo(1, org.assertj.core.api.Assertions.within(1e-9));
        String m = shop.maskMachine();
        long id = shop.failure(m, 4, "grinding", "z-lines").id();
        JsonNode recorded = get("/api/v1/failures/" + id + "/diagnosis").body();
        assertThat(recorded.at("/causes/0/code").asText()).isEqualTo("z-dry");
        shop.run(m, 10, 240);
        long later = shop.failure(m, 251, "grinding", "z-lines").id();
        JsonNode overdue = get("/api/v1/failures/" + later + "/diagnosis").body();
        assertThat(overdue.at("/causes/0/probability").asDouble())
                .as("lubrication is overdue by now")
                .isGreaterThan(recorded.at("/causes/0/probability").asDouble());
        assertThat(overdue.at("/causes/0/evidence").toString()).contains("history:z-unlubricated");
        assertThat(get("/api/v1/failures/" + id + "/diagnosis").body())
                .as("what came later says nothing of the first")
                .isEqualTo(recorded);
        JsonNode live = post(
                        "/api/v1/diagnosis",
                        "{\"symptoms\":[\"grinding\"],\"machine\":\"" + m + "\",\"zones\":[\"B2\"]}")
                .body();
        assertThat(live.at("/causes/0/evidence").toString()).contains("history:z-unlubricated", "history:one-place");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"symptoms\":[\"crunch\"],\"absent\":[\"crunch\"]} | absent",
                        "{\"symptoms\":[\"nonsense\"]} | symptoms", "{\"symptoms\":[null]} | symptoms",
                "{\"checks\":[{\"check\":\"guess\",\"found\":[]}]} | checks", "{\"checks\":[null]} | checks",
                        "{\"checks\":[{\"check\":\"feel-vat\",\"found\":[null]}]} | checks",
                "{\"checks\":[{\"check\":\"known-good\",\"found\":[\"film-pierced\"]}]} | checks",
                        "{\"history\":[\"full-moon\"]} | history", "{\"machine\":\"nobody\"} | machine"
            })
    void evidenceThatCannotBeIsRefusedByField(String body, String field) throws Exception {
        Answer refused = post("/api/v1/diagnosis", body);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().at("/errors/0/field").asText()).isEqualTo(field);
    }

    @Test
    void withoutAnyEvidenceItSaysWhatToLookForFirst() throws Exception {
        JsonNode nothing = post("/api/v1/diagnosis", "{}").body();
        assertThat(nothing.get("advice").asText()).contains("Look at the plate");
        assertThat(nothing.get("causes")).hasSizeGreaterThan(40);
    }

    private static final String LEVEL =
            "{\"points\":[[5,5,%s],[139,5,%s],[5,76,%s],[139,76,%s]],\"plateMm\":[144,81],\"bottomLayerMm\":0.05%s}";

    private static String level(double frontLeft, double frontRight, double backLeft, double backRight, String more) {
        return LEVEL.formatted(frontLeft, frontRight, backLeft, backRight, more)
                .replaceAll("\\[([0-9.]+),([0-9.]+),(-?[0-9.E]+)\\]", "{\"xMm\":$1,\"yMm\":$2,\"zMm\":$3}");
    }

    @Test
    void aPlateIsJudgedFromItsReadings() throws Exception {
        JsonNode tilted = post(
                        "/api/v1/plate/level",
                        level(0, 0.134, 0, 0.134, ",\"screws\":{\"thread\":\"M4\",\"positions\":[[0,0],[140,0]]}"))
                .body();
        assertThat(tilted.get("tiltXMmPer100").asDouble()).isCloseTo(0.1, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(tilted.get("verdict").asText()).isEqualTo("ADJUST");
        assertThat(tilted.get("lowCorner").asText()).isEqualTo("FRONT_LEFT");
        assertThat(tilted.at("/screwTurns/0").asDouble()).isCloseTo(-0.2, org.assertj.core.api.Assertions.within(1e-9));
        JsonNode twisted =
                post("/api/v1/plate/level", level(0.2, 0, 0, 0.2, "")).body();
        assertThat(twisted.get("verdict").asText()).isEqualTo("SAND");
        assertThat(twisted.get("screwTurns").isNull()).isTrue();
        assertThat(twisted.at("/cannotSee/0").asText())
                .as("four corners see no dish")
                .isEqualTo("DISH");
        assertThat(twisted.get("tiltXMmPer100").toString()).doesNotStartWith("-0.0");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/plate/level|{\"points\":[{\"xMm\":0,\"yMm\":0,\"zMm\":0},{\"xMm\":9,\"yMm\":0,\"zMm\":0}],"
                        + "\"plateMm\":[144,81],\"bottomLayerMm\":0.05}",
                "/plate/level|{\"points\":[{\"xMm\":0,\"yMm\":0,\"zMm\":0},{\"xMm\":9,\"yMm\":9,\"zMm\":0.1},"
                        + "{\"xMm\":18,\"yMm\":18,\"zMm\":0}],\"plateMm\":[144,81],\"bottomLayerMm\":0.05}",
                "/plate/level|{\"points\":[{\"xMm\":0,\"yMm\":0,\"zMm\":0},{\"xMm\":9,\"yMm\":0,\"zMm\":40},"
                        + "{\"xMm\":0,\"yMm\":9,\"zMm\":0}],\"plateMm\":[144,81],\"bottomLayerMm\":0.05}",
                "/plate/level|{\"points\":null,\"plateMm\":[144,81],\"bottomLayerMm\":0.05}",
                "/plate/level|{\"points\":[],\"bottomLayerMm\":0.05}",
                "/runs/estimate|{\"layers\":10,\"exposureS\":2,\"liftMm\":6,\"liftMmPerMin\":0,"
                        + "\"retractMmPerMin\":120}",
                "/runs/estimate|{\"layers\":10}",
                "/resin/working-curve|{\"points\":[{\"exposure\":2,\"depthMm\":0.1}]}",
                "/resin/working-curve|{\"points\":[{\"exposure\":2},{\"exposure\":3,\"depthMm\":0.1}]}",
                "/scale|{\"measurements\":[{\"nominalMm\":0,\"measuredMm\":20}]}",
                "/scale|{}"
            })
    void whatCannotBeComputedIsRefusedInASentence(String path, String body) throws Exception {
        Answer answer = post("/api/v1" + path, body);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(422);
        assertThat(answer.body().get("detail").asText()).endsWith(".");
    }

    @Test
    void timeDoseAndSizeAreComputed() throws Exception {
        JsonNode time = post(
                        "/api/v1/runs/estimate",
                        ("{\"layers\":10,\"bottomLayers\":2,\"transitionLayers\":3,\"bottomExposureS\":30,"
                                + "\"exposureS\":2,"
                                + "\"waitBeforeS\":0.5,\"waitAfterS\":0.5,\"liftMm\":6,\"liftMmPerMin\":60,"
                                + "\"retractMmPerMin\":120}"))
                .body();
        assertThat(time.get("seconds").asDouble()).isEqualTo(218);
        assertThat(time.get("uvOnSeconds").asDouble()).isEqualTo(118);
        JsonNode curve = post(
                        "/api/v1/resin/working-curve",
                        "{\"points\":[{\"exposure\":2,\"depthMm\":0.1},{\"exposure\":4,\"depthMm\":0.17}],"
                                + "\"wantedDepthMm\":0.17}")
                .body();
        assertThat(curve.get("exposureForDepth").asDouble()).isCloseTo(4, org.assertj.core.api.Assertions.within(1e-9));
        JsonNode scale = post(
                        "/api/v1/scale",
                        "{\"measurements\":[{\"nominalMm\":20,\"measuredMm\":20.4},{\"nominalMm\":20,"
                                + "\"measuredMm\":20.3},{\"nominalMm\":20,\"measuredMm\":20.5}]}")
                .body();
        assertThat(scale.get("correct").asBoolean()).isTrue();
        assertThat(scale.get("offsetMm").isNull()).isTrue();
    }

    @Test
    void theGateOfAMachineIsAsked() throws Exception {
        String m = shop.maskMachine();
        JsonNode gate =
                get("/api/v1/machines/" + m + "/gate?layers=1000&resinMl=84").body();
        assertThat(gate.get("mayStart").asBoolean()).isTrue();
        assertThat(gate.get("items").findValuesAsText("state")).contains("ASK", "OK");
        shop.run(m, 1, 4);
        assertThat(get("/api/v1/machines/" + m + "/gate").body().get("mayStart").asBoolean())
                .isFalse();
        assertThat(get("/api/v1/machines/" + m + "/gate?layers=0").status()).isEqualTo(422);
        assertThat(get("/api/v1/machines/heron/gate").status()).isEqualTo(404);
    }

    private static String run(String machine, int from, int to) {
        return ("{\"machine\":\"%s\",\"job\":\"Latch "
                        + "pattern\",\"startedAt\":\"%s\",\"endedAt\":\"%s\",\"layers\":1000,\"layerExposureS\":2.5,"
                        + "\"resinMl\":50,\"outcome\":\"GOOD\"}")
                .formatted(machine, TestShop.at(from), TestShop.at(to));
    }

    private static JsonNode byCode(JsonNode list, String code) {
        return byField(list, "code", code);
    }

    private static JsonNode byField(JsonNode list, String field, String value) {
        for (JsonNode each : list) {
            if (each.get(field).asText().equals(value)) {
                return each;
            }
        }
        throw new AssertionError("No " + value + " in " + list);
    }
}
