package keel.core.quick;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.core.Plain;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.Word;

/** {@code room 19.5C 48%}, {@code annexe 21C}: what a room's thermometer and hygrometer read. */
final class RoomLine {

    private static final Pattern TEMPERATURE =
            Pattern.compile("(-?\\d+(?:[.,]\\d+)?)(°?c|°?f|°)", Pattern.CASE_INSENSITIVE);
    private static final Pattern HUMIDITY = Pattern.compile("(\\d+(?:[.,]\\d+)?)%");
    private static final double LOWEST_C = -20;
    private static final double HIGHEST_C = 60;

    private final Vocabulary words;

    RoomLine(Vocabulary words) {
        this.words = words;
    }

    /** The room is named first, or there is only one. */
    Reading read(List<String> tokens) {
        List<String> names = new ArrayList<>();
        List<String> readings = new ArrayList<>();
        tokens.forEach(
                t -> (TEMPERATURE.matcher(t).matches() || HUMIDITY.matcher(t).matches() ? readings : names).add(t));
        if (names.isEmpty() && words.rooms().size() == 1) {
            return read(words.rooms().get(0), readings);
        }
        String name = String.join(" ", names);
        Optional<Word> room = names.isEmpty()
                ? Optional.empty()
                : QuickLine.byName(words.rooms()).find(name);
        return room.map(r -> read(r, readings))
                .orElseGet(() -> Reading.unclear(
                        "Which room?",
                        words.rooms().stream()
                                .limit(6)
                                .map(r -> "room " + r.code()
                                        + (readings.isEmpty() ? "" : " " + String.join(" ", readings)))
                                .map(line -> new Choice(
                                        line,
                                        read(List.of(line.substring(5).split(" ")))
                                                .words()))
                                .toList()));
    }

    Reading read(Word room, List<String> tokens) {
        Double celsius = null;
        Double humidity = null;
        for (String token : tokens) {
            Matcher temperature = TEMPERATURE.matcher(token);
            Matcher percent = HUMIDITY.matcher(token);
            if (temperature.matches()) {
                double value = Amounts.number(temperature.group(1));
                celsius = temperature.group(2).toLowerCase(Locale.ROOT).endsWith("f") ? (value - 32) / 1.8 : value;
            } else if (percent.matches()) {
                humidity = Amounts.number(percent.group(1));
            } else {
                return Reading.unclear(
                        "What is " + token + "? A room reads like this: " + room.code() + " 19.5C 48%.", List.of());
            }
        }
        if (celsius == null) {
            return humidity == null
                    ? QuickLine.open("room", room)
                    : Reading.unclear("How warm is it? " + room.code() + " 19.5C 48%.", List.of());
        }
        if (celsius < LOWEST_C || celsius > HIGHEST_C || humidity != null && humidity > 100) {
            return Reading.unclear(
                    "A room of " + Plain.number(celsius) + " °C"
                            + (humidity == null ? "" : " and " + Plain.number(humidity) + " %") + " is not believable.",
                    List.of());
        }
        return Reading.clear(
                new Order.ReadRoom(room.code(), celsius, humidity),
                room.name() + ": " + Plain.number(celsius) + " °C"
                        + (humidity == null ? "" : ", " + Plain.number(humidity) + " % humidity") + ".");
    }
}
