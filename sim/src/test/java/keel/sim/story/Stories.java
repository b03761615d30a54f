package keel.sim.story;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** Stories that several tests read; each is told once. */
final class Stories {

    static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    private static final Map<String, Story.Told> TOLD = new ConcurrentHashMap<>();

    private Stories() {}

    static Story.Told upTo(String end) {
        return TOLD.computeIfAbsent(end, Stories::anew);
    }

    static Story.Told anew(String end) {
        return Story.tell(Story.SEED, Instant.parse(end), ZONE);
    }
}
