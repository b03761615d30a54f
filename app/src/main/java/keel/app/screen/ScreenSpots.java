package keel.app.screen;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keel.app.standing.MachineNow;
import keel.app.standing.PartView;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Spots of screens as the last inspection since they were fitted says. */
@Service
@Transactional(readOnly = true)
public class ScreenSpots {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final double USUAL_MM = 3;

    private final JdbcClient jdbc;

    ScreenSpots(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * An inspection; spots of which it does not say where they are are left out. {@code photo} is the number of the
     * photograph that it was written down from, null if by eye.
     */
    public record Last(Instant at, boolean clean, List<Spot> spots, Long photo) {}

    /** Empty where its screen was not inspected yet, or where it has none. */
    public Optional<Last> last(MachineNow m) {
        return history(m, 1).stream().findFirst();
    }

    /** Inspections since its screen was fitted, the newest first. */
    public List<Last> history(MachineNow m, int most) {
        return m.screen() == null
                ? List.of()
                : history(most, Map.of(m.id(), m.screen())).getOrDefault(m.id(), List.of());
    }

    /** The last two inspections of each of these machines since its screen was fitted, by the machine's number. */
    public Map<Long, List<Last>> lastTwo(List<MachineNow> machines) {
        return history(
                2,
                machines.stream()
                        .filter(m -> m.screen() != null)
                        .collect(Collectors.toMap(MachineNow::id, MachineNow::screen)));
    }

    private Map<Long, List<Last>> history(int most, Map<Long, PartView> screens) {
        Map<Long, List<Last>> all = new HashMap<>();
        if (!screens.isEmpty()) {
            jdbc.sql(
                            """
                    select x.machine_id, x.at, x.clean, x.content, (select min(p.id) from screen_photo p
                    where p.service_id = x.id) from (
                      select s.id, s.machine_id, s.at, s.clean, s.content, row_number() over (partition by
                      s.machine_id order by s.at desc, s.id desc) as n from service s
                      where s.kind = 'SCREEN_INSPECTED' and not s.withdrawn and s.machine_id in (:machines)
                      and s.at >= (select max(f.fitted_at) from fitting f join component c on c.id = f.component_id
                        and c.kind = 'SCREEN' where f.machine_id = s.machine_id and f.removed_at is null)) x
                        where x.n <= :most order by x.machine_id, x.n""")
                    .param("machines", screens.keySet())
                    .param("most", most)
                    .query((row, i) -> all.computeIfAbsent(row.getLong(1), id -> new ArrayList<>())
                            .add(new Last(
                                    row.getObject(2, OffsetDateTime.class).toInstant(),
                                    row.getBoolean(3),
                                    spots(row.getString(4)),
                                    row.getObject(5, Long.class))))
                    .list();
        }
        return all;
    }

    private static List<Spot> spots(String content) {
        List<Spot> spots = new ArrayList<>();
        try {
            for (JsonNode spot : JSON.readTree(content).path("spots")) {
                if (spot.path("xMm").isNumber() && spot.path("yMm").isNumber()) {
                    spots.add(new Spot(
                            "LIT".equals(spot.path("kind").asText()) ? SpotKind.LIT : SpotKind.DARK,
                            spot.get("xMm").asDouble(),
                            spot.get("yMm").asDouble(),
                            Math.abs(spot.path("sizeMm").asDouble(USUAL_MM)),
                            spot.path("confidence").asDouble(1)));
                }
            }
            return spots;
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
