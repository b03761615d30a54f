package keel.app.fleet;

import java.time.Instant;
import java.util.Locale;
import keel.app.base.Conflict;
import keel.app.base.Refused;

/** Makes, fits, takes out and ends parts: one row each, written once. */
@org.springframework.stereotype.Component
class PartRecords {

    private final Components components;
    private final Fittings fittings;

    PartRecords(Components components, Fittings fittings) {
        this.components = components;
        this.fittings = fittings;
    }

    String endFilm(long vatId, Instant at, Long serviceId, String endReason) {
        return fittings.inVat(vatId).map(f -> end(f, at, serviceId, endReason)).orElse(null);
    }

    String end(Fitting fitting, Instant at, Long serviceId, String endReason) {
        remove(fitting, at, serviceId);
        Component part = components.findById(fitting.componentId).orElseThrow();
        if (part.endedAt == null) {
            part.endedAt = at;
        }
        part.endReason = endReason == null ? "OTHER" : endReason;
        return part.code;
    }

    void remove(Fitting fitting, Instant at, Long serviceId) {
        fitting.removedAt = at;
        fitting.removedBy = serviceId;
        fittings.save(fitting);
    }

    Component film(long vatId, Instant at, Long serviceId, Parts.Sheet sheet, Parts.Baseline baseline) {
        Component film = make(ComponentKind.FILM, at, serviceId, baseline);
        film.material = sheet.material();
        film.thicknessMm = sheet.thicknessMm();
        film.packId = sheet.pack() == null || sheet.pack().isBlank()
                ? null
                : components
                        .packCalled(sheet.pack().strip().toUpperCase(Locale.ROOT))
                        .orElseThrow(
                                () -> new Refused("pack", "There is no pack of film called " + sheet.pack() + "."));
        fit(film.id, null, vatId, at, serviceId);
        return film;
    }

    Component make(ComponentKind kind, Instant since, Long serviceId, Parts.Baseline baseline) {
        Component part = new Component();
        part.kind = kind;
        part.number = components.highestNumber(kind) + 1;
        part.code = kind.code(part.number);
        part.since = since;
        part.madeBy = serviceId;
        part.hoursKnown = baseline.known();
        part.baselineHours = baseline.hours();
        part.baselineUvHours = baseline.uvHours();
        part.baselineLayers = baseline.layers();
        part.baselinePrints = baseline.prints();
        return components.save(part);
    }

    void fit(long componentId, Long machineId, Long vatId, Instant at, Long serviceId) {
        Fitting fitting = new Fitting();
        fitting.componentId = componentId;
        fitting.machineId = machineId;
        fitting.vatId = vatId;
        fitting.fittedAt = at;
        fitting.fittedBy = serviceId;
        fittings.save(fitting);
    }

    static void notBefore(Instant at, Instant last) {
        if (last != null && at.isBefore(last)) {
            throw new Conflict(
                    "at",
                    "Something was fitted or taken out there later, at " + last
                            + ". Withdraw that entry first, or give a later time.");
        }
    }

    static Parts.PartRef ref(Component c) {
        return new Parts.PartRef(c.id, c.kind, c.code, c.modelId, c.endedAt);
    }
}
