package keel.core.round;

import java.util.Set;

/** What somebody may want to be reminded of. */
public enum RemindOf {
    AIR("bad air", Set.of(ChoreKind.AIR_ALARM, ChoreKind.ROOM_CLIMATE)),
    LOOKS("looks at prints", Set.of(ChoreKind.LOOK_IN)),
    ENDS("prints that end", Set.of(ChoreKind.PRINT_ENDS)),
    WASH("what is in the bath, dries or cures", Set.of(ChoreKind.OUT_OF_BATH, ChoreKind.WASH, ChoreKind.CURE)),
    STARTS("jobs to start", Set.of(ChoreKind.START)),
    HOLDS("machines that are held", Set.of(ChoreKind.HOLD, ChoreKind.GUIDE_OPEN)),
    UPKEEP(
            "upkeep",
            Set.of(ChoreKind.UPKEEP, ChoreKind.PART_CHANGE, ChoreKind.PART_LOOK, ChoreKind.RULE, ChoreKind.BATH)),
    STORES("orders and waste", Set.of(ChoreKind.BUY, ChoreKind.RECEIVE, ChoreKind.WASTE, ChoreKind.RESIN_RETURN));

    private final String words;
    private final Set<ChoreKind> kinds;

    RemindOf(String words, Set<ChoreKind> kinds) {
        this.words = words;
        this.kinds = kinds;
    }

    public String words() {
        return words;
    }

    public boolean has(Chore chore) {
        return kinds.contains(chore.kind());
    }
}
