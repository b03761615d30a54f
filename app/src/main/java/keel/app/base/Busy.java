package keel.app.base;

/** Too much of this is being done at once (503): the same again in a moment will do. Nothing was written. */
public final class Busy extends RuntimeException {

    public Busy(String message) {
        super(message);
    }
}
