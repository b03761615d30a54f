package keel.core.pattern;

import java.util.EnumSet;
import java.util.Set;

/** By what prints are told apart when a pattern is looked for. */
public enum Trait {
    MACHINE("machine"),
    MODEL("model of machine"),
    ROOM("room"),
    RESIN("resin"),
    BOTTLE("bottle"),
    FILM("film"),
    FILM_PACK("pack of film"),
    SCREEN("screen"),
    PROFILE("version of a profile"),
    JOB("job"),
    DETAIL("detail"),
    FILE("file"),
    WARMTH("warmth of the room"),
    HOUR("time of day"),
    WEEKDAY("day of the week");

    private static final Set<Trait> WHAT_IS_PRINTED = EnumSet.of(JOB, RESIN, DETAIL);

    private final String words;

    Trait(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether it says what is printed rather than with what: like is compared with like within it. */
    public boolean ofWhatIsPrinted() {
        return WHAT_IS_PRINTED.contains(this);
    }
}
