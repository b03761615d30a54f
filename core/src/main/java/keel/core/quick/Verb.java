package keel.core.quick;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** What a line can say of a machine, each with the words for it; the first is the one shown in choices. */
enum Verb {
    RUN(true, "run", "ran", "printed"),
    START(true, "start", "started", "starts"),
    DONE(true, "done", "finished", "ended", "complete", "completed", "stopped", "aborted", "cancelled"),
    FAILED(true, "failed", "failure", "fail", "fails"),
    LEVELLED(true, "levelled", "leveled", "level", "relevelled", "releveled", "levelling", "leveling"),
    CLEARED(true, "cleared", "clear"),
    CLEANED(true, "cleaned", "clean", "cleanup", "clean-up"),
    GREASED(true, "greased", "grease"),
    OILED(true, "oiled", "oil"),
    LUBRICATED(true, "lubricated", "lubed", "lubrication"),
    ABRADED(true, "abraded", "sanded"),
    DEBURRED(true, "deburred", "burr"),
    MOVED(true, "moved", "move"),
    DROPPED(true, "dropped"),
    FIRMWARE(true, "firmware"),
    POUR(true, "pour", "poured", "topped", "filled", "refilled"),
    RETURN(true, "returned", "return"),
    STANCE(true, "stance"),
    FILM(false, "film"),
    TANK(false, "tank"),
    SCREEN(false, "screen"),
    VAT(false, "vat"),
    PLATE(false, "plate"),
    OFF(false, "off"),
    ON(false, "on");

    private static final Names<Verb> NAMES = new Names<>(Arrays.asList(values()), v -> v.words);
    private static final List<Verb> LOOKED_AT = List.of(FILM, TANK, SCREEN, VAT);
    private static final List<Verb> DEEDS = Arrays.stream(values())
            .filter(v -> v.action && v != CLEARED && v != CLEANED)
            .toList();
    private static final LevenshteinDistance DISTANCE = new LevenshteinDistance(1);
    private static final int LONG_ENOUGH_TO_MISTYPE = 6;

    private final boolean action;
    private final List<String> words;

    Verb(boolean action, String... words) {
        this.action = action;
        this.words = List.of(words);
    }

    /** The word for it that is shown. */
    String word() {
        return words.get(0);
    }

    /** Whether other words of it are the name of what was printed. */
    boolean namesAJob() {
        return this == RUN || this == START;
    }

    /** Whether its figures are those of one machine. */
    boolean ofOneMachine() {
        return namesAJob() || this == POUR || this == RETURN || this == VAT || this == FIRMWARE;
    }

    /** Whether its word says something else too: that a run was stopped is how it ended. */
    boolean keeps(String word) {
        return this == DONE && List.of("stopped", "aborted", "cancelled").contains(word.toLowerCase(Locale.ROOT));
    }

    /** A verb with the place of its word. */
    record Found(Verb verb, int at) {}

    private boolean is(String word) {
        return words.contains(word.toLowerCase(Locale.ROOT));
    }

    static boolean isWord(String word) {
        return Arrays.stream(values()).anyMatch(v -> v.is(word));
    }

    static boolean isAction(String word) {
        return Arrays.stream(values()).anyMatch(v -> v.action && v.is(word));
    }

    /** The verb that begins so, if only one does. */
    static Optional<Verb> beginning(String word) {
        return NAMES.find(word);
    }

    static List<Verb> nearest(String word, int most) {
        return NAMES.nearest(word, most);
    }

    /**
     * The verb of some words in any order: a run or its end before a failure, else the first that says what was done,
     * else the part that it was done to; a long word may have one letter wrong. What is clear or clean is said of the
     * part that is named.
     */
    static Optional<Found> in(List<String> words) {
        return exact(words, List.of(RUN))
                .filter(f ->
                        exact(words, List.of(DONE)).isEmpty() || words.stream().anyMatch(w -> w.matches("\\d.*")))
                .or(() -> exact(words, List.of(START, DONE)))
                .or(() -> exact(words, DEEDS))
                .or(() -> exact(words, LOOKED_AT))
                .or(() -> exact(words, List.of(CLEARED, CLEANED)))
                .or(() -> exact(words, List.of(PLATE)))
                .or(() -> exact(words, List.of(OFF, ON)))
                .or(() -> mistyped(words));
    }

    private static Optional<Found> exact(List<String> words, List<Verb> verbs) {
        for (int i = 0; i < words.size(); i++) {
            for (Verb verb : verbs) {
                if (verb.is(words.get(i))) {
                    return Optional.of(new Found(verb, i));
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<Found> mistyped(List<String> words) {
        for (int i = 0; i < words.size(); i++) {
            String word = words.get(i).toLowerCase(Locale.ROOT);
            List<Verb> near = Arrays.stream(values())
                    .filter(v -> v.action
                            && word.length() >= LONG_ENOUGH_TO_MISTYPE
                            && v.words.stream().anyMatch(w -> DISTANCE.apply(w, word) >= 0))
                    .toList();
            if (near.size() == 1) {
                return Optional.of(new Found(near.get(0), i));
            }
        }
        return Optional.empty();
    }
}
