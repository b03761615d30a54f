package keel.app.floor.patterns;

import java.util.EnumMap;
import java.util.Map;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Trait;

/** What to do about a group that fails more than the rest, and where. Common practice, no source. */
final class AdviceWords {

    private static final String NAME = "{name}";
    private static final Map<Trait, PatternFinding.Advice> ADVICE = new EnumMap<>(Trait.class);

    static {
        put(
                Trait.MACHINE,
                "Print the same file on it and on one like it, and compare settings, level and light.",
                "Open " + NAME,
                "/machines/{c}");
        put(Trait.MODEL, "Look at what these machines have in common and others do not.", "Set-up", "/setup");
        put(
                Trait.ROOM,
                "Look at warmth, sun and draught where they stand, and whether the table moves when somebody walks by.",
                "Its air",
                "/air/rooms/{c}");
        put(
                Trait.RESIN,
                "Print its exposure steps again, and stir it longer before each print.",
                "The resin",
                "/stores/resins/{c}");
        put(
                Trait.BOTTLE,
                "Shake and sieve it, look at its date; print one from another bottle. If that comes out, claim it.",
                "The bottle",
                "/stores/bottles/{c}");
        String sheets = "Look at the sheets against the light before the next goes in; dented ones are for a claim.";
        put(Trait.FILM, sheets, "Films", "/bench/films");
        put(Trait.FILM_PACK, sheets, "Packs", "/bench/packs");
        put(Trait.SCREEN, "Photograph its test pictures, and compare its light.", "Screens", "/bench/screens");
        put(Trait.PROFILE, "Go back to the version before, or print the exposure steps again.", "Profiles", "/bench");
        put(
                Trait.JOB,
                "Read its file for islands, cups and large faces, and ask how it stands.",
                "Read its file",
                "/files");
        put(Trait.DETAIL, "See which machine and film these are put on.", "The week", "/week");
        put(Trait.FILE, "Read files before they are printed: the gate asks for it.", "Files", "/files");
        put(
                Trait.WARMTH,
                "Warm the room, or the resin, before prints begin; let it stand in the warm the evening before.",
                "The air",
                "/air");
        String hours = "Ask what is different then: who is there, sun, heating, what is skipped.";
        put(Trait.HOUR, hours, "The runs", "/runs");
        put(Trait.WEEKDAY, hours, "The runs", "/runs");
    }

    private AdviceWords() {}

    private static void put(Trait trait, String text, String label, String path) {
        ADVICE.put(trait, new PatternFinding.Advice(text, label, path));
    }

    static PatternFinding.Advice of(Group group, String name) {
        PatternFinding.Advice said = ADVICE.get(group.trait());
        return new PatternFinding.Advice(
                said.text(), said.label().replace(NAME, name), Wording.path(said.path(), group.value()));
    }
}
