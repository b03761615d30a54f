package keel.core.round;

/** Kinds of work, in the order in which a list by kind names them; the order of a round does not go by it. */
public enum ChoreKind {
    GUIDE_OPEN(10),
    HOLD(15),
    START(15),
    LOOK_IN(1),
    PRINT_ENDS(4),
    OUT_OF_BATH(3),
    WASH(6),
    CURE(4),
    BATH(15),
    RESIN_RETURN(15),
    PART_LOOK(5),
    WASTE(10),
    AIR_ALARM(5),
    ROOM_CLIMATE(5),
    AIR_PART(10),
    BUY(10),
    RECEIVE(3),
    BASELINE(10),
    PART_CHANGE(50),
    UPKEEP(10),
    VERDICT(8),
    CAUSE(5),
    RULE(10),
    BACKUP(3),
    NOT_KNOWN(5);

    private final int minutes;

    ChoreKind(int minutes) {
        this.minutes = minutes;
    }

    /** Usual minutes where nothing else says them; common practice, no source. */
    public int minutes() {
        return minutes;
    }

    /** Whether it is about people rather than things: that it can wait is not learned. */
    public boolean aboutPeople() {
        return this == AIR_ALARM;
    }
}
