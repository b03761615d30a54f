package keel.sim.shop;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.light.UvMap;
import keel.core.placement.PlacedPart;
import keel.core.profile.Setting;
import keel.core.screen.ScreenInspection;
import keel.sim.instrument.AirSensor;

/** Something that happened in the shop, in the terms in which somebody would enter it. Keys tie happenings together. */
public sealed interface Happening {

    Instant at();

    /** Sign-in of whoever enters it. */
    String who();

    /** A run that has ended; {@code at} is its end. */
    record RunDone(
            Instant at,
            String who,
            String machine,
            String key,
            String job,
            Instant startedAt,
            int layers,
            double layerExposureS,
            double resinMl,
            String outcome,
            Integer reachedLayer,
            List<PlacedPart> footprint)
            implements Happening {}

    /** A run that is still going on at the end of the story; {@code at} is its start. */
    record RunGoing(
            Instant at,
            String who,
            String machine,
            String job,
            int layers,
            double layerExposureS,
            double resinMl,
            List<PlacedPart> footprint)
            implements Happening {}

    record FailureSeen(
            Instant at,
            String who,
            String machine,
            String key,
            String runKey,
            List<String> symptoms,
            List<String> absent,
            List<String> zones,
            String note)
            implements Happening {}

    /** A run printed again what an earlier one lost. */
    record PrintedAgain(Instant at, String who, String runKey, String ofRunKey) implements Happening {}

    /** Somebody notes what is odd about a machine; {@code code} names the fact of history. */
    record QuirkNoted(Instant at, String who, String machine, String code, String text, String workaround)
            implements Happening {}

    /** One test piece was printed on two machines. */
    record Compared(
            Instant at, String who, String piece, String first, String firstShows, String second, String secondShows)
            implements Happening {}

    /** What the one who printed it says of the part, by the codes of facts of history. */
    record FactsTold(Instant at, String who, String failureKey, List<String> facts) implements Happening {}

    record CheckDone(Instant at, String who, String failureKey, String check, List<String> found)
            implements Happening {}

    record CauseNamed(Instant at, String who, String failureKey, String cause, String certainty, String note)
            implements Happening {}

    /** Something was changed where no entry at the bench shows it. */
    record CauseMended(Instant at, String who, String failureKey) implements Happening {}

    record ServiceDone(Instant at, String who, String machine, String kind, Map<String, Object> values, String note)
            implements Happening {}

    record ResinPoured(Instant at, String who, String machine, String resin, double ml) implements Happening {}

    record StockMoved(Instant at, String who, String item, double quantity, String reason) implements Happening {}

    /** The settings of a resin on a machine are written down for the first time; setting to value. */
    record ProfileBegun(
            Instant at, String who, String machine, String resin, String school, Map<Setting, Double> settings)
            implements Happening {}

    /** Some of them are changed; {@code backTo} instead goes back to that version, null otherwise. */
    record ProfileChanged(
            Instant at,
            String who,
            String machine,
            String resin,
            Map<Setting, Double> changes,
            Integer backTo,
            String why)
            implements Happening {}

    /** Cured thickness at several exposures, s to mm. */
    record ThicknessMeasured(Instant at, String who, String machine, String resin, Map<Double, Double> depthMm)
            implements Happening {}

    /** Somebody looked at the run that is going on. */
    record LookedIn(Instant at, String who, String machine, String seen) implements Happening {}

    /** The shop adds a question to its start gate. */
    record GateAsks(Instant at, String who, String text, String part, List<String> kinds) implements Happening {}

    /** Somebody read a room's thermometer and hygrometer. */
    record RoomRead(Instant at, String who, String room, double temperatureC, double humidityPercent)
            implements Happening {}

    /** A pack of film sheets came in. {@code lot} is null where there is none on it. */
    record PackBought(
            Instant at,
            String who,
            String supplier,
            String lot,
            double thicknessMm,
            double lengthMm,
            double widthMm,
            int sheets,
            double price)
            implements Happening {}

    /**
     * The film of a machine was inspected. Readings are null where nobody metered it, {@code leak} where it was not
     * stood on a towel.
     */
    record FilmLooked(
            Instant at,
            String who,
            String machine,
            Clouding clouding,
            Double uvBare,
            Double uvThrough,
            List<FilmMark> marks,
            String leak)
            implements Happening {}

    /** It was tapped, at the centre and at a quarter; {@code right} if its tone became the reference. */
    record FilmTapped(
            Instant at, String who, String machine, Bytes centre, Bytes quarter, double temperatureC, boolean right)
            implements Happening {}

    /** A file, a recording or a picture; two of the same bytes are equal. */
    record Bytes(byte[] bytes) {

        @Override
        public boolean equals(Object other) {
            return other instanceof Bytes b && Arrays.equals(bytes, b.bytes);
        }

        @Override
        public int hashCode() {
            return Arrays.hashCode(bytes);
        }
    }

    /** A spare screen came in; {@code model} is the code of its model. */
    record ScreenBought(
            Instant at,
            String who,
            String model,
            String serial,
            String batch,
            LocalDate boughtOn,
            LocalDate warrantyUntil,
            double price)
            implements Happening {}

    /** Bottles of a resin are labelled and written down one by one; of the first so much is left. */
    record BottlesCame(
            Instant at,
            String who,
            String resin,
            int count,
            double firstLeftMl,
            String lot,
            double price,
            LocalDate expiresOn)
            implements Happening {}

    /** A bath to wash in was set up. */
    record BathSetUp(Instant at, String who, String kind, String place, double ml) implements Happening {}

    /** A bath was filled anew; with {@code swaps} it changes places with the other one. */
    record BathFilled(Instant at, String who, String bath, double ml, double freshDensity, boolean swaps)
            implements Happening {}

    record BathRead(Instant at, String who, String bath, double density) implements Happening {}

    /** A print was washed, dried and cured; what has not come yet is null. */
    record PrintFinished(
            Instant at,
            String who,
            String runKey,
            String first,
            Instant firstAt,
            String second,
            Instant secondAt,
            Instant dryAt,
            String drying,
            Instant cureAt,
            Instant doneAt,
            String finish,
            String supports)
            implements Happening {}

    record WastePutAside(Instant at, String who, String kind, double amount, String place, Double layerMm, String note)
            implements Happening {}

    /** All that was solid and raw was cured through. */
    record WasteCured(Instant at, String who) implements Happening {}

    /** All that was there was handed in. */
    record WasteHandedIn(Instant at, String who, String to) implements Happening {}

    record SomethingHappened(Instant at, String who, String kind, String whom, String what, String done, String after)
            implements Happening {}

    /** A sensor on the wall of a room, with all that it said so far. */
    record SensorLog(Instant at, String who, String sensor, String room, List<AirSensor.Minute> minutes)
            implements Happening {}

    /** A room was measured and its air planned; the path as the planner keeps it. */
    record AirPlanned(
            Instant at,
            String who,
            String room,
            double volumeM3,
            double mixing,
            double lowC,
            double highC,
            boolean washes,
            String openings,
            Map<String, String> path)
            implements Happening {}

    record FanSwitched(Instant at, String who, String room, boolean running) implements Happening {}

    record AirPartKept(Instant at, String who, String kind, String name, String room) implements Happening {}

    record LocalRules(Instant at, String who, String text) implements Happening {}

    /**
     * The lit screen of a machine was photographed, all white, and what is seen was written down; further spots were
     * typed.
     */
    record ScreenPhotographed(Instant at, String who, String machine, Bytes png, List<ScreenInspection.Spot> typed)
            implements Happening {}

    /** The UV over the plate of a machine was read. */
    record UvMapped(Instant at, String who, String machine, List<UvMap.Reading> readings) implements Happening {}

    /** Somebody tried something on a film. */
    record FilmTried(Instant at, String who, String machine, String what) implements Happening {}
}
