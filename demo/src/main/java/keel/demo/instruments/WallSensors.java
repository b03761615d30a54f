package keel.demo.instruments;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import keel.app.air.RoomAir;
import keel.app.air.Sensors;
import keel.sim.instrument.AirSensor;
import keel.sim.instrument.SensorPost;
import keel.sim.story.Story;
import keel.sim.story.WallLog;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * The sensors on the demo's walls go on: each minute they post, as real ones would, what they read since they last did.
 * A print that goes into the bath shows in the vapour.
 */
@Component
class WallSensors {

    private static final Logger LOG = LoggerFactory.getLogger(WallSensors.class);
    /** The first page comes first. */
    private static final int QUIET_S = 60;

    private static final int EACH_S = 60;
    /** What was washed longer ago has left the air. */
    private static final Duration AIRED = Duration.ofHours(8);

    private static final Duration MOST = Duration.ofDays(2);
    private static final String NAME = "wall-";

    private final SimulatedInstruments instruments;
    private final Sensors sensors;
    private final RoomAir rooms;
    private final Path token;
    private final Clock clock;
    private WallLog walls;
    private ScheduledFuture<?> posting;
    private final ScheduledExecutorService pace = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "wall-sensors");
        thread.setDaemon(true);
        return thread;
    });

    WallSensors(
            SimulatedInstruments instruments,
            Sensors sensors,
            RoomAir rooms,
            @Value("${keel.home}") Path home,
            Clock clock) {
        this.instruments = instruments;
        this.sensors = sensors;
        this.rooms = rooms;
        this.token = home.resolve("api-token");
        this.clock = clock;
    }

    @EventListener
    void begin(WebServerInitializedEvent server) {
        String shop = "http://localhost:" + server.getWebServer().getPort();
        posting = pace.scheduleWithFixedDelay(() -> post(shop), QUIET_S, EACH_S, TimeUnit.SECONDS);
    }

    @PreDestroy
    void end() {
        if (posting != null) {
            posting.cancel(true);
        }
        pace.shutdownNow();
    }

    /** Posts what is new; a sensor that cannot be heard today is heard tomorrow. */
    void post(String shop) {
        try {
            for (Sensors.Sensor sensor : sensors.all()) {
                List<AirSensor.Minute> minutes = since(sensor, clock.instant());
                if (!minutes.isEmpty()) {
                    SensorPost.send(
                            SensorPost.at(shop, sensor.code()),
                            Files.readString(token).strip(),
                            minutes);
                }
            }
        } catch (IOException | RuntimeException e) {
            LOG.info("The sensors on the walls were not heard: {}", e.toString());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** What a sensor of the demo has read since its last reading; nothing for any other. */
    List<AirSensor.Minute> since(Sensors.Sensor sensor, Instant now) {
        if (!sensor.code().startsWith(NAME) || sensor.lastAt() == null) {
            return List.of();
        }
        String room = sensor.code().substring(NAME.length());
        Instant from = sensor.lastAt().plusSeconds(60).isAfter(now.minus(MOST))
                ? sensor.lastAt().plusSeconds(60)
                : now.minus(MOST);
        Optional<WallLog> log = from.isAfter(now)
                ? Optional.empty()
                : walls().filter(w -> w.rooms().contains(room));
        Duration back = Duration.ofMinutes(Duration.between(from, now).toMinutes());
        return log.map(w -> w.minutes(room, from.plus(back), back, rooms.washes(room, from.minus(AIRED), now)))
                .orElse(List.of());
    }

    private Optional<WallLog> walls() {
        if (walls == null) {
            walls = instruments
                    .storyEnded()
                    .map(end -> new WallLog(Story.SEED, end))
                    .orElse(null);
        }
        return Optional.ofNullable(walls);
    }
}
