package keel.app.bench;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.prints.Profiles;
import keel.core.plate.PlateLevel;
import keel.core.profile.Setting;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Judges gauge readings of a plate, keeps them with the levelling, and shows how the plate drifted. */
@Service
@Transactional
public class Levels {

    /** Bottom layer the verdict is for where a profile says nothing else, mm; common practice. */
    static final double BOTTOM_LAYER_MM = 0.05;

    private static final Limit KEPT = Limit.of(8);

    private final Fleet fleet;
    private final Bench bench;
    private final Profiles profiles;
    private final BenchRecords records;
    private final ObjectMapper json;
    private final Clock clock;

    Levels(Fleet fleet, Bench bench, Profiles profiles, BenchRecords records, ObjectMapper json, Clock clock) {
        this.fleet = fleet;
        this.bench = bench;
        this.profiles = profiles;
        this.records = records;
        this.json = json;
        this.clock = clock;
    }

    /** An earlier levelling with readings, judged by the gauge they were taken with. */
    public record Earlier(Instant at, PlateLevel level, double gaugeSdMm) {}

    /** Height of a layer that a verdict is for: that of the profile in force, or the usual one, mm. */
    @Transactional(readOnly = true)
    public double layerMm(MachineRef machine) {
        return profiles.inForce(machine.id(), clock.instant())
                .map(p -> p.settings().value(Setting.LAYER_MM))
                .orElse(BOTTOM_LAYER_MM);
    }

    /** @throws IllegalArgumentException with a sentence that says what is wrong */
    public PlateLevel judge(MachineRef machine, List<PlateLevel.Reading> readings, double gaugeSdMm) {
        return PlateLevel.of(readings, machine.plateWidthMm(), machine.plateDepthMm(), layerMm(machine), gaugeSdMm);
    }

    /** Writes a levelling down with its readings. */
    public void keep(String machineCode, List<PlateLevel.Reading> readings, double gaugeSdMm, PlateLevel level) {
        MachineRef machine = fleet.machine(machineCode);
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("school", machine.levellingSchool());
        values.put(
                "readings",
                readings.stream()
                        .map(r -> Map.of("xMm", r.xMm(), "yMm", r.yMm(), "zMm", r.zMm()))
                        .toList());
        values.put("gaugeSdMm", gaugeSdMm);
        bench.record(new ServiceEntry(
                machineCode,
                "LEVELLING",
                null,
                String.format(
                        Locale.ROOT,
                        "Tilt %.2f mm across and %.2f mm deep in 100 mm, flat to %.2f mm: %s.",
                        level.tiltXMmPer100(),
                        level.tiltYMmPer100(),
                        level.flatnessMm(),
                        level.verdict().name().toLowerCase(Locale.ROOT)),
                values));
    }

    /**
     * Earlier levellings of a machine whose readings can be judged, newest first; where no gauge was named, the usual
     * one is taken.
     */
    @Transactional(readOnly = true)
    public List<Earlier> earlier(MachineRef machine) {
        return records.levellings(machine.id(), KEPT).stream()
                .flatMap(s -> readings(s.content)
                        .flatMap(r -> judged(machine, r, gauge(s.content)))
                        .map(level -> new Earlier(s.at, level, gauge(s.content)))
                        .stream())
                .toList();
    }

    /**
     * Empty where the readings make no plane: the open interface takes any list, and a bad one must not shut the page.
     */
    private Optional<PlateLevel> judged(MachineRef machine, List<PlateLevel.Reading> readings, double gaugeSdMm) {
        try {
            return Optional.of(judge(machine, readings, gaugeSdMm));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private double gauge(String content) {
        try {
            return json.readTree(content).path("gaugeSdMm").asDouble(PlateLevel.USUAL_GAUGE_SD_MM);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Readings as an entry keeps them; empty where they are not of this form. */
    private Optional<List<PlateLevel.Reading>> readings(String content) {
        try {
            List<PlateLevel.Reading> readings = new ArrayList<>();
            for (JsonNode r : json.readTree(content).path("readings")) {
                if (!r.has("zMm")) {
                    return Optional.empty();
                }
                readings.add(new PlateLevel.Reading(
                        r.path("xMm").asDouble(),
                        r.path("yMm").asDouble(),
                        r.path("zMm").asDouble()));
            }
            return readings.isEmpty() ? Optional.empty() : Optional.of(readings);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
