package keel.core.quick;

import java.util.List;
import java.util.Map;
import keel.core.film.Clouding;
import keel.core.run.Outcome;
import keel.core.standing.ServiceKind;

/** What a line asks for. Machines, items, rooms, resins and vats stand as their codes. */
public sealed interface Order {

    /** A failure was seen now. */
    record LogFailure(String machine, List<String> symptoms, List<String> absent, List<String> zones, String note)
            implements Order {}

    /** A run that has just ended. */
    record LogRun(
            String machine,
            String job,
            double hours,
            int layers,
            double layerExposureS,
            double resinMl,
            Outcome outcome)
            implements Order {}

    /** A run that starts now. */
    record StartRun(String machine, String job, int layers, double layerExposureS, double resinMl) implements Order {}

    /** The run that is going on has ended; {@code reachedLayer} null for all of them. */
    record FinishRun(String machine, Outcome outcome, Integer reachedLayer) implements Order {}

    /** A service was done; values as the fields of its kind. */
    record DoService(String machine, ServiceKind kind, Map<String, Object> values) implements Order {}

    record Pour(String machine, String resin, double ml) implements Order {}

    /** Poured from a bottle into the vat of a machine, or back into it. */
    record PourBottle(String machine, String bottle, double ml, boolean back) implements Order {}

    /** How the film in a vat looks; one of machine and vat is null. */
    record LookAtFilm(String machine, String vat, Clouding grade) implements Order {}

    /** So much of an item came in (positive) or went out. */
    record MoveStock(String item, double quantity) implements Order {}

    /** What a room's thermometer and hygrometer read; humidity null where only the temperature was given. */
    record ReadRoom(String room, double temperatureC, Double humidityPercent) implements Order {}

    /** Nothing to write: a thing was named, show it. Kind is machine, vat, item or room. */
    record Open(String kind, String code) implements Order {}
}
