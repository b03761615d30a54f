package keel.app.screen;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keel.app.upkeep.MachineNow;
import keel.core.screen.ScreenInspection.Kind;
import keel.core.screen.ScreenInspection.Spot;
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

    /** An inspection; spots of which it does not say where they are are left out. */
    public record Last(Instant at, boolean clean, List<Spot> spots) {}

    /** Empty where its screen was not inspected yet, or where it has none. */
    public Optional<Last> last(MachineNow m) {
        if (m.screen() == null) {
            return Optional.empty();
        }
        return jdbc.sql("select at, clean, content from service where machine_id = ? and kind = 'SCREEN_INSPECTED' and not withdrawn and at >= ? order by at desc, id desc fetch first row only")
                .params(m.id(), m.screen().since().atOffset(ZoneOffset.UTC))
                .query((row, i) -> new Last(row.getObject(1, OffsetDateTime.class).toInstant(), row.getBoolean(2), spots(row.getString(3)))).optional();
    }

    private static List<Spot> spots(String content) {
        List<Spot> spots = new ArrayList<>();
        try {
            for (JsonNode spot : JSON.readTree(content).path("spots")) {
                if (spot.path("xMm").isNumber() && spot.path("yMm").isNumber()) {
                    spots.add(new Spot("LIT".equals(spot.path("kind").asText()) ? Kind.LIT : Kind.DARK, spot.get("xMm").asDouble(), spot.get("yMm").asDouble(),
                            Math.abs(spot.path("sizeMm").asDouble(USUAL_MM)), spot.path("confidence").asDouble(1)));
                }
            }
            return spots;
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
