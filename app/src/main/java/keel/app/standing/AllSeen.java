package keel.app.standing;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Remembered;
import keel.core.standing.PartCondition;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** What all rooms say of the condition of parts, and with which of them somebody decided to print on. */
@Component
class AllSeen {

    private static final ObjectMapper JSON = new ObjectMapper();

    private final List<SeenParts> rooms;
    private final ConditionRecords records;
    private final Remembered<Map<Part, Decided>> decided = new Remembered<>();

    AllSeen(List<SeenParts> rooms, ConditionRecords records) {
        this.rooms = rooms;
        this.records = records;
    }

    /** A kind of part on a machine. */
    private record Part(long machine, String kind) {

        /** A film and a tank line the vat alike. */
        static Part of(long machine, String kind) {
            return new Part(machine, kind.equals(PartUse.UsedPart.TANK.name()) ? PartUse.UsedPart.FILM.name() : kind);
        }
    }

    /** Somebody printed on with it. */
    private record Decided(Instant at, String reason) {}

    /** By the part's number. */
    Map<Long, PartCondition> fitted() {
        Map<Long, PartCondition> all = new HashMap<>();
        rooms.forEach(r -> all.putAll(r.fitted()));
        return all;
    }

    /** Why somebody printed on with it since it was fitted and looked at last; null where nobody decided so. */
    String kept(long machine, PartUse.UsedPart kind, PartView part, PartCondition condition) {
        Decided last = decided.get(this::read).get(Part.of(machine, kind.name()));
        boolean holds = last != null
                && !last.at().isBefore(part.since())
                && (condition == null
                        || condition.lookedAt() == null
                        || !last.at().isBefore(condition.lookedAt()));
        return holds ? last.reason() : null;
    }

    private Map<Part, Decided> read() {
        Map<Part, Decided> last = new HashMap<>();
        for (ConditionRecords.Kept k : records.kept()) {
            JsonNode said = json(k.content());
            last.put(
                    Part.of(k.machine(), said.path("part").asText()),
                    new Decided(k.at(), said.path("reason").asText().strip().replaceAll("\\.$", "")));
        }
        return last;
    }

    private static JsonNode json(String content) {
        try {
            return JSON.readTree(content);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    public void changed(RunsChanged changed) {
        decided.forget();
    }
}
