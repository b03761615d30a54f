package keel.core.quick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keel.core.bring.OutcomeWords;
import keel.core.quick.Vocabulary.MachineWord;

/**
 * One thing that a line says, with the machines that it says it of.
 *
 * @param machines none where it is about something else
 * @param words what is said, without the machines
 * @param typed all of it, as it was typed
 */
record Clause(List<MachineWord> machines, List<String> words, List<String> typed) {

    private static final Set<String> BEFORE_A_NAME =
            Set.of("on", "at", "of", "in", "for", "from", "into", "to", "onto");
    private static final Set<String> MORE = Set.of("on", "with", "at", "in", "by");
    private static final int LETTERS_ANYWHERE = 3;

    /**
     * Reads a line's words into clauses: a fact without a machine belongs to the machines before it.
     *
     * @param elsewhere whether words are about stores or rooms, and so about no machine
     */
    static List<Clause> of(List<String> words, Names<MachineWord> machines, Predicate<List<String>> elsewhere) {
        List<Clause> clauses = new ArrayList<>();
        for (List<String> segment : segments(words)) {
            Clause next = segment(segment, machines, clauses.isEmpty());
            Clause last = clauses.isEmpty() ? null : clauses.get(clauses.size() - 1);
            if (last == null || next.machines.isEmpty() && elsewhere.test(next.words)) {
                clauses.add(next);
            } else if (last.leadsOn() || next.words.isEmpty() || !next.standsAlone(last)) {
                clauses.set(clauses.size() - 1, last.with(next));
            } else if (next.machines.isEmpty() && !next.mayBegin(machines)) {
                clauses.add(new Clause(last.machines, next.words, next.typed));
            } else {
                clauses.add(next);
            }
        }
        for (int i = clauses.size() - 2; i >= 0; i--) {
            clauses.set(i, clauses.get(i).inherits(clauses.get(i + 1)));
        }
        return clauses;
    }

    /** Whether it says too little to be all: only names, or facts of which nobody knows yet what they are of. */
    private boolean leadsOn() {
        return words.isEmpty()
                || machines.isEmpty()
                        && Verb.in(words).isEmpty()
                        && words.stream().noneMatch(w -> w.matches("[+-]?\\d.*"));
    }

    /** What was done, said before the machine that it was done to. */
    private Clause inherits(Clause next) {
        return machines.isEmpty() && words.stream().anyMatch(Verb::isAction)
                ? new Clause(next.machines, words, typed)
                : this;
    }

    private static List<List<String>> segments(List<String> words) {
        List<List<String>> segments = new ArrayList<>();
        List<String> segment = new ArrayList<>();
        for (String word : words) {
            if (!Spelling.separates(word)) {
                segment.add(word);
            } else if (!segment.isEmpty()) {
                segments.add(segment);
                segment = new ArrayList<>();
                if (!word.equals(",")) {
                    segment.add(word);
                }
            }
        }
        if (!segment.isEmpty() && !(segment.size() == 1 && Spelling.separates(segment.get(0)))) {
            segments.add(segment);
        }
        return segments;
    }

    /** The machine of a segment is where it begins, else behind a word like <i>on</i>, else the first that is named. */
    private static Clause segment(List<String> typed, Names<MachineWord> names, boolean first) {
        List<String> words = new ArrayList<>(typed);
        if (Spelling.separates(words.get(0))) {
            words.remove(0);
        }
        int at = place(words, names, first);
        if (at < 0) {
            return new Clause(List.of(), words, typed);
        }
        MachineWord machine =
                machine(words.get(at), names, begins(words, at), first).orElseThrow();
        words.subList(placed(words, at) ? at - 1 : at, at + 1).clear();
        return new Clause(List.of(machine), words, typed);
    }

    private static int place(List<String> words, Names<MachineWord> names, boolean first) {
        int[] named = IntStream.range(0, words.size())
                .filter(i ->
                        machine(words.get(i), names, begins(words, i), first).isPresent())
                .toArray();
        if (named.length == 0 || unknownSubject(words) && named[0] > 0) {
            return -1;
        }
        return named[0] == 0
                ? 0
                : Arrays.stream(named).filter(i -> placed(words, i)).findFirst().orElse(named[0]);
    }

    /** Whether a line begins with a name that nothing has, and what was printed comes behind it. */
    private static boolean unknownSubject(List<String> words) {
        return words.get(0).matches("\\p{L}+")
                && Verb.in(words)
                        .filter(f -> f.verb().namesAJob() && f.at() == 1)
                        .isPresent()
                && !Verb.isWord(words.get(0));
    }

    /** Whether a letter is enough for a name there: where it begins, or as the last word behind what was done. */
    private static boolean begins(List<String> words, int i) {
        return i == 0 || i == words.size() - 1 && Verb.isAction(words.get(i - 1));
    }

    private static boolean placed(List<String> words, int i) {
        return i > 0 && BEFORE_A_NAME.contains(words.get(i - 1).toLowerCase(Locale.ROOT));
    }

    private static Optional<MachineWord> machine(
            String typed, Names<MachineWord> names, boolean begins, boolean first) {
        String word = typed.replaceAll("['\u2019]s$", "");
        if (Verb.isWord(word)) {
            return names.exact(word);
        }
        if (LabelCode.read(word).isPresent()) {
            return LabelCode.read(word)
                    .filter(l -> l.kind() == LabelCode.LabelKind.MACHINE)
                    .flatMap(l -> names.exact(l.code()));
        }
        boolean enough = begins ? first || word.length() == 1 : word.length() >= LETTERS_ANYWHERE;
        return enough || word.length() >= LETTERS_ANYWHERE && begins ? names.beginning(word) : names.exact(word);
    }

    /** Whether it begins with letters that several machines begin with. */
    private boolean mayBegin(Names<MachineWord> names) {
        return !Verb.isWord(words.get(0)) && names.begun(words.get(0)) > 1;
    }

    /** Whether this says something of its own, and is not one more fact of what was said before. */
    private boolean standsAlone(Clause before) {
        Optional<Verb.Found> mine = Verb.in(words);
        Verb said = Verb.in(before.words).map(Verb.Found::verb).orElse(null);
        if (!machines.isEmpty()) {
            return said == null || mine.isPresent() || !before.machines.isEmpty();
        }
        if (MORE.contains(words.get(0).toLowerCase(Locale.ROOT))) {
            return false;
        }
        if (said == null) {
            return before.machines.isEmpty() && Character.isLetter(words.get(0).charAt(0));
        }
        if (said == Verb.DONE
                && words.stream().allMatch(w -> OutcomeWords.of(w, Map.of()).isPresent())) {
            return false;
        }
        if (said.namesAJob()) {
            return mine.isPresent() && mine.get().at() == 0 && Verb.isAction(words.get(0));
        }
        return mine.isPresent()
                && (said != Verb.FAILED || Verb.isAction(words.get(mine.get().at())));
    }

    private Clause with(Clause next) {
        boolean onlyNames = words.isEmpty() || next.words.isEmpty();
        boolean job = Verb.in(words).map(f -> f.verb().namesAJob()).orElse(false);
        List<String> more = job ? next.typed : next.words;
        return new Clause(
                onlyNames || machines.isEmpty()
                        ? Stream.concat(machines.stream(), next.machines.stream())
                                .distinct()
                                .toList()
                        : machines,
                Stream.concat(words.stream(), more.stream()).toList(),
                Stream.concat(typed.stream(), next.typed.stream()).toList());
    }

    /** The words with the verb's first. */
    List<String> verbFirst() {
        Optional<Verb.Found> found = Verb.in(words);
        if (found.isEmpty()) {
            return words;
        }
        List<String> turned = new ArrayList<>(words);
        if (!found.get().verb().keeps(words.get(found.get().at()))) {
            turned.remove(found.get().at());
        }
        turned.add(0, found.get().verb().word());
        return turned;
    }

    /** As a line of its own. */
    String line() {
        return Stream.concat(
                        Stream.of(machines.stream().map(MachineWord::code).collect(Collectors.joining(" and "))),
                        verbFirst().stream())
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(" "));
    }
}
