package keel.app.screen;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.Remembered;
import keel.app.bench.ServiceRecorded;
import keel.app.bench.ServiceWithdrawn;
import keel.app.fleet.MachineChanged;
import keel.app.standing.MachineNow;
import keel.core.screen.ScreenInspection.Hidden;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import keel.core.screen.SpotsCompared;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** Spots of screens as the last inspection since they were fitted says. */
@Service
@Transactional(readOnly = true)
public class ScreenSpots {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final double USUAL_MM = 3;

    private final ScreenRecords records;
    private final Remembered<Map<Long, List<Last>>> lastTwo = new Remembered<>();

    ScreenSpots(ScreenRecords records) {
        this.records = records;
    }

    /**
     * An inspection; spots of which it does not say where they are are left out. {@code hidden} is what it did not see,
     * {@code photo} the number of the photograph that it was written down from, null if by eye.
     */
    public record Last(Instant at, boolean clean, List<Spot> spots, List<Hidden> hidden, Long photo) {}

    /** Empty where its screen was not inspected yet, or where it has none. */
    public Optional<Last> last(MachineNow m) {
        return history(m, 1).stream().findFirst();
    }

    /** Inspections since its screen was fitted, the newest first. */
    public List<Last> history(MachineNow m, int most) {
        return m.screen() == null
                ? List.of()
                : said(last(records.inspections(m.id()), most)).getOrDefault(m.id(), List.of());
    }

    /**
     * The last two inspections of each machine since its screen was fitted, by the machine's number; kept until
     * something is done to a screen.
     */
    public Map<Long, List<Last>> lastTwo() {
        return lastTwo.get(() -> said(last(records.inspections(), 2)));
    }

    /** How many spots of the last inspection are new or grown since the one before; 0 where there is none. */
    static long newOrGrown(List<Last> lastTwo) {
        return lastTwo.size() < 2
                ? 0
                : SpotsCompared.of(lastTwo.get(1).spots(), lastTwo.get(0).spots()).stream()
                        .filter(c -> c.fate() == SpotsCompared.Fate.NEW || c.fate() == SpotsCompared.Fate.GROWN)
                        .count();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void forget(ServiceRecorded done) {
        lastTwo.forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void forget(ServiceWithdrawn undone) {
        lastTwo.forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void forget(MachineChanged changed) {
        lastTwo.forget();
    }

    /** A photograph was joined to an inspection. */
    void forgetAfterwards() {
        lastTwo.forgetAfterwards();
    }

    private Map<Long, List<Last>> said(List<Long> last) {
        if (last.isEmpty()) {
            return Map.of();
        }
        return records.said(last).stream()
                .collect(Collectors.groupingBy(
                        ScreenRecords.Inspection::machine,
                        Collectors.mapping(s -> last(s.at(), s.clean(), s.content(), s.photo()), Collectors.toList())));
    }

    /** So many of each machine, the newest first. */
    private static List<Long> last(List<ScreenRecords.Inspected> inspections, int most) {
        return inspections.stream().collect(Collectors.groupingBy(ScreenRecords.Inspected::machine)).values().stream()
                .flatMap(of -> of.stream().limit(most))
                .map(ScreenRecords.Inspected::service)
                .toList();
    }

    private static Last last(Instant at, boolean clean, String content, Long photo) {
        try {
            JsonNode said = JSON.readTree(content);
            return new Last(at, clean, spots(said), hidden(said), photo);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<Hidden> hidden(JsonNode said) throws JsonProcessingException {
        List<Hidden> hidden = new ArrayList<>();
        for (JsonNode one : said.path("hidden")) {
            hidden.add(JSON.treeToValue(one, Hidden.class));
        }
        return hidden;
    }

    private static List<Spot> spots(JsonNode said) {
        List<Spot> spots = new ArrayList<>();
        for (JsonNode spot : said.path("spots")) {
            if (spot.path("xMm").isNumber() && spot.path("yMm").isNumber()) {
                spots.add(new Spot(
                        kind(spot.path("kind").asText()),
                        spot.get("xMm").asDouble(),
                        spot.get("yMm").asDouble(),
                        Math.abs(spot.path("sizeMm").asDouble(USUAL_MM)),
                        spot.path("confidence").asDouble(1),
                        number(spot, "lengthMm"),
                        number(spot, "light"),
                        number(spot, "acrossMm"),
                        number(spot, "deepMm")));
            }
        }
        return spots;
    }

    private static Double number(JsonNode spot, String name) {
        return spot.path(name).isNumber() ? spot.get(name).asDouble() : null;
    }

    private static SpotKind kind(String name) {
        return Stream.of(SpotKind.values())
                .filter(k -> k.name().equals(name))
                .findFirst()
                .orElse(SpotKind.DARK);
    }
}
