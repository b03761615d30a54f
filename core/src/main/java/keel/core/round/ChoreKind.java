package keel.core.round;

/** Kinds of work, in the order in which a list by kind names them; the order of a round does not go by it. */
public enum ChoreKind {
    GUIDE_OPEN(10, "Go on"),
    HOLD(15, "See to it"),
    START(15, "Start it"),
    LOOK_IN(1, "Look in"),
    PRINT_ENDS(4, "Take it off"),
    OUT_OF_BATH(3, "Take it out"),
    WASH(6, "Wash it"),
    CURE(4, "Cure it"),
    BATH(15, "See to it"),
    RESIN_RETURN(15, "Pour it back"),
    PART_LOOK(5, "Look at it"),
    WASTE(10, "See to it"),
    AIR_ALARM(5, "See what it is"),
    ROOM_CLIMATE(5, "See what it is"),
    AIR_PART(10, "See to it"),
    BUY(10, "Order it"),
    RECEIVE(3, "Book it in"),
    BASELINE(10, "Measure it"),
    PART_CHANGE(50, "Change it"),
    UPKEEP(10, "See to it"),
    VERDICT(8, "Say what it was"),
    CAUSE(5, "Check it"),
    RULE(10, "See to it"),
    BACKUP(3, "Back up"),
    NOT_KNOWN(5, "Say it");

    private final int minutes;
    private final String does;

    ChoreKind(int minutes, String does) {
        this.minutes = minutes;
        this.does = does;
    }

    /** What a button says that does it, or leads there. */
    public String does() {
        return does;
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
