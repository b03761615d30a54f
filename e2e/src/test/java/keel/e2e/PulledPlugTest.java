package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A backup of the running demo is restored elsewhere and works; there the process is killed in a stream of writes, and
 * what it acknowledged is there when it comes back.
 */
class PulledPlugTest {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int ACKNOWLEDGED = 15;

    private final HttpClient client = HttpClient.newHttpClient();

    @TempDir
    private Path folder;

    @Test
    void nothingAcknowledgedIsLostWhenTheProcessIsKilled() throws Exception {
        Path home = restoredFromABackupOfTheRunningDemo();
        String token = Demo.keel().token();
        Set<Long> acknowledged = new ConcurrentSkipListSet<>();
        try (KeelProcess keel = KeelProcess.start("run", home)) {
            CountDownLatch enough = new CountDownLatch(ACKNOWLEDGED);
            Thread writer = writer(keel.address(), token, acknowledged, enough);
            writer.start();
            enough.await();
            keel.kill();
            writer.join();
        }
        assertThat(acknowledged).hasSizeGreaterThanOrEqualTo(ACKNOWLEDGED);
        try (KeelProcess keel = KeelProcess.start("run", home)) {
            assertThat(failures(keel.address(), token)).containsAll(acknowledged);
            assertThat(keel.terminate()).as("ended by TERM").isIn(0, 143);
        }
    }

    private Path restoredFromABackupOfTheRunningDemo() throws Exception {
        Path backup = folder.resolve("backup.zip");
        Path home = folder.resolve("restored");
        assertThat(KeelProcess.errand(
                        "backup",
                        backup.toString(),
                        "--home",
                        Demo.keel().home().toString()))
                .startsWith("0\n");
        assertThat(KeelProcess.errand("restore", backup.toString(), "--home", home.toString()))
                .startsWith("0\n");
        assertThat(KeelProcess.errand("backup", "--check", backup.toString()))
                .startsWith("0\n")
                .contains("every sum holds");
        assertThat(KeelProcess.errand("restore", backup.toString(), "--home", home.toString()))
                .startsWith("0\n")
                .contains("What was there is kept in");
        return home;
    }

    private Thread writer(String address, String token, Set<Long> acknowledged, CountDownLatch enough) {
        return new Thread(
                () -> {
                    Instant seen = Instant.now().minus(3, ChronoUnit.HOURS).truncatedTo(ChronoUnit.SECONDS);
                    for (int i = 0; ; i++) {
                        String body = ("{\"machine\":\"avocet\",\"symptoms\":[\"tacky\"],\"seenAt\":\"%s\","
                                        + "\"note\":\"write %d\"}")
                                .formatted(seen.plusSeconds(i), i);
                        try {
                            HttpResponse<String> answer = client.send(
                                    request(address + "/api/v1/failures", token)
                                            .header("Content-Type", "application/json")
                                            .POST(HttpRequest.BodyPublishers.ofString(body))
                                            .build(),
                                    HttpResponse.BodyHandlers.ofString());
                            assertThat(answer.statusCode()).isEqualTo(201);
                            acknowledged.add(
                                    JSON.readTree(answer.body()).get("id").asLong());
                            enough.countDown();
                        } catch (IOException e) {
                            return; // the plug
                        } catch (InterruptedException e) {
                            Thread.currentThread().interrupt();
                            return;
                        }
                    }
                },
                "writer");
    }

    private Set<Long> failures(String address, String token) throws Exception {
        Set<Long> ids = new HashSet<>();
        HttpResponse<String> answer = client.send(
                request(address + "/api/v1/failures?machine=avocet&size=1000", token)
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        for (JsonNode failure : JSON.readTree(answer.body())) {
            ids.add(failure.get("id").asLong());
        }
        return ids;
    }

    private static HttpRequest.Builder request(String address, String token) {
        return HttpRequest.newBuilder(URI.create(address)).header("Authorization", "Bearer " + token);
    }
}
