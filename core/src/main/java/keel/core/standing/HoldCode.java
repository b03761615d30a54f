package keel.core.standing;

import java.util.List;

/** Reasons not to print, most urgent first, with what clears each. */
public enum HoldCode {
    WET_UNDER_VAT(
            "wet-under-vat",
            "Wet under the vat",
            20,
            ServiceKind.CLEAN_UP,
            ServiceKind.FILM_CHANGE,
            ServiceKind.TANK_CHANGE,
            ServiceKind.VAT_FITTED,
            ServiceKind.VAT_INSPECTED),
    STOP_GAP_LAPSED(
            "stop-gap-lapsed",
            "Stop-gap not looked at",
            10,
            ServiceKind.VAT_INSPECTED,
            ServiceKind.FILM_CHANGE,
            ServiceKind.VAT_FITTED),
    CRUNCH_NOT_INSPECTED(
            "crunch-not-inspected", "Crush not inspected", 10, ServiceKind.SCREEN_INSPECTED, ServiceKind.VAT_INSPECTED),
    FAILURE_NOT_CLEANED("failure-not-cleaned", "Failed print not cleaned up", 25, ServiceKind.CLEAN_UP),
    RESIN_MIXED("resin-mixed", "Two resins mixed", 30, ServiceKind.CLEAN_UP),
    SCREEN_ENDED("screen-ended", "Screen has ended", 60, ServiceKind.SCREEN_CHANGE),
    FILM_ENDED(
            "film-ended",
            "Film has ended",
            50,
            ServiceKind.FILM_CHANGE,
            ServiceKind.TANK_CHANGE,
            ServiceKind.VAT_FITTED),
    STANCE_UNCHECKED("stance-unchecked", "Stance not checked", 5, ServiceKind.STANCE_CHECKED),
    NOT_LEVELLED("not-levelled", "Not levelled", 8, ServiceKind.LEVELLING),
    PLATE_NOT_CLEAR("plate-not-clear", "Plate not clear", 3, ServiceKind.PLATE_CLEARED);

    private final String code;
    private final String brief;
    private final int minutes;
    private final List<ServiceKind> clearedBy;

    HoldCode(String code, String brief, int minutes, ServiceKind... clearedBy) {
        this.code = code;
        this.brief = brief;
        this.minutes = minutes;
        this.clearedBy = List.of(clearedBy);
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

    /** Services that clear it or are part of clearing it. */
    public List<ServiceKind> clearedBy() {
        return clearedBy;
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
