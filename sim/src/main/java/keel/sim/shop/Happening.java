package keel.sim.shop;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.core.profile.Setting;

/** Something that happened in the shop, in the terms in which somebody would enter it. Keys tie happenings together. */
public sealed interface Happening {

    Instant at();

    /** Sign-in of whoever enters it. */
    String who();

    /** A run that has ended; {@code at} is its end. */
    record RunDone(Instant at, String who, String machine, String key, String job, Instant startedAt, int layers, double layerExposureS,
                   double resinMl, String outcome, Integer reachedLayer) implements Happening {}

    /** A run that is still going on at the end of the story; {@code at} is its start. */
    record RunGoing(Instant at, String who, String machine, String job, int layers, double layerExposureS, double resinMl) implements Happening {}

    record FailureSeen(Instant at, String who, String machine, String key, String runKey, List<String> symptoms, List<String> absent,
                       List<String> zones, String note) implements Happening {}

    /** A run printed again what an earlier one lost. */
    record PrintedAgain(Instant at, String who, String runKey, String ofRunKey) implements Happening {}

    /** Somebody notes what is odd about a machine; {@code code} names the fact of history. */
    record QuirkNoted(Instant at, String who, String machine, String code, String text, String workaround) implements Happening {}

    /** One test piece was printed on two machines. */
    record Compared(Instant at, String who, String piece, String first, String firstShows, String second, String secondShows) implements Happening {}

    /** What the one who printed it says of the part, by the codes of facts of history. */
    record FactsTold(Instant at, String who, String failureKey, List<String> facts) implements Happening {}

    record CheckDone(Instant at, String who, String failureKey, String check, List<String> found) implements Happening {}

    record CauseNamed(Instant at, String who, String failureKey, String cause, String certainty, String note) implements Happening {}

    record ServiceDone(Instant at, String who, String machine, String kind, Map<String, Object> values, String note) implements Happening {}

    record ResinPoured(Instant at, String who, String machine, String resin, double ml) implements Happening {}

    record StockMoved(Instant at, String who, String item, double quantity, String reason) implements Happening {}

    /** The settings of a resin on a machine are written down for the first time; setting to value. */
    record ProfileBegun(Instant at, String who, String machine, String resin, String school, Map<Setting, Double> settings) implements Happening {}

    /** Some of them are changed; {@code backTo} instead goes back to that version, null otherwise. */
    record ProfileChanged(Instant at, String who, String machine, String resin, Map<Setting, Double> changes, Integer backTo, String why) implements Happening {}

    /** Cured thickness at several exposures, s to mm. */
    record ThicknessMeasured(Instant at, String who, String machine, String resin, Map<Double, Double> depthMm) implements Happening {}

    /** Somebody looked at the run that is going on. */
    record LookedIn(Instant at, String who, String machine, String seen) implements Happening {}

    /** The shop adds a question to its start gate. */
    record GateAsks(Instant at, String who, String text, String part, List<String> kinds) implements Happening {}

    /** Somebody read a room's thermometer and hygrometer. */
    record RoomRead(Instant at, String who, String room, double temperatureC, double humidityPercent) implements Happening {}
}
