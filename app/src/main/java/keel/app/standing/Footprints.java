package keel.app.standing;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Duration;
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
import keel.core.placement.PlateZones;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what runs covered of their plates. */
@Service
@Transactional
public class Footprints {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final double DIGITS = 1e4;
    private static final Limit ZONED_AT_ONCE = Limit.of(500);
    private static final Duration LATELY = Duration.ofDays(120);

    private final FootprintRecords records;
    private final WearMapRecords maps;
    private final Clock clock;

    Footprints(FootprintRecords records, WearMapRecords maps, Clock clock) {
        this.records = records;
        this.maps = maps;
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
        RunFootprint kept = new RunFootprint();
        kept.runId = runId;
        kept.content = write(footprint);
        kept.madeAt = clock.instant();
        kept.personId = actor.personId();
        kept.zones = zones(runId, footprint);
        records.save(kept);
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
        records.deleteById(runId);
        maps.deleteAllById(maps.ofRun(runId));
    }

    @Transactional(readOnly = true)
    public Optional<Footprint> of(long runId) {
        return records.findById(runId).map(f -> read(f.content));
    }

    /**
     * Rectangles of the last run of a job on a machine; where there is none, of a job of that name on any machine of
     * its model.
     */
    @Transactional(readOnly = true)
    public Optional<Footprint> last(long machineId, String job) {
        String name = job == null ? "" : job.strip();
        return records.last(machineId, name, Limit.of(1)).stream()
                .findFirst()
                .or(() -> records.lastOfModel(machineId, name, Limit.of(1)).stream()
                        .findFirst())
                .flatMap(this::of);
    }

    /**
     * What the last runs of each of these machines covered in the last months, as far as it was said in rectangles, by
     * the machine's number.
     */
    @Transactional(readOnly = true)
    public Map<Long, List<Footprint.Parts>> recent(Collection<Long> machines, int most) {
        Map<Long, List<Footprint.Parts>> recent = new HashMap<>();
        if (!machines.isEmpty()) {
            for (FootprintRecords.Covered covered :
                    records.recent(machines, most, clock.instant().minus(LATELY))) {
                if (read(covered.content()) instanceof Footprint.Parts parts) {
                    recent.computeIfAbsent(covered.machine(), id -> new ArrayList<>())
                            .add(parts);
                }
            }
        }
        return recent;
    }

    /** Works out for some runs of older versions which zones they covered. Answers how many. */
    public int workOutZones() {
        List<FootprintRecords.NotZoned> some = records.withoutZones(ZONED_AT_ONCE);
        for (FootprintRecords.NotZoned n : some) {
            records.zoned(n.run(), PlateZones.bits(PlateZones.of(read(n.content()), n.widthMm(), n.depthMm())));
        }
        return some.size();
    }

    private int zones(long runId, Footprint footprint) {
        FootprintRecords.Plate plate = records.plateOf(runId);
        return PlateZones.bits(PlateZones.of(footprint, plate.widthMm(), plate.depthMm()));
    }

    private void onThePlate(long runId, Footprint footprint) {
        if (footprint instanceof Footprint.Parts parts) {
            FootprintRecords.Plate plate = records.plateOf(runId);
            for (PlacedPart p : parts.parts()) {
                if (!p.within(plate.widthMm(), plate.depthMm())) {
                    throw new Refused(
                            "footprint",
                            "A footprint of %.0f × %.0f mm at %.0f, %.0f does not lie on the plate of %.0f × %.0f mm."
                                    .formatted(
                                            p.lengthMm(),
                                            p.widthMm(),
                                            p.xMm(),
                                            p.yMm(),
                                            plate.widthMm(),
                                            plate.depthMm()));
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
