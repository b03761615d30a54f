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
import keel.app.base.Remembered;
import keel.app.bench.ServiceRecorded;
import keel.app.bench.ServiceWithdrawn;
import keel.app.fleet.MachineChanged;
import keel.app.standing.MachineNow;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
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
                : said(last(records.inspections(m.id()), most)).getOrDefault(m.id(), List.of());
    }

    /**
     * The last two inspections of each machine since its screen was fitted, by the machine's number; kept until
     * something is done to a screen.
     */
    public Map<Long, List<Last>> lastTwo() {
        return lastTwo.get(() -> said(last(records.inspections(), 2)));
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
                        Collectors.mapping(
                                s -> new Last(s.at(), s.clean(), spots(s.content()), s.photo()), Collectors.toList())));
    }

    /** So many of each machine, the newest first. */
    private static List<Long> last(List<ScreenRecords.Inspected> inspections, int most) {
        return inspections.stream().collect(Collectors.groupingBy(ScreenRecords.Inspected::machine)).values().stream()
                .flatMap(of -> of.stream().limit(most))
                .map(ScreenRecords.Inspected::service)
                .toList();
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
