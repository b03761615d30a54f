package keel.app.floor.evidence;

import java.util.Arrays;
import java.util.Locale;
import keel.app.base.NotThere;

/** Of what evidence can be had. */
public enum EvidenceKind {
    MACHINE("Machine"),
    PART("Part"),
    PACK("Pack of film"),
    BOTTLE("Bottle");

    private final String words;

    EvidenceKind(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** As it stands in an address. */
    public String path() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @throws NotThere if there is no such kind */
    public static EvidenceKind of(String path) {
        return Arrays.stream(values())
                .filter(k -> k.path().equals(path.toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() ->
                        new NotThere("There is evidence of a machine, part, pack or bottle, not of " + path + "."));
    }
}
