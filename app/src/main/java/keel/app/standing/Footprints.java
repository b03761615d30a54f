package keel.app.standing;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.core.placement.Footprint;
import keel.core.placement.PlacedPart;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what runs covered of their plates. */
@Service
@Transactional
public class Footprints {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final double DIGITS = 1e4;

    private final JdbcClient jdbc;
    private final Clock clock;

    Footprints(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * Of a run that is new, so that no map counts it yet.
     *
     * @throws Refused if a rectangle does not lie on the plate
     */
    public void keep(long runId, Footprint footprint) {
        Actor actor = Actor.current();
        onThePlate(runId, footprint);
        jdbc.sql("insert into run_footprint (run_id, content, made_at, person_id) values (?, ?, ?, ?)")
                .params(runId, write(footprint), clock.instant().atOffset(ZoneOffset.UTC), actor.personId())
                .update();
    }

    /**
     * In place of what was kept for the run before. Wear maps follow with the next rebuild of the machine.
     *
     * @throws Refused if a rectangle does not lie on the plate
     */
    public void replace(long runId, Footprint footprint) {
        onThePlate(runId, footprint);
        forget(runId);
        keep(runId, footprint);
    }

    /** Takes what was kept for a run away, and with it the maps that it went into. */
    public void forget(long runId) {
        jdbc.sql("delete from run_footprint where run_id = ?").param(runId).update();
        jdbc.sql(
                        """
                delete from wear_map where component_id in (select f.component_id from run r join fitting f
                on f.machine_id = r.machine_id and f.fitted_at <= r.started_at
                    and (f.removed_at is null or f.removed_at > r.started_at) where r.id = :run)
                  or component_id in (select f.component_id from run r join fitting vf
                  on vf.machine_id = r.machine_id and vf.fitted_at <= r.started_at
                    and (vf.removed_at is null or vf.removed_at > r.started_at) join fitting f
                    on f.vat_id = vf.component_id and f.fitted_at <= r.started_at
                    and (f.removed_at is null or f.removed_at > r.started_at) where r.id = :run)""")
                .param("run", runId)
                .update();
    }

    @Transactional(readOnly = true)
    public Optional<Footprint> of(long runId) {
        return jdbc.sql("select content from run_footprint where run_id = ?")
                .param(runId)
                .query(String.class)
                .optional()
                .map(Footprints::read);
    }

    /**
     * Rectangles of the last run of a job on a machine; where there is none, of a job of that name on any machine of
     * its model.
     */
    @Transactional(readOnly = true)
    public Optional<Footprint> last(long machineId, String job) {
        return jdbc.sql(
                        """
                select p.content from run_footprint p join run r on r.id = p.run_id and not r.withdrawn
                join machine m on m.id = r.machine_id
                where lower(r.job) = lower(:job) and m.model_id = (select model_id from machine where id = :machine)
                order by case when r.machine_id = :machine then 0 else 1 end, r.started_at desc fetch first row only""")
                .param("job", job == null ? "" : job.strip())
                .param("machine", machineId)
                .query(String.class)
                .optional()
                .map(Footprints::read);
    }

    /**
     * What the last runs of each of these machines covered, as far as it was said in rectangles, by the machine's
     * number.
     */
    @Transactional(readOnly = true)
    public Map<Long, List<Footprint.Parts>> recent(Collection<Long> machines, int most) {
        Map<Long, List<Footprint.Parts>> recent = new HashMap<>();
        if (!machines.isEmpty()) {
            jdbc.sql(
                            """
                    select x.machine_id, x.content from (select r.machine_id, p.content, row_number() over
                    (partition by r.machine_id order by r.started_at desc) as n
                      from run_footprint p join run r on r.id = p.run_id and not r.withdrawn
                      where r.machine_id in (:machines)) x where x.n <= :most order by x.machine_id, x.n""")
                    .param("machines", machines)
                    .param("most", most)
                    .query((row, i) -> {
                        if (read(row.getString(2)) instanceof Footprint.Parts parts) {
                            recent.computeIfAbsent(row.getLong(1), id -> new ArrayList<>())
                                    .add(parts);
                        }
                        return i;
                    })
                    .list();
        }
        return recent;
    }

    private void onThePlate(long runId, Footprint footprint) {
        if (footprint instanceof Footprint.Parts parts) {
            double[] plate = jdbc.sql("select o.plate_width_mm, o.plate_depth_mm from run r join machine m on m.id = "
                            + "r.machine_id join machine_model o on o.id = m.model_id where r.id = ?")
                    .param(runId)
                    .query((row, i) -> new double[] {row.getDouble(1), row.getDouble(2)})
                    .single();
            for (PlacedPart p : parts.parts()) {
                if (!p.within(plate[0], plate[1])) {
                    throw new Refused(
                            "footprint",
                            "A footprint of %.0f × %.0f mm at %.0f, %.0f does not lie on the plate of %.0f × %.0f mm."
                                    .formatted(p.lengthMm(), p.widthMm(), p.xMm(), p.yMm(), plate[0], plate[1]));
                }
            }
        }
    }

    static String write(Footprint footprint) {
        try {
            if (footprint instanceof Footprint.Parts parts) {
                return JSON.writeValueAsString(Map.of(
                        "parts",
                        parts.parts().stream()
                                .map(p -> List.of(p.xMm(), p.yMm(), p.lengthMm(), p.widthMm(), p.rotationDeg()))
                                .toList()));
            }
            Footprint.Masks masks = (Footprint.Masks) footprint;
            return JSON.writeValueAsString(Map.of(
                    "across",
                    masks.across(),
                    "deep",
                    masks.deep(),
                    "light",
                    rounded(masks.light()),
                    "peel",
                    rounded(masks.peel())));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    static Footprint read(String content) {
        try {
            JsonNode node = JSON.readTree(content);
            if (node.has("parts")) {
                List<PlacedPart> parts = new ArrayList<>();
                node.get("parts")
                        .forEach(p -> parts.add(new PlacedPart(
                                p.get(0).asDouble(),
                                p.get(1).asDouble(),
                                p.get(2).asDouble(),
                                p.get(3).asDouble(),
                                p.get(4).asInt())));
                return new Footprint.Parts(parts);
            }
            return new Footprint.Masks(
                    node.get("across").asInt(),
                    node.get("deep").asInt(),
                    numbers(node.get("light")),
                    numbers(node.get("peel")));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static double[] rounded(double[] shares) {
        double[] rounded = new double[shares.length];
        for (int i = 0; i < shares.length; i++) {
            rounded[i] = Math.round(shares[i] * DIGITS) / DIGITS;
        }
        return rounded;
    }

    private static double[] numbers(JsonNode array) {
        double[] numbers = new double[array.size()];
        for (int i = 0; i < numbers.length; i++) {
            numbers[i] = array.get(i).asDouble();
        }
        return numbers;
    }
}
