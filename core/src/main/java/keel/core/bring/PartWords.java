package keel.core.bring;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** How people write which part of a machine was changed. Common practice, no source. */
public final class PartWords {

    /** Parts that are changed. */
    public enum ChangedPart {
        FILM,
        SCREEN,
        LIGHT,
        PLATE
    }

    private static final Map<ChangedPart, List<String>> WORDS = new EnumMap<>(ChangedPart.class);

    static {
        WORDS.put(
                ChangedPart.FILM,
                List.of("film", "release film", "fep", "pfa", "sheet", "vat film", "tank", "liner", "folie"));
        WORDS.put(
                ChangedPart.SCREEN, List.of("screen", "lcd", "mask", "panel", "display", "mono screen", "bildschirm"));
        WORDS.put(
                ChangedPart.LIGHT,
                List.of("light", "light engine", "uv", "led", "leds", "uv light", "lamp", "projector", "licht"));
        WORDS.put(ChangedPart.PLATE, List.of("plate", "build plate", "platform", "bed", "platte"));
    }

    private PartWords() {}

    /** Empty where nobody knows the word. */
    public static Optional<ChangedPart> of(String word) {
        String plain = word.strip()
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}]+", " ")
                .strip();
        return WORDS.entrySet().stream()
                .filter(e -> e.getValue().contains(plain))
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
