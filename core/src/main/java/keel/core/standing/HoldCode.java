package keel.core.standing;

import static keel.core.standing.ServiceKind.CLEAN_UP;
import static keel.core.standing.ServiceKind.FILM_CHANGE;
import static keel.core.standing.ServiceKind.LEVELLING;
import static keel.core.standing.ServiceKind.PLATE_CLEARED;
import static keel.core.standing.ServiceKind.SCREEN_CHANGE;
import static keel.core.standing.ServiceKind.SCREEN_INSPECTED;
import static keel.core.standing.ServiceKind.STANCE_CHECKED;
import static keel.core.standing.ServiceKind.TANK_CHANGE;
import static keel.core.standing.ServiceKind.VAT_FITTED;
import static keel.core.standing.ServiceKind.VAT_INSPECTED;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * Reasons not to print, most urgent first, with what clears each: of every step one of its services, steps that build
 * on one another in their order.
 */
public enum HoldCode {
    WET_UNDER_VAT(
            "wet-under-vat",
            "Wet under the vat",
            20,
            EnumSet.of(CLEAN_UP, FILM_CHANGE, TANK_CHANGE, VAT_FITTED),
            EnumSet.of(VAT_INSPECTED)),
    STOP_GAP_LAPSED(
            "stop-gap-lapsed", "Stop-gap not looked at", 10, EnumSet.of(VAT_INSPECTED, FILM_CHANGE, VAT_FITTED)),
    CRUNCH_NOT_INSPECTED(
            "crunch-not-inspected", "Crush not inspected", 10, EnumSet.of(SCREEN_INSPECTED), EnumSet.of(VAT_INSPECTED)),
    FAILURE_NOT_CLEANED("failure-not-cleaned", "Failed print not cleaned up", 25, EnumSet.of(CLEAN_UP)),
    RESIN_MIXED("resin-mixed", "Two resins mixed", 30, EnumSet.of(CLEAN_UP)),
    SCREEN_ENDED("screen-ended", "Screen has ended", 60, EnumSet.of(SCREEN_CHANGE)),
    FILM_ENDED("film-ended", "Film has ended", 50, EnumSet.of(FILM_CHANGE, TANK_CHANGE, VAT_FITTED)),
    STANCE_UNCHECKED("stance-unchecked", "Stance not checked", 5, EnumSet.of(STANCE_CHECKED)),
    NOT_LEVELLED("not-levelled", "Not levelled", 8, EnumSet.of(LEVELLING)),
    PLATE_NOT_CLEAR("plate-not-clear", "Plate not clear", 3, EnumSet.of(PLATE_CLEARED));

    private final String code;
    private final String brief;
    private final int minutes;
    private final List<Set<ServiceKind>> steps;

    @SafeVarargs
    HoldCode(String code, String brief, int minutes, Set<ServiceKind>... steps) {
        this.code = code;
        this.brief = brief;
        this.minutes = minutes;
        this.steps = List.of(steps);
    }

    /** Code of the open interface. */
    public String code() {
        return code;
    }

    /** Three or four words. */
    public String brief() {
        return brief;
    }

    /** Usual time to clear it, minutes; common practice. */
    public int minutes() {
        return minutes;
    }

    /** What clears it: of each step one service must have been done since it was raised. */
    public List<Set<ServiceKind>> steps() {
        return steps;
    }

    /** @throws IllegalArgumentException for a code that is none */
    public static HoldCode of(String code) {
        for (HoldCode hold : values()) {
            if (hold.code.equals(code)) {
                return hold;
            }
        }
        throw new IllegalArgumentException("No hold is called " + code + ".");
    }
}
