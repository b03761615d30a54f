package keel.demo.instruments;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import keel.app.fleet.MachineTools;
import keel.app.fleet.ToolCase;
import keel.sim.story.Story;
import keel.sim.story.ToolBox;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The demo's instruments. What they measure is the simulated shop as its story left it, told again when the first
 * reading is taken, and followed on by the services that were recorded since.
 */
@Component
@Transactional(readOnly = true)
class SimulatedInstruments implements ToolCase {

    private static final int QUIET_S = 45;

    private final JdbcClient jdbc;
    private final ObjectMapper json;
    private final Clock clock;
    private ToolBox box;
    private Instant storyEnded;
    private long lastService;

    SimulatedInstruments(JdbcClient jdbc, ObjectMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /** The instruments laid to a machine of the story; empty for one that was added later. */
    @Override
    public Optional<MachineTools> at(String machine) {
        return box().filter(b -> b.knows(machine)).map(b -> new ToolsAtMachine(b, machine, now()));
    }

    /** The tools that belong to rooms. */
    synchronized Optional<ToolBox> box() {
        if (box == null) {
            storyEnded = storyEnded().orElse(null);
            if (storyEnded == null) {
                return Optional.empty();
            }
            box = new ToolBox(Story.history(Story.SEED, storyEnded, ZoneId.systemDefault()), Story.SEED);
        }
        followOn();
        return Optional.of(box);
    }

    /** Lays the tools out once the first pages are out, so that the first reading need not wait for them. */
    @EventListener(ApplicationReadyEvent.class)
    void layOut() {
        CompletableFuture.delayedExecutor(QUIET_S, TimeUnit.SECONDS).execute(this::box);
    }

    /** When the demo's story ended; empty without its machines. */
    Optional<Instant> storyEnded() {
        return jdbc.sql("select since from machine order by id fetch first row only")
                .query(OffsetDateTime.class)
                .optional()
                .map(began -> began.toInstant().plus(Story.LENGTH));
    }

    Instant now() {
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
