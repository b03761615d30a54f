package keel.sim.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The stand-in speaks the little protocol of docs/air.md. */
class SensorPostTest {

    @Test
    void itPostsAListOfReadingsWithItsToken() throws Exception {
        List<String> got = new ArrayList<>();
        HttpServer server = HttpServer.create(new InetSocketAddress("localhost", 0), 0);
        server.createContext("/", exchange -> {
            got.add(exchange.getRequestMethod() + " " + exchange.getRequestURI() + " "
                    + exchange.getRequestHeaders().getFirst("Authorization") + " "
                    + new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
            exchange.sendResponseHeaders(201, 2);
            exchange.getResponseBody().write("{}".getBytes(StandardCharsets.UTF_8));
            exchange.close();
        });
        server.start();
        try {
            URI to = SensorPost.at("http://localhost:" + server.getAddress().getPort() + "/", "wall-1");
            Instant at = Instant.parse("2026-03-01T10:00:00Z");
            assertThat(SensorPost.send(to, "secret", List.of(new AirSensor.Minute(at, 20.5, 47.04, 123.4))))
                    .isEqualTo("201 {}");
        } finally {
            server.stop(0);
        }
        assertThat(got)
                .containsExactly("POST /api/v1/sensors/wall-1/readings Bearer secret "
                        + "[{\"at\":\"2026-03-01T10:00:00Z\",\"tvoc\":123,\"temperatureC\":20.5,"
                        + "\"humidityPercent\":47.0}]");
    }
}
