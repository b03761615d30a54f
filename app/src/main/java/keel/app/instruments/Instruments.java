package keel.app.instruments;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.sim.story.Story;
import keel.sim.story.ToolBox;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The demo's instruments. What they measure is the simulated shop as its story left it, told again when the first
 * reading is taken, and followed on by the services that were recorded since.
 */
@Component("instruments")
@Transactional(readOnly = true)
public class Instruments {

    private final boolean demo;
    private final JdbcClient jdbc;
    private final ObjectMapper json;
    private final Clock clock;
    private ToolBox box;
    private Instant storyEnded;
    private long lastService;

    Instruments(@Value("${keel.demo:false}") boolean demo, JdbcClient jdbc, ObjectMapper json, Clock clock) {
        this.demo = demo;
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /** Whether there are any. */
    public boolean there() {
        return demo;
    }

    /**
     * The tools, for a machine that they can measure; empty outside the demo and for a machine that was added later.
     */
    public Optional<ToolBox> at(String machine) {
        return box().filter(b -> b.knows(machine));
    }

    /** The tools that belong to rooms. */
    public synchronized Optional<ToolBox> box() {
        if (!demo) {
            return Optional.empty();
        }
        if (box == null) {
            storyEnded = storyEnded().orElse(null);
            if (storyEnded == null) {
                return Optional.empty();
            }
            box = new ToolBox(
                    Story.tell(Story.SEED, storyEnded, ZoneId.systemDefault()).history(), Story.SEED);
        }
        followOn();
        return Optional.of(box);
    }

    /** When the demo's story ended; empty without its machines. */
    Optional<Instant> storyEnded() {
        return jdbc.sql("select since from machine order by id fetch first row only")
                .query(OffsetDateTime.class)
                .optional()
                .map(began -> began.toInstant().plus(Story.LENGTH));
    }

    /** A reading as somebody would type it. */
    public static String typed(double reading) {
        return BigDecimal.valueOf(reading).stripTrailingZeros().toPlainString();
    }

    public Instant now() {
        return clock.instant();
    }

    private record Done(long id, String machine, String kind, String content) {}

    private void followOn() {
        List<Done> since = jdbc.sql(
                        """
                select s.id, m.code, s.kind, s.content from service s join machine m on m.id = s.machine_id
                where s.at > ? and s.id > ? and not s.withdrawn order by s.id""")
                .params(storyEnded.atOffset(ZoneOffset.UTC), lastService)
                .query((row, i) -> new Done(row.getLong(1), row.getString(2), row.getString(3), row.getString(4)))
                .list();
        for (Done done : since) {
            box.done(done.machine(), done.kind(), values(done.content()));
            lastService = done.id();
        }
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> values(String content) {
        try {
            return content == null ? Map.of() : json.readValue(content, Map.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
