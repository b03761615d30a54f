package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.concurrent.CountDownLatch;

/** Writes one failure after another through the open interface until the plug is pulled, and knows which were taken. */
final class WritesOn {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int MOST = 1000;

    private final HttpClient client = HttpClient.newHttpClient();
    private final Set<Long> acknowledged = new ConcurrentSkipListSet<>();
    private final String token;

    WritesOn(String token) {
        this.token = token;
    }

    /** Every one that was ever acknowledged. */
    Set<Long> acknowledged() {
        return acknowledged;
    }

    /** Lets the process write until so many were taken, then pulls the plug in the stream of them. */
    void untilKilled(KeelProcess keel, int many) throws InterruptedException {
        CountDownLatch enough = new CountDownLatch(many);
        Thread writer = new Thread(() -> write(keel.address(), enough), "writer");
        writer.start();
        enough.await();
        keel.kill();
        writer.join();
    }

    private void write(String address, CountDownLatch enough) {
        Instant seen = Instant.now().minus(3, ChronoUnit.HOURS).truncatedTo(ChronoUnit.SECONDS);
        for (int i = 0; ; i++) {
            String body = ("{\"machine\":\"avocet\",\"symptoms\":[\"tacky\"],\"seenAt\":\"%s\",\"note\":\"write %d\"}")
                    .formatted(seen.plusSeconds(i), i);
            try {
                HttpResponse<String> answer = client.send(
                        request(address + "/api/v1/failures")
                                .header("Content-Type", "application/json")
                                .POST(HttpRequest.BodyPublishers.ofString(body))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
                assertThat(answer.statusCode()).isEqualTo(201);
                acknowledged.add(JSON.readTree(answer.body()).get("id").asLong());
                enough.countDown();
            } catch (IOException e) {
                return; // the plug
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    /** Those of the acknowledged that are not there, of the newest thousand. */
    Set<Long> lost(String address) throws IOException, InterruptedException {
        HttpResponse<String> answer = client.send(
                request(address + "/api/v1/failures?machine=avocet&size=" + MOST)
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        Set<Long> there = new HashSet<>();
        for (JsonNode failure : JSON.readTree(answer.body())) {
            there.add(failure.get("id").asLong());
        }
        Set<Long> lost = new HashSet<>(acknowledged);
        lost.removeAll(there);
        return lost;
    }

    private HttpRequest.Builder request(String address) {
        return HttpRequest.newBuilder(URI.create(address)).header("Authorization", "Bearer " + token);
    }
}
