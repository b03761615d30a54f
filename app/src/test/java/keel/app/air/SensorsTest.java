package keel.app.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.StreamSupport;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.people.Role;
import keel.app.support.PageTest;
import keel.core.air.SensorReading;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Readings as sensors send them, and what follows from them. */
class SensorsTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private Sensors sensors;

    @Autowired
    private RoomAir rooms;

    @Autowired
    private Fleet fleet;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcClient jdbc;

    private String sensor;
    private String room;

    @BeforeEach
    void open() {
        shop.people();
        shop.as("keeper");
        sensor = "wall-" + NUMBER.incrementAndGet();
        room = fleet.addRoom("Airy " + NUMBER.get());
    }

    private static List<SensorReading> minutes(Instant from, int count, long seed) {
        Random random = new Random(seed);
        List<SensorReading> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(new SensorReading(
                    from.plusSeconds(60L * i),
                    100 + Math.floor(50 * random.nextDouble()),
                    20 + random.nextInt(20) / 10.0,
                    null));
        }
        return all;
    }

    /** Quarters, hours and days are what a plain sum over all kept readings gives, whatever the order they came in. */
    @Test
    void lateDoubleAndOutOfOrderReadingsAddUpAsIfTheyHadComeInOrder() {
        Instant from = Instant.parse("2026-02-03T05:07:00Z");
        List<SensorReading> all = minutes(from, 2000, 4);
        List<SensorReading> shuffled = new ArrayList<>(all);
        Collections.shuffle(shuffled, new Random(2));
        for (int i = 0; i < shuffled.size(); i += 130) {
            sensors.take(sensor, shuffled.subList(i, Math.min(shuffled.size(), i + 130)));
        }
        Sensors.Taken again = sensors.take(sensor, all.subList(0, 500));
        assertThat(again.kept()).isZero();
        assertThat(again.known()).isEqualTo(500);
        sensors.place(sensor, room);
        Sensors.Series hours = sensors.series(room, null, from.minusSeconds(1), from.plusSeconds(20 * 86_400));
        assertThat(hours.spanS()).isEqualTo(3600);
        for (Sensors.Point p : hours.points()) {
            List<SensorReading> in = all.stream()
                    .filter(r -> r.at().getEpochSecond() / 3600 == p.at().getEpochSecond() / 3600)
                    .toList();
            assertThat(p.tvocMax())
                    .isEqualTo(
                            in.stream().mapToDouble(SensorReading::tvoc).max().orElseThrow());
            assertThat(p.temperatureMin())
                    .isEqualTo(in.stream()
                            .mapToDouble(SensorReading::temperatureC)
                            .min()
                            .orElseThrow());
            if (in.size() == 60) {
                assertThat(p.tvoc())
                        .isCloseTo(
                                in.stream()
                                        .mapToDouble(SensorReading::tvoc)
                                        .average()
                                        .orElseThrow(),
                                within(1e-9));
            }
        }
        assertThat(sensors.series(room, null, from, from.plusSeconds(36_000)).points())
                .as("minute by minute within hours")
                .hasSize(600);
        sensors.take(sensor, List.of(new SensorReading(from, 9000.0, 20.0, null)));
        assertThat(sensors.series(room, null, from.minusSeconds(1), from.plusSeconds(20 * 86_400))
                        .points()
                        .get(0)
                        .tvocMax())
                .as("put right later")
                .isEqualTo(9000);
        assertThat(jdbc.sql("select sum(n) from sensor_rollup r join sensor s on s.id = r.sensor_id where "
                                + "s.code = ? and span_s = 86400")
                        .param(sensor)
                        .query(Long.class)
                        .single())
                .isEqualTo(2000);
    }

    @Test
    void theInterfaceKeepsWhatCanBeKeptAndSaysWhatNot() throws Exception {
        String token = shop.token(Role.OWNER);
        String body = "[{\"at\":\"2026-03-01T10:00:00Z\",\"tvoc\":120,\"temperatureC\":20.5,\"humidityPercent\":48},"
                + "{\"at\":\"2026-03-01T10:01:00Z\",\"tvoc\":-5},{\"at\":\"2226-03-01T10:02:00Z\",\"tvoc\":5}]";
        var answer = mvc.perform(MockMvcRequestBuilders.post("/api/v1/sensors/" + sensor + "/readings")
                        .header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).isEqualTo(201);
        JsonNode taken = JSON.readTree(answer.getContentAsString());
        assertThat(taken.get("kept").asInt()).isEqualTo(1);
        assertThat(taken.get("refused")).hasSize(2);
        assertThat(taken.get("refused").get(1).get("why").asText()).contains("runs ahead");
        for (String wrong :
                List.of("[]", "[{\"at\":\"2026-03-01T10:01:00Z\",\"tvoc\":-5}]", "[null]", "[{\"tvoc\":5}]")) {
            int status = mvc.perform(MockMvcRequestBuilders.post("/api/v1/sensors/" + sensor + "/readings")
                            .header("Authorization", "Bearer " + token)
                            .contentType(MediaType.APPLICATION_JSON)
                            .content(wrong))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            assertThat(status).as(wrong).isEqualTo(422);
        }
        SecurityContextHolder.clearContext();
        shop.as("keeper");
        sensors.place(sensor, room);
        JsonNode all = JSON.readTree(
                mvc.perform(MockMvcRequestBuilders.get("/api/v1/rooms").header("Authorization", "Bearer " + token))
                        .andReturn()
                        .getResponse()
                        .getContentAsString());
        JsonNode mine = StreamSupport.stream(all.spliterator(), false)
                .filter(r -> r.get("code").asText().equals(room))
                .findFirst()
                .orElseThrow();
        assertThat(mine.get("temperatureC").asDouble()).isEqualTo(20.5);
        assertThat(mine.get("sensors").get(0).asText()).isEqualTo(sensor);
    }

    @Test
    void anAlarmTakesTimeAboveTheLimitNotASinglePoint() {
        Instant now = Instant.now();
        sensors.place(seen(new SensorReading(now.minusSeconds(3000), 5000.0, 21.0, null)), room);
        rooms.describe(room, new RoomAir.Described(40.0, 2.0, 18.0, 28.0, "one window", true, 400.0));
        assertThat(rooms.one(room).alarms()).isEmpty();
        List<SensorReading> above = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            above.add(new SensorReading(now.minusSeconds(60L * (i + 1)), 600.0, 16.0, null));
        }
        sensors.take(sensor, above);
        assertThat(rooms.one(room).alarms())
                .anyMatch(a -> a.contains("vapour above 400 ppb"))
                .anyMatch(a -> a.contains("colder than 18"));
        assertThatThrownBy(() -> rooms.describe(room, new RoomAir.Described(0.0, 2.0, 30.0, 20.0, null, false, null)))
                .isInstanceOf(Refused.class);
    }

    private String seen(SensorReading reading) {
        return sensors.take(sensor, List.of(reading)).sensor();
    }

    @Test
    void fanHoursAreThoseBetweenOnAndOff() {
        Instant start = Instant.now().minusSeconds(7200);
        rooms.fan(room, true);
        assertThat(rooms.one(room).fanRunning()).isTrue();
        jdbc.sql("update fan_switch set at = ? where room_id = (select id from room where code = ?)")
                .params(start.atOffset(ZoneOffset.UTC), room)
                .update();
        assertThat(rooms.fanLogs().get(room).hours(start.minusSeconds(100), Instant.now()))
                .isCloseTo(2, within(0.01));
        assertThat(rooms.fanLogs().get(room).hours(start.plusSeconds(3600), Instant.now()))
                .isCloseTo(1, within(0.01));
        rooms.fan(room, false);
        assertThat(rooms.one(room).fanRunning()).isFalse();
    }

    @Test
    void aSensorNeedsACodeThatCanBe() {
        assertThatThrownBy(() -> sensors.take("../etc", minutes(Instant.parse("2026-02-03T05:00:00Z"), 2, 1)))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> sensors.take("", List.of())).isInstanceOf(Refused.class);
    }
}
