package keel.core.quick;

import java.util.Locale;
import java.util.Optional;

/**
 * The text of a label, as a scanner types it: {@code VK-M-CURLEW} for a machine, V for a vat, I for an item of the
 * stores, R for a room or place, B for a bottle of resin. Upper case and dashes only, so that any scanner's keyboard
 * layout and the dense mode of a QR code carry it.
 */
public record LabelCode(LabelKind kind, String code) {

    /** What a label can stand on. */
    public enum LabelKind {
        MACHINE,
        VAT,
        ITEM,
        ROOM,
        BOTTLE
    }

    private static final String PREFIX = "vk-";

    public String text() {
        return (PREFIX + kind.name().charAt(0) + "-" + code).toUpperCase(Locale.ROOT);
    }

    /** The label that was typed, or empty if this is none. Codes come in lower case, but those of vats and bottles. */
    public static Optional<LabelCode> read(String typed) {
        String text = typed.toLowerCase(Locale.ROOT);
        if (!text.startsWith(PREFIX)
                || text.length() < PREFIX.length() + 3
                || text.charAt(PREFIX.length() + 1) != '-') {
            return Optional.empty();
        }
        String code = text.substring(PREFIX.length() + 2);
        for (LabelKind kind : LabelKind.values()) {
            if (Character.toLowerCase(kind.name().charAt(0)) == text.charAt(PREFIX.length())) {
                return Optional.of(new LabelCode(
                        kind,
                        kind == LabelKind.VAT || kind == LabelKind.BOTTLE ? code.toUpperCase(Locale.ROOT) : code));
            }
        }
        return Optional.empty();
    }
}
