package keel.core.quick;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import keel.core.knowledge.Knowledge;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.quick.Vocabulary.Word;

/**
 * Reads the quick line by rules: machines, rooms, vats, items of the stores or a label's code, what happened to them,
 * and when, in any order. Never guesses: what could mean several things is answered with the nearest clear lines, and a
 * word that is not understood is named.
 *
 * <pre>
 * curlew failed bare-plate        d run 5h20 84ml hinge patterns     egret film new 0.127
 * levelled c and b                gloves - 10                        long room 19,5 yesterday 16:30
 * </pre>
 */
public final class QuickLine {

    /** Longest line that is read. */
    public static final int LONGEST = 300;

    private static final int CHOICES = 5;
    private static final int DEEPEST = 2;

    private final Knowledge knowledge;

    public QuickLine(Knowledge knowledge) {
        this.knowledge = knowledge;
    }

    /**
     * Reads a line. What is said of a day or a time holds for all of it, and so does a note behind a colon; a line
     * with a question mark asks for nothing to be written.
     */
    public Reading read(String typed, Vocabulary words) {
        return read(typed, words, 0);
    }

    /** @param depth how many choices of choices this is; what is offered there offers nothing more */
    private Reading read(String typed, Vocabulary words, int depth) {
        String line = typed == null ? "" : typed.strip();
        if (line.isEmpty()) {
            return Reading.unclear("Type a machine and what happened to it.", examples(words));
        }
        if (line.length() > LONGEST) {
            return Reading.unclear("A line may have " + LONGEST + " characters at most.", List.of());
        }
        Noted noted = Noted.of(line);
        if (noted.line().contains("?")) {
            return Reading.unclear("A question is looked for, not written.", List.of());
        }
        List<String> all = Spelling.words(noted.line());
        MomentWords.Taken when = MomentWords.take(all, words.now(), durations(all));
        List<Clause> clauses = Clause.of(all, machines(words), elsewhere(words));
        if (clauses.isEmpty()) {
            return Reading.unclear("What happened then? Begin with a machine.", List.of());
        }
        return when.problem() != null
                ? new Said(clauses, noted.note(), null).instead(when, deeper(words, depth))
                : read(new Said(clauses, noted.note(), when.moment()), words, deeper(words, depth));
    }

    /** Whether words are about the stores or a room, whatever machine was named before them. */
    private static Predicate<List<String>> elsewhere(Vocabulary words) {
        StoresLine stores = new StoresLine(words);
        RoomLine room = new RoomLine(words);
        return said -> !said.isEmpty() && (stores.isMeant(said) || room.isMeant(said));
    }

    /** A plain 5:20 of a run that has no other length is how long it took. */
    private static int durations(List<String> words) {
        boolean run = Verb.in(words).filter(f -> f.verb() == Verb.RUN).isPresent();
        return run
                        && Amounts.in(words.stream()
                                                .filter(w -> !w.contains(":"))
                                                .toList())
                                        .hours()
                                == null
                ? 1
                : 0;
    }

    private Function<String, Reading> deeper(Vocabulary words, int depth) {
        return line ->
                depth < DEEPEST ? read(line, words, depth + 1) : Reading.unclear("That is not clear yet.", List.of());
    }

    private Reading read(Said said, Vocabulary words, Function<String, Reading> deeper) {
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < said.clauses().size(); i++) {
            Reading reading = read(said.clauses().get(i), said.moment(), words, deeper);
            if (!reading.understood()) {
                return said.unclear(i, reading, deeper);
            }
            readings.add(reading);
        }
        return said.clear(readings);
    }

    private Reading read(Clause clause, Moment moment, Vocabulary words, Function<String, Reading> deeper) {
        String when = moment == null ? null : moment.words();
        if (clause.machines().isEmpty()) {
            return elsewhere(clause.words(), words, deeper);
        }
        List<String> said = clause.words();
        Optional<Verb> verb = Verb.in(said).map(Verb.Found::verb);
        if (clause.machines().size() > 1 && verb.filter(Verb::ofOneMachine).isPresent()) {
            return Reading.unclear("One machine at a time, please: each has figures of its own.", List.of());
        }
        List<Reading> readings = clause.machines().stream()
                .map(m -> new MachineLine(knowledge, words, m, when).read(said))
                .toList();
        return readings.stream().filter(r -> !r.understood()).findFirst().orElseGet(() -> Said.together(readings));
    }

    private Reading elsewhere(List<String> tokens, Vocabulary words, Function<String, Reading> deeper) {
        String subject = tokens.get(0);
        List<String> rest = tokens.subList(1, tokens.size());
        Optional<LabelCode> label = LabelCode.read(subject);
        if (label.isPresent()) {
            return labelled(label.get(), rest, words);
        }
        StoresLine stores = new StoresLine(words);
        if (subject.equalsIgnoreCase("stores") || subject.equalsIgnoreCase("stock")) {
            return stores.read(rest, true);
        }
        RoomLine room = new RoomLine(words);
        if (subject.equalsIgnoreCase("room") || room.isMeant(tokens)) {
            return room.read(tokens);
        }
        Optional<Word> vat = words.vats().stream()
                .filter(v -> tokens.stream().anyMatch(t -> t.equalsIgnoreCase(v.code())))
                .findFirst();
        if (vat.isPresent()) {
            return new VatLine(vat.get())
                    .read(tokens.stream()
                            .filter(t -> !t.equalsIgnoreCase(vat.get().code()))
                            .toList());
        }
        if (stores.isMeant(tokens)) {
            return stores.read(tokens, false);
        }
        Optional<Word> named = byName(words.rooms()).find(String.join(" ", tokens));
        return named.map(r -> open("room", r)).orElseGet(() -> unclear(subject, tokens, words, deeper));
    }

    private Reading labelled(LabelCode label, List<String> rest, Vocabulary words) {
        return switch (label.kind()) {
            case MACHINE -> unknownLabel(label);
            case VAT ->
                word(words.vats(), label).map(v -> new VatLine(v).read(rest)).orElseGet(() -> unknownLabel(label));
            case BOTTLE -> open("bottle", new Word(label.code(), "bottle " + label.code(), null));
            case ROOM ->
                word(words.rooms(), label)
                        .map(r -> rest.isEmpty() ? open("room", r) : new RoomLine(words).read(r, rest))
                        .orElseGet(() -> unknownLabel(label));
            case ITEM ->
                word(words.items(), label)
                        .map(i -> new StoresLine(words).of(i, rest))
                        .orElseGet(() -> unknownLabel(label));
        };
    }

    private static Optional<Word> word(List<Word> all, LabelCode label) {
        return all.stream().filter(w -> w.code().equalsIgnoreCase(label.code())).findFirst();
    }

    private static Reading unknownLabel(LabelCode label) {
        return Reading.unclear("This label is not on record here: " + label.text() + ".", List.of());
    }

    private Reading unclear(String subject, List<String> tokens, Vocabulary words, Function<String, Reading> deeper) {
        if (Verb.isWord(subject) && words.machines().size() > 0) {
            return Reading.unclear("Which machine?", whichMachine(String.join(" ", tokens), words, deeper));
        }
        List<String> rest = tokens.subList(1, tokens.size());
        String tail = rest.isEmpty() ? "" : " " + String.join(" ", rest);
        List<Reading.Choice> choices = Stream.concat(
                        machines(words).nearest(subject, CHOICES).stream()
                                .map(m -> m.name().toLowerCase(Locale.ROOT) + tail),
                        Stream.concat(
                                stores(tokens, words),
                                byName(words.rooms()).nearest(subject, 2).stream()
                                        .map(r -> r.code() + tail)))
                .distinct()
                .limit(CHOICES)
                .flatMap(line -> choice(line, deeper.apply(line)).stream())
                .toList();
        return Reading.unclear(
                choices.isEmpty()
                        ? "Nothing here is called " + subject + ". Begin with a machine, a room or stores."
                        : "Which one is " + subject + "?",
                choices);
    }

    private static List<Reading.Choice> whichMachine(String said, Vocabulary words, Function<String, Reading> deeper) {
        return words.machines().stream()
                .limit(CHOICES)
                .map(m -> m.code() + " " + said)
                .flatMap(line -> choice(line, deeper.apply(line)).stream())
                .toList();
    }

    /** Lines about the stores that may be meant: an amount without a sign went in or out. */
    private static Stream<String> stores(List<String> tokens, Vocabulary words) {
        return new StoresLine(words).read(tokens, false).choices().stream().map(Reading.Choice::line);
    }

    /** A line to choose, unless it would not lead anywhere either. */
    static Optional<Reading.Choice> choice(String line, Reading read) {
        return read.leads() ? Optional.of(new Reading.Choice(line, read.words())) : Optional.empty();
    }

    private static List<Reading.Choice> examples(Vocabulary words) {
        return words.machines().stream()
                .limit(1)
                .flatMap(m -> Stream.of(
                        new Reading.Choice(m.code() + " failed bare-plate", "a failure and what was seen"),
                        new Reading.Choice(m.code() + " levelled", "a service"),
                        new Reading.Choice(m.code() + " cleared", "the plate is clear")))
                .toList();
    }

    static Names<MachineWord> machines(Vocabulary words) {
        return new Names<>(words.machines(), m -> List.of(m.code(), m.name()));
    }

    static Names<Word> byName(List<Word> words) {
        return new Names<>(words, w -> List.of(w.code(), w.name()));
    }

    static Reading open(String kind, Word word) {
        return Reading.clear(new Order.Open(kind, word.code()), "Show " + word.name() + ".");
    }
}
