package keel.core.round;

/** Kinds of work, in the order in which a list by kind names them; the order of a round does not go by it. */
public enum ChoreKind {
    GUIDE_OPEN("A guide that was put down", 10),
    HOLD("What holds a machine", 15),
    LOOK_IN("Looking in on a print", 1),
    PRINT_ENDS("A print that ends", 4),
    OUT_OF_BATH("A print in the bath", 3),
    WASH("Prints to wash", 6),
    CURE("Parts to cure", 4),
    BATH("A bath to change", 15),
    RESIN_RETURN("Resin to return", 15),
    PART_LOOK("A look at a part", 5),
    WASTE("Raw waste", 10),
    AIR_ALARM("Air out of its limits", 5),
    ROOM_CLIMATE("A room too cold or too warm", 5),
    AIR_PART("Upkeep of the air", 10),
    BUY("Something to order", 10),
    RECEIVE("An order that should be there", 3),
    BASELINE("Baselines that are missing", 10),
    PART_CHANGE("A part near its end", 50),
    UPKEEP("Upkeep of a machine", 10),
    VERDICT("A failure without a cause", 8),
    CAUSE("A cause nobody confirmed", 5),
    RULE("Upkeep by the shop's rules", 10),
    BACKUP("A backup", 3),
    NOT_KNOWN("What nobody said yet", 5);

    private final String words;
    private final int minutes;

    ChoreKind(String words, int minutes) {
        this.words = words;
        this.minutes = minutes;
    }

    public String words() {
        return words;
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
