package keel.sim.instrument;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.sim.chance.Chance;
import keel.sim.world.Parameters;
import keel.sim.world.Rooms;

/**
 * {@code ./keel sensor}: a stand-in for a sensor on the wall. It posts what it would have logged lately, then a reading
 * each minute, until it is stopped.
 */
public final class SensorCommand {

    private static final String USAGE =
            "Usage: ./keel sensor [--to http://localhost:8080] [--token FILE] [--name spare-1] [--room "
                    + "long-room|annexe] [--minutes 120] [--once true]";
    private static final int MOST_MINUTES = 20_000;
    private static final long SEED = 7;

    private SensorCommand() {}

    public static void main(String[] arguments) throws InterruptedException {
        try {
            Map<String, String> o = options(arguments);
            String token = Files.readString(Path.of(o.getOrDefault("token", "var/demo/api-token")))
                    .strip();
            URI to = SensorPost.at(o.getOrDefault("to", "http://localhost:8080"), o.getOrDefault("name", "spare-1"));
            String room = o.getOrDefault("room", "long-room");
            int back = Math.max(1, Math.min(MOST_MINUTES, Integer.parseInt(o.getOrDefault("minutes", "120"))));
            Rooms rooms = rooms();
            if (!rooms.codes().contains(room)) {
                throw new IllegalArgumentException(
                        "There is no room " + room + ": " + String.join(", ", rooms.codes()) + ".");
            }
            System.out.println(SensorPost.send(to, token, log(rooms, room, Instant.now(), Duration.ofMinutes(back))));
            while (!o.containsKey("once")) {
                Thread.sleep(60_000);
                System.out.println(SensorPost.send(to, token, log(rooms, room, Instant.now(), Duration.ofMinutes(2))));
            }
        } catch (IllegalArgumentException | IOException e) {
            System.err.println(e.getMessage() + "\n" + USAGE);
            System.exit(2);
        }
    }

    private static Rooms rooms() {
        return new Rooms(
                Parameters.shipped("shop-a"),
                Chance.of(SEED).stream("rooms"),
                Instant.now().minus(Duration.ofDays(20)),
                Instant.now().plus(Duration.ofDays(7)));
    }

    /** Whole minutes, so that one that is posted twice is the same. */
    static List<AirSensor.Minute> log(Rooms rooms, String room, Instant until, Duration back) {
        Instant minute = Instant.ofEpochSecond(until.getEpochSecond() / 60 * 60);
        return AirSensor.minutes(rooms, room, minute, back, List.of(), Chance.of(SEED).stream("sensor"));
    }

    private static Map<String, String> options(String[] arguments) {
        Map<String, String> options = new HashMap<>();
        for (int i = 0; i < arguments.length; i += 2) {
            if (!arguments[i].startsWith("--") || i + 1 == arguments.length) {
                throw new IllegalArgumentException("What is " + arguments[i] + "?");
            }
            options.put(arguments[i].substring(2), arguments[i + 1]);
        }
        return options;
    }
}
