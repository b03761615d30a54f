package keel.app.standing;

import jakarta.persistence.EntityManager;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.shell.Kept;
import keel.app.shell.KeptFigures;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Meters, wear maps, holds, open causes and vats as they are kept. */
@Component
class StandingFigures implements KeptFigures {

    private final Rebuild rebuild;
    private final EntityManager entities;

    StandingFigures(Rebuild rebuild, EntityManager entities) {
        this.rebuild = rebuild;
        this.entities = entities;
    }

    @Override
    public String name() {
        return "Meters, wear maps, holds and vats";
    }

    @Override
    @Transactional
    public List<String> again() {
        Map<String, List<?>> before = now();
        rebuild.everything();
        return Kept.differences(before, now());
    }

    private Map<String, List<?>> now() {
        Map<String, List<?>> figures = new HashMap<>();
        // what never ran may have a meter and a map of zeros, or none
        all(Meter.class).stream()
                .filter(m -> m.prints > 0)
                .forEach(m -> figures.put(
                        "meter " + m.scope + " " + m.ownerId,
                        List.of(m.hours, m.uvHours, m.layers, m.prints, m.resinMl)));
        all(RunPeriod.class)
                .forEach(p -> figures.put(
                        "thirty days " + p.period + " of machine " + p.machineId,
                        List.of(p.prints, p.hours, p.uvHours, p.layers, p.resinMl)));
        all(WearMapRecord.class).stream()
                .filter(w -> w.prints > 0)
                .forEach(w -> figures.put(
                        "wear map of part " + w.componentId,
                        Arrays.asList(w.prints, w.layers, w.uvHours, w.through, Arrays.hashCode(w.cells))));
        all(OpenHold.class)
                .forEach(h -> figures.put(
                        "hold " + h.code + " of machine " + h.machineId,
                        Arrays.asList(h.rank, h.since, h.text, h.nextService)));
        all(OpenCause.class)
                .forEach(c -> figures.put("cause of failure " + c.failureId, List.of(c.machineId, c.cause, c.watched)));
        all(MachineStanding.class)
                .forEach(s -> figures.put(
                        "standing of machine " + s.machineId,
                        Arrays.asList(
                                s.offSince,
                                s.holdToLight,
                                s.levelledAt,
                                s.vatId,
                                s.vatResin,
                                s.vatMl,
                                s.stopGapSince,
                                s.stopGapHours)));
        return figures;
    }

    private <T> List<T> all(Class<T> derived) {
        return entities.createQuery("select d from " + derived.getSimpleName() + " d", derived)
                .getResultList();
    }
}
