package keel.app.prints;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.exposure.ShortestExposure;
import keel.core.exposure.WorkingCurve;
import keel.core.scale.ScaleCorrection;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Thickness tests and caliper readings of a resin on a machine: kept with what they said. */
@Service
@Transactional
public class Calibrations {

    private static final Limit SHOWN = Limit.of(12);

    private final Fleet fleet;
    private final Logbook logbook;
    private final Calibrated records;
    private final ObjectMapper json;
    private final Clock clock;

    Calibrations(Fleet fleet, Logbook logbook, Calibrated records, ObjectMapper json, Clock clock) {
        this.fleet = fleet;
        this.logbook = logbook;
        this.records = records;
        this.json = json;
        this.clock = clock;
    }

    /** One that was kept. */
    public record Kept(Instant at, String result) {}

    public void keep(ProfileView profile, List<WorkingCurve.Point> points, WorkingCurve curve) {
        keep(
                profile,
                "WORKING_CURVE",
                Map.of("points", points),
                String.format(
                        Locale.ROOT,
                        "Thickness test: Dp %.3f mm, Ec %.2f s, from %d pieces.",
                        curve.dpMm(),
                        curve.ec(),
                        points.size()));
    }

    public void keep(ProfileView profile, List<ScaleCorrection.Measurement> measurements, ScaleCorrection scale) {
        keep(
                profile,
                "SCALE",
                Map.of("measurements", measurements),
                String.format(
                        Locale.ROOT,
                        "Scale: %.4f from %d lengths, %s.",
                        scale.factor(),
                        measurements.size(),
                        scale.correct() ? "to be corrected" : "no correction"));
    }

    public void keep(ProfileView profile, List<ShortestExposure.Strip> strips, ShortestExposure shortest) {
        Double take = shortest.take();
        keep(
                profile,
                "SHORTEST",
                Map.of("strips", strips),
                take == null
                        ? "Shortest exposure: none of " + strips.size() + " strips held."
                        : String.format(
                                Locale.ROOT,
                                "Shortest exposure: %.2f s hold, from %d strips%s.",
                                take,
                                strips.size(),
                                shortest.byCurve() == null ? ", looked at, not measured" : ", measured"));
    }

    /** Those of a profile, newest first. */
    @Transactional(readOnly = true)
    public List<Kept> of(ProfileView profile) {
        return records.of(profile.id(), SHOWN);
    }

    private void keep(ProfileView profile, String kind, Map<String, Object> content, String result) {
        Actor actor = Actor.current();
        MachineRef machine = fleet.machineOfEntry(profile.machine());
        Instant now = clock.instant();
        CalibrationRecord kept = new CalibrationRecord();
        kept.profileId = profile.id();
        kept.kind = kind;
        kept.at = now;
        kept.personId = actor.personId();
        kept.content = text(content);
        kept.result = result;
        records.save(kept);
        logbook.write(LogDraft.of(
                LogKind.CALIBRATED,
                machine.id(),
                "PROFILE",
                profile.id(),
                now,
                profile.resinName() + " on " + machine.name() + ". " + result,
                content,
                actor));
    }

    private String text(Map<String, Object> content) {
        try {
            return json.writeValueAsString(content);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
