package keel.core.quick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import keel.core.knowledge.Knowledge;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.quick.Vocabulary.Word;

/**
 * Reads the quick line by rules: a subject (machine, {@code stores}, a room, a vat, a label's code), what happened to
 * it, and what is known of it. Never guesses: what could mean several things is answered with the nearest clear lines.
 *
 * <pre>
 * curlew failed bare-plate        d run 5h20 84ml hinge patterns     egret film new 0.127
 * b levelled                      stores gloves -10                  room 19.5C 48%
 * </pre>
 */
public final class QuickLine {

    /** Longest line that is read. */
    public static final int LONGEST = 300;

    private static final int CHOICES = 5;

    private final Knowledge knowledge;

    public QuickLine(Knowledge knowledge) {
        this.knowledge = knowledge;
    }

    public Reading read(String typed, Vocabulary words) {
        String line = typed == null ? "" : typed.strip();
        if (line.isEmpty()) {
            return Reading.unclear("Type a machine and what happened to it.", examples(words));
        }
        if (line.length() > LONGEST) {
            return Reading.unclear("A line may have " + LONGEST + " characters at most.", List.of());
        }
        List<String> tokens = new ArrayList<>(Arrays.asList(line.split("\\s+")));
        String subject = tokens.remove(0);
        Optional<LabelCode> label = LabelCode.read(subject);
        return label.isPresent() ? labelled(label.get(), tokens, words) : named(subject, tokens, words);
    }

    private Reading named(String subject, List<String> rest, Vocabulary words) {
        String plain = subject.toLowerCase(Locale.ROOT);
        if (plain.equals("stores") || plain.equals("stock")) {
            return new StoresLine(words).read(rest);
        }
        if (plain.equals("room")) {
            return new RoomLine(words).read(rest);
        }
        Optional<MachineWord> machine = machines(words).find(subject);
        if (machine.isPresent()) {
            return new MachineLine(knowledge, words, machine.get()).read(rest);
        }
        Optional<Word> vat = words.vats().stream()
                .filter(v -> v.code().equalsIgnoreCase(subject))
                .findFirst();
        if (vat.isPresent()) {
            return new VatLine(vat.get()).read(rest);
        }
        Optional<Word> room = byName(words.rooms()).find(subject);
        if (room.isPresent()) {
            return rest.isEmpty() ? open("room", room.get()) : new RoomLine(words).read(room.get(), rest);
        }
        return unclear(subject, rest, words);
    }

    private Reading labelled(LabelCode label, List<String> rest, Vocabulary words) {
        return switch (label.kind()) {
            case MACHINE ->
                words.machines().stream()
                        .filter(m -> m.code().equals(label.code()))
                        .findFirst()
                        .map(m -> new MachineLine(knowledge, words, m).read(rest))
                        .orElseGet(() -> unknownLabel(label));
            case VAT ->
                word(words.vats(), label).map(v -> new VatLine(v).read(rest)).orElseGet(() -> unknownLabel(label));
            case BOTTLE -> open("bottle", new Word(label.code(), "bottle " + label.code(), null));
            case ROOM ->
                word(words.rooms(), label)
                        .map(r -> rest.isEmpty() ? open("room", r) : new RoomLine(words).read(r, rest))
                        .orElseGet(() -> unknownLabel(label));
            case ITEM ->
                word(words.items(), label)
                        .map(i -> rest.isEmpty() ? open("item", i) : new StoresLine(words).read(i, rest))
                        .orElseGet(() -> unknownLabel(label));
        };
    }

    private static Optional<Word> word(List<Word> all, LabelCode label) {
        return all.stream().filter(w -> w.code().equalsIgnoreCase(label.code())).findFirst();
    }

    private static Reading unknownLabel(LabelCode label) {
        return Reading.unclear("This label is not on record here: " + label.text() + ".", List.of());
    }

    private Reading unclear(String subject, List<String> rest, Vocabulary words) {
        String tail = rest.isEmpty() ? "" : " " + String.join(" ", rest);
        List<Reading.Choice> choices = Stream.concat(
                        machines(words).nearest(subject, CHOICES).stream()
                                .map(m -> m.name().toLowerCase(Locale.ROOT) + tail),
                        Stream.concat(
                                byName(words.items()).find(subject).stream().map(i -> "stores " + i.code() + tail),
                                byName(words.rooms()).nearest(subject, 2).stream()
                                        .map(r -> r.code() + tail)))
                .distinct()
                .limit(CHOICES)
                .flatMap(line -> choice(line, read(line, words)).stream())
                .toList();
        return Reading.unclear(
                choices.isEmpty()
                        ? "Nothing here is called " + subject + ". Begin with a machine, a room or stores."
                        : "Which one is " + subject + "?",
                choices);
    }

    /** A line to choose, unless it would not lead anywhere either. */
    static Optional<Reading.Choice> choice(String line, Reading read) {
        return read.understood() || !read.choices().isEmpty()
                ? Optional.of(new Reading.Choice(line, read.words()))
                : Optional.empty();
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
