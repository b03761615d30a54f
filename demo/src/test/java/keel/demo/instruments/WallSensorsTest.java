package keel.demo.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.sun.net.httpserver.HttpServer;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import keel.app.air.RoomAir;
import keel.app.air.Sensors;
import keel.app.support.AppTest;
import keel.core.air.SensorReading;
import keel.sim.instrument.AirSensor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The demo's sensors go on from their last reading, by the protocol that any sensor speaks. */
class WallSensorsTest extends AppTest {

    @Autowired
    private Sensors sensors;

    @Autowired
    private RoomAir rooms;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private ObjectMapper json;

    @Autowired
    private Clock clock;

    @TempDir
    private Path home;

    private WallSensors walls;

    @BeforeEach
    void demo() {
        shop.people();
        shop.maskMachine();
        shop.as("keeper");
        walls = new WallSensors(new SimulatedInstruments(jdbc, json, clock), sensors, rooms, home, clock);
    }

    private Sensors.Sensor sensor(String code, Instant last) {
        return new Sensors.Sensor(1, code, null, null, last);
    }

    @Test
    void itGoesOnAfterItsLastReadingAndNoLongerThanTwoDaysBack() {
        Instant now = Instant.parse("2026-02-01T10:00:30Z");
        List<AirSensor.Minute> ten = walls.since(sensor("wall-annexe", now.minus(Duration.ofMinutes(10))), now);
        assertThat(ten).hasSizeBetween(8, 10).allSatisfy(m -> {
            assertThat(m.at()).isAfter(now.minus(Duration.ofMinutes(10))).isBeforeOrEqualTo(now);
            assertThat(m.temperatureC()).isBetween(5.0, 35.0);
        });
        assertThat(walls.since(sensor("wall-annexe", now.minusSeconds(30)), now))
                .as("a minute is not over")
                .isEmpty();
        assertThat(walls.since(sensor("wall-annexe", now.minus(Duration.ofDays(9))), now)
                        .size())
                .as("two days of minutes, a few missing")
                .isCloseTo(2880, within(90));
        assertThat(walls.since(sensor("shelf-1", now.minus(Duration.ofHours(1))), now))
                .as("not one of the demo's")
                .isEmpty();
        assertThat(walls.since(sensor("wall-cellar", now.minus(Duration.ofHours(1))), now))
                .as("no such room")
                .isEmpty();
    }

    @Test
    void itPostsWithTheShopsTokenAndBearsWithSilence() throws Exception {
        Files.writeString(home.resolve("api-token"), "secret\n");
        sensors.take(
                "wall-annexe",
                List.of(new SensorReading(clock.instant().minus(Duration.ofMinutes(5)), 90.0, 19.0, 50.0)));
        List<String> got = new ArrayList<>();
        HttpServer server = HttpServer.create(new InetSocketAddress("localhost", 0), 0);
        server.createContext("/", exchange -> {
            got.add(exchange.getRequestURI() + " "
                    + exchange.getRequestHeaders().getFirst("Authorization") + " "
                    + new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
            exchange.sendResponseHeaders(201, -1);
            exchange.close();
        });
        server.start();
        String shopAt = "http://localhost:" + server.getAddress().getPort();
        try {
            walls.post(shopAt);
        } finally {
            server.stop(0);
        }
        assertThat(got)
                .singleElement()
                .asString()
                .startsWith("/api/v1/sensors/wall-annexe/readings Bearer secret [{\"at\":\"");
        walls.post(shopAt);
    }
}
