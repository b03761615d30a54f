package keel.sim.world;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import keel.sim.chance.Chance;

/**
 * The rooms' air over the whole story, half hour by half hour. People clean a fan's mesh once it is plainly clogged.
 */
public final class Rooms {

    private static final double PLAINLY_CLOGGED = 0.42;

    /** A room at one moment. */
    public record Air(double temperatureC, double humidityPercent, double swingKPerHour, double openMesh) {}

    private final Instant start;
    private final Map<String, Air[]> series = new HashMap<>();

    public Rooms(Parameters parameters, Chance chance, Instant start, Instant end) {
        this.start = start.minus(Duration.ofDays(10));
        parameters.rooms().keySet().stream()
                .sorted()
                .forEach(code -> series.put(code, series(parameters, code, chance, end)));
    }

    private Air[] series(Parameters parameters, String code, Chance chance, Instant end) {
        Outdoors outdoors = new Outdoors(
                parameters.climate(),
                chance.stream("outdoors"),
                start.atZone(ZoneOffset.UTC).toLocalDate());
        Room room = new Room(code, parameters.rooms().get(code), outdoors, chance.stream(code), start);
        Air[] all = new Air[(int) (Duration.between(start, end).toMinutes() / Room.STEP.toMinutes()) + 2];
        for (int i = 0; i < all.length; i++) {
            all[i] = new Air(room.temperatureC(), room.humidityPercent(), room.swingKPerHour(), room.openMesh());
            room.until(start.plus(Room.STEP.multipliedBy(i + 1L)));
            if (room.openMesh() < PLAINLY_CLOGGED) {
                room.cleanMesh();
            }
        }
        return all;
    }

    public Air at(String room, Instant when) {
        Air[] all = series.get(room);
        int i = (int) (Duration.between(start, when).toMinutes() / Room.STEP.toMinutes());
        return all[Math.max(0, Math.min(all.length - 1, i))];
    }

    public Set<String> codes() {
        return series.keySet();
    }
}
