package keel.core.standing;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * What later judgement of a machine is held against: taken once, while it is known to be good, and again with each part
 * that is changed. Without it a fading screen, a slack film or a wrong speed shows only when prints fail. Common
 * practice, no source.
 */
public enum Baseline {
    STANCE("Stance", "that it stands firm and level", EnumSet.allOf(MachineKind.class)),
    PICTURE("Screen photograph", "the first photograph of its screen", EnumSet.of(MachineKind.MASK)),
    UV_MAP("UV map", "a first map of its light", EnumSet.of(MachineKind.MASK, MachineKind.PROJECTOR)),
    TONE("Film tone", "the tone of its film", EnumSet.of(MachineKind.MASK, MachineKind.PROJECTOR)),
    TIMING("Dry run", "the timing of a dry layer", EnumSet.of(MachineKind.MASK, MachineKind.PROJECTOR)),
    SCALE("Scale", "a measured piece of known lengths", EnumSet.allOf(MachineKind.class));

    private final String title;
    private final String words;
    private final Set<MachineKind> kinds;

    Baseline(String title, String words, Set<MachineKind> kinds) {
        this.title = title;
        this.words = words;
        this.kinds = kinds;
    }

    /** As a column is headed. */
    public String title() {
        return title;
    }

    /** As in "nobody took the tone of its film". */
    public String words() {
        return words;
    }

    public boolean isFor(MachineKind kind) {
        return kinds.contains(kind);
    }

    /** Those that such a machine can have. */
    public static List<Baseline> of(MachineKind kind) {
        return Arrays.stream(values()).filter(b -> b.isFor(kind)).toList();
    }
}
