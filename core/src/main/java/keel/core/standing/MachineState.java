package keel.core.standing;

/** State of a machine; the first that applies, in this order. */
public enum MachineState {
    OFF("Off", "out of service"),
    RUNNING("Running", "printing"),
    HOLD("Hold", "must not print"),
    DUE("Due", "upkeep is due"),
    WATCH("Watch", "will need hands soon"),
    READY("Ready", "may print");

    private final String word;
    private final String meaning;

    MachineState(String word, String meaning) {
        this.word = word;
        this.meaning = meaning;
    }

    public String word() {
        return word;
    }

    public String meaning() {
        return meaning;
    }
}
