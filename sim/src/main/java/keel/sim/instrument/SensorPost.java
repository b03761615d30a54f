package keel.sim.instrument;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** The little protocol by which a sensor says what it read. */
public final class SensorPost {

    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private SensorPost() {}

    /** Where the readings of a sensor go, of a shop at this address. */
    public static URI at(String shop, String sensor) {
        return URI.create(shop.replaceAll("/+$", "") + "/api/v1/sensors/" + sensor + "/readings");
    }

    /** Answers what the other side said. */
    public static String send(URI to, String token, List<AirSensor.Minute> minutes)
            throws IOException, InterruptedException {
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(to)
                                .timeout(PATIENCE)
                                .header("Authorization", "Bearer " + token)
                                .header("Content-Type", "application/json")
                                .POST(HttpRequest.BodyPublishers.ofString(json(minutes)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        return answer.statusCode() + " " + answer.body();
    }

    private static String json(List<AirSensor.Minute> minutes) {
        return minutes.stream()
                .map(m -> String.format(
                        Locale.ROOT,
                        "{\"at\":\"%s\",\"tvoc\":%.0f,\"temperatureC\":%.1f,\"humidityPercent\":%.1f}",
                        m.at(),
                        m.vapourPpb(),
                        m.temperatureC(),
                        m.humidityPercent()))
                .collect(Collectors.joining(",", "[", "]"));
    }
}
