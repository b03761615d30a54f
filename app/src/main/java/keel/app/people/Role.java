package keel.app.people;

/** What a person or a token may do; each role may do all that the ones before it may. */
public enum Role {
    OPERATOR("Operator", "starts prints, writes down what happens"),
    KEEPER("Keeper", "also overrides holds, withdraws entries, sets up machines"),
    OWNER("Owner", "also keeps people, tokens and the shop's figures");

    private final String words;
    private final String may;

    Role(String words, String may) {
        this.words = words;
        this.may = may;
    }

    public String words() {
        return words;
    }

    public String may() {
        return may;
    }

    public boolean atLeast(Role other) {
        return compareTo(other) >= 0;
    }
}
