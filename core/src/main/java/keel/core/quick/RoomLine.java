package keel.core.quick;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.core.Plain;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.Word;

/**
 * {@code room 19.5C 48%}, {@code annexe 21}, {@code long room 19,5}: what a room's thermometer and hygrometer read. A
 * number without a unit is degrees Celsius; the reading says so.
 */
final class RoomLine {

    private static final Pattern TEMPERATURE =
            Pattern.compile("([+-]?\\d+(?:[.,]\\d+)?)(°?c|°?f|°celsius|°fahrenheit|°|)", Pattern.CASE_INSENSITIVE);
    private static final Pattern HUMIDITY = Pattern.compile("(\\d+(?:[.,]\\d+)?)%");
    private static final Set<String> IDLE =
            Set.of("room", "the", "in", "is", "at", "was", "has", "reads", "read", "temperature", "humidity", "air");
    private static final double LOWEST_C = -20;
    private static final double HIGHEST_C = 60;

    private final Vocabulary words;

    RoomLine(Vocabulary words) {
        this.words = words;
    }

    /** Whether these words name a room and what it reads, and nothing else. */
    boolean isMeant(List<String> tokens) {
        List<String> names = names(tokens);
        return names.size() < tokens.size()
                && !names.isEmpty()
                && QuickLine.byName(words.rooms()).find(String.join(" ", names)).isPresent();
    }

    /** The room is named, or there is only one. */
    Reading read(List<String> tokens) {
        List<String> names = names(tokens);
        List<String> readings = tokens.stream().filter(RoomLine::isReading).toList();
        if (names.isEmpty() && words.rooms().size() == 1) {
            return read(words.rooms().get(0), readings);
        }
        String name = String.join(" ", names);
        Optional<Word> room = names.isEmpty()
                ? Optional.empty()
                : QuickLine.byName(words.rooms()).find(name);
        return room.map(r -> read(r, readings)).orElseGet(() -> Reading.unclear("Which room?", rooms(readings)));
    }

    private List<Choice> rooms(List<String> readings) {
        return words.rooms().stream()
                .limit(6)
                .map(r -> new Choice(
                        "room " + r.code() + (readings.isEmpty() ? "" : " " + String.join(" ", readings)),
                        read(r, readings).words()))
                .toList();
    }

    private static boolean isReading(String token) {
        return TEMPERATURE.matcher(token).matches() || HUMIDITY.matcher(token).matches();
    }

    private static List<String> names(List<String> tokens) {
        List<String> names = new ArrayList<>();
        for (String token : tokens) {
            if (!isReading(token) && !IDLE.contains(token.toLowerCase(Locale.ROOT))) {
                names.add(token);
            } else if (token.equalsIgnoreCase("room") && !names.isEmpty()) {
                names.add(token);
            }
        }
        return names;
    }

    /** What is said of a room that is known. */
    Reading read(Word room, List<String> tokens) {
        Double celsius = null;
        Double humidity = null;
        for (String token : tokens) {
            Matcher temperature = TEMPERATURE.matcher(token);
            Matcher percent = HUMIDITY.matcher(token);
            if (temperature.matches() && celsius == null) {
                double value = Amounts.number(temperature.group(1));
                celsius = temperature.group(2).toLowerCase(Locale.ROOT).matches("°?f.*") ? (value - 32) / 1.8 : value;
            } else if (percent.matches() && humidity == null) {
                humidity = Amounts.number(percent.group(1));
            } else if (!IDLE.contains(token.toLowerCase(Locale.ROOT))) {
                return Reading.unclear(
                        "What is " + token + "? A room reads like this: " + room.code() + " 19.5C 48%.", List.of());
            }
        }
        return celsius == null ? withoutWarmth(room, humidity) : read(room, celsius, humidity);
    }

    private static Reading withoutWarmth(Word room, Double humidity) {
        return humidity == null
                ? QuickLine.open("room", room)
                : Reading.unclear("How warm is it? " + room.code() + " 19.5C 48%.", List.of());
    }

    private static Reading read(Word room, double celsius, Double humidity) {
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
