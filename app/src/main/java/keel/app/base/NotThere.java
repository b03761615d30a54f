package keel.app.base;

/** Something asked for by its code that is not recorded (404). */
public final class NotThere extends RuntimeException {

    public NotThere(String message) {
        super(message);
    }
}
