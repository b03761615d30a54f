package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import keel.sim.chance.Chance;
import keel.sim.instrument.AirSensor;
import keel.sim.shop.Shop;
import keel.sim.world.Parameters;
import keel.sim.world.Rooms;

/** What the sensors on the walls log, before a story's end and after it, without the story being told again. */
public final class WallLog {

    private final Rooms rooms;
    private final Chance walls;

    public WallLog(long seed, Instant storyEnded) {
        Instant end = storyEnded.truncatedTo(ChronoUnit.SECONDS);
        this.rooms = Shop.weather(Parameters.shipped(Story.PARAMETERS), Chance.of(seed), end.minus(Story.LENGTH), end);
        this.walls = AirStory.walls(Chance.of(seed).stream("story").stream("air"));
    }

    /** Rooms with a sensor. */
    public Set<String> rooms() {
        return rooms.codes();
    }

    /** Minute by minute up to a moment; {@code washes} is when prints went into a bath there. */
    public List<AirSensor.Minute> minutes(String room, Instant until, Duration back, List<Instant> washes) {
        return AirSensor.minutes(rooms, room, until, back, washes, walls);
    }
}
