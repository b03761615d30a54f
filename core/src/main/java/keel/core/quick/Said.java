package keel.core.quick;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Reading.Entry;

/**
 * All of a line: its clauses, the note and the moment that hold for each of them. Readings and choices of one clause
 * become those of the whole line here, so that a choice keeps what else was typed.
 */
record Said(List<Clause> clauses, String note, Moment moment) {

    /** Several readings as one. */
    static Reading together(List<Reading> readings) {
        return readings.size() == 1
                ? readings.get(0)
                : Reading.clear(
                        readings.stream().flatMap(r -> r.entries().stream()).toList(),
                        readings.stream().map(Reading::words).collect(Collectors.joining(" ")));
    }

    Reading clear(List<Reading> readings) {
        Reading all = together(readings);
        if (note != null && all.entries().stream().anyMatch(e -> !takesNote(e.order()))) {
            return Reading.unclear(
                    "A note can be kept with a failure and with work at the bench, not with this. Leave it out: "
                            + note,
                    List.of());
        }
        return Reading.clear(all.entries().stream().map(this::complete).toList(), words(all.words()));
    }

    private static boolean takesNote(Order order) {
        return order instanceof Order.LogFailure || order instanceof Order.DoService;
    }

    private Entry complete(Entry entry) {
        Order order = entry.order() instanceof Order.LogFailure f
                ? new Order.LogFailure(f.machine(), f.symptoms(), f.absent(), f.zones(), note)
                : entry.order();
        return new Entry(order, moment == null ? null : moment.at(), order instanceof Order.DoService ? note : null);
    }

    private String words(String words) {
        String plain = words.endsWith(".") ? words.substring(0, words.length() - 1) : words;
        String when = moment == null || words.contains(moment.words()) ? "" : "; " + moment.words();
        return plain + when + (note == null ? "" : "; note: " + note) + ".";
    }

    /** What is not clear about one clause, with whole lines to choose from. */
    Reading unclear(int at, Reading reading, Function<String, Reading> deeper) {
        if (clauses.size() == 1 && note == null && moment == null) {
            return reading;
        }
        if (reading.open() != null) {
            return Reading.unclear("What happened there? " + reading.words(), List.of());
        }
        return Reading.unclear(
                reading.words(),
                reading.choices().stream()
                        .map(c -> with(at, c.line()))
                        .filter(line ->
                                !line.equalsIgnoreCase(whole(clauses.stream().map(Clause::line))))
                        .flatMap(line -> QuickLine.choice(line, deeper.apply(line)).stream())
                        .toList());
    }

    /** What else could be said where the moment is not clear. */
    Reading instead(MomentWords.Taken taken, Function<String, Reading> deeper) {
        String line = lines();
        List<Choice> choices = new ArrayList<>();
        for (String when : taken.instead()) {
            String told = line + " " + when + noted();
            QuickLine.choice(told, deeper.apply(told)).ifPresent(choices::add);
        }
        return Reading.unclear(taken.problem(), choices);
    }

    private String with(int at, String replaced) {
        return whole(IntStream.range(0, clauses.size())
                .mapToObj(i -> i == at ? replaced : clauses.get(i).line()));
    }

    private String whole(Stream<String> lines) {
        return lines.collect(Collectors.joining(", ")) + (moment == null ? "" : " " + moment.words()) + noted();
    }

    private String lines() {
        return clauses.stream().map(Clause::line).collect(Collectors.joining(", "));
    }

    private String noted() {
        return note == null ? "" : ": " + note;
    }
}
