package keel.app.air;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.UncheckedIOException;
import java.util.Map;
import keel.app.base.Refused;
import keel.core.Findings;
import keel.core.air.AirPath;
import org.springframework.stereotype.Service;

/** Air paths as they are planned, kept with their room. */
@Service
public class AirPlans {

    private final RoomAir rooms;
    private final AirParts parts;
    private final ObjectMapper json;

    AirPlans(RoomAir rooms, AirParts parts, ObjectMapper json) {
        this.rooms = rooms;
        this.parts = parts;
        this.json = json;
    }

    /** What was kept, over what a shop usually begins with, under what is asked now. */
    public PlanForm form(String room, Map<String, String> asked) {
        return PlanForm.of(rooms.path(room).map(this::read).orElse(Map.of()), asked);
    }

    /** @throws Refused with what cannot be at its field, also where the fan cannot reach the resistance */
    public AirPath.Moved moved(AirPath path) {
        try {
            return path.moved();
        } catch (IllegalArgumentException e) {
            throw new Refused("fan", e.getMessage());
        }
    }

    /**
     * @param typed fields of the planner
     * @throws Refused if something cannot be, or nobody said how large the room is
     */
    public void keep(String room, Map<String, String> typed) {
        PlanForm form = PlanForm.of(Map.of(), typed);
        Findings findings = new Findings();
        AirPath path = form.path(findings);
        Refused.unless(findings);
        RoomAir.RoomView view = rooms.one(room);
        if (view.room().volumeM3() == null) {
            throw new Refused("volumeM3", "Say first how large the room is.");
        }
        rooms.plan(
                room, write(form.typed()), moved(path).flowM3H() / view.room().volumeM3());
    }

    /** Something in the air's path is kept up from now on, by its usual life. */
    public void keepUp(String kind, String name, String room) {
        parts.add(kind, name, room, null, null);
    }

    private Map<String, String> read(String path) {
        try {
            return json.readValue(path, new TypeReference<Map<String, String>>() {});
        } catch (JsonProcessingException e) {
            throw new UncheckedIOException(e);
        }
    }

    private String write(Map<String, String> path) {
        try {
            return json.writeValueAsString(path);
        } catch (JsonProcessingException e) {
            throw new UncheckedIOException(e);
        }
    }
}
