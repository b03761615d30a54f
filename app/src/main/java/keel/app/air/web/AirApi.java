package keel.app.air.web;

import java.util.ArrayList;
import java.util.List;
import keel.app.air.RoomAir;
import keel.app.air.Sensors;
import keel.app.base.Refused;
import keel.core.Findings;
import keel.core.air.AirPlan;
import keel.core.air.Decay;
import keel.core.air.Duct;
import keel.core.air.SensorReading;
import keel.core.air.Vapour;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Air, for programs. */
@RestController
@RequestMapping("/api/v1")
class AirApi {

    private final Sensors sensors;
    private final RoomAir rooms;

    AirApi(Sensors sensors, RoomAir rooms) {
        this.sensors = sensors;
        this.rooms = rooms;
    }

    record Fan(List<AirPlan.Point> points) {}

    /** A duct; roughness and compression may be left out. */
    record DuctEntry(Double diameterMm, Double lengthM, Double roughnessMm, Double flexCompression) {}

    record PlanQuestion(AirPlan.Room room, Fan fan, List<DuctEntry> ducts, List<AirPlan.Fitting> fittings) {}

    /** Flow and pressure where the fan meets its resistance, and what that means for the room. */
    @PostMapping("/air/plan")
    AirPlan plan(@RequestBody PlanQuestion q) {
        Findings findings = new Findings();
        List<Duct> ducts = new ArrayList<>();
        for (int i = 0; q.ducts() != null && i < q.ducts().size(); i++) {
            DuctEntry d = q.ducts().get(i);
            if (!findings.when(
                    d == null || d.diameterMm() == null || d.lengthM() == null,
                    "ducts[" + i + "]",
                    "A duct has a diameter and a length.")) {
                ducts.add(new Duct(
                        d.diameterMm(),
                        d.lengthM(),
                        d.roughnessMm() == null ? 0 : d.roughnessMm(),
                        d.flexCompression() == null ? 0 : d.flexCompression()));
            }
        }
        Refused.unless(findings);
        AirPlan.Question asked =
                new AirPlan.Question(q.room(), q.fan() == null ? null : q.fan().points(), ducts, q.fittings());
        asked.check(findings);
        Refused.unless(findings);
        try {
            return AirPlan.of(asked);
        } catch (IllegalArgumentException e) {
            throw new Refused("fan.points", e.getMessage());
        }
    }

    /** Readings of a sensor, in any order, late or twice; those that cannot be are said and the others kept. */
    @PostMapping("/sensors/{id}/readings")
    @ResponseStatus(HttpStatus.CREATED)
    Sensors.Taken take(@PathVariable String id, @RequestBody List<SensorReading> readings) {
        return sensors.take(id, readings);
    }

    @GetMapping("/sensors")
    List<Sensors.Sensor> sensors() {
        return sensors.all();
    }

    /** Rooms with what is known of their air. */
    @GetMapping("/rooms")
    List<RoomAir.RoomView> rooms() {
        return rooms.all();
    }

    record SampleEntry(Double minutes, Double value) {}

    record DecayQuestion(List<SampleEntry> samples, Double background) {}

    /** The real air change rate from readings after a release. */
    @PostMapping("/air/decay")
    Decay decay(@RequestBody DecayQuestion q) {
        Findings findings = new Findings();
        findings.when(q.samples() == null, "samples", "The readings are missing.");
        findings.when(
                q.samples() != null && q.samples().size() > Decay.MOST,
                "samples",
                "More than " + Decay.MOST + " readings.");
        Refused.unless(findings);
        List<Decay.Sample> samples = new ArrayList<>();
        for (int i = 0; i < q.samples().size(); i++) {
            SampleEntry s = q.samples().get(i);
            String field = "samples[" + i + "]";
            if (!findings.when(s == null, field, "A reading is missing.")
                    && findings.range(s.minutes(), -1e7, 1e7, field + ".minutes", "A time", "min")
                    && findings.range(s.value(), -1e9, 1e9, field + ".value", "A reading", "")) {
                samples.add(new Decay.Sample(s.minutes(), s.value()));
            }
        }
        Refused.unless(findings);
        try {
            return Decay.of(samples, q.background());
        } catch (IllegalArgumentException e) {
            throw new Refused("samples", e.getMessage());
        }
    }

    /** Vapour in a room from what evaporates, for orientation. */
    @PostMapping("/air/vapour")
    Vapour vapour(@RequestBody Vapour.Question q) {
        Findings findings = new Findings();
        q.check(findings);
        Refused.unless(findings);
        return Vapour.of(q);
    }
}
