package keel.app.base;

/** An entry that does not fit what is already recorded (409). Nothing was written. */
public final class Conflict extends RuntimeException {

    private final String field;

    public Conflict(String field, String message) {
        super(message);
        this.field = field;
    }

    public Conflict(String message) {
        this("", message);
    }

    public String field() {
        return field;
    }
}
