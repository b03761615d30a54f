package keel.app.base;

/** There is no room to write (507). Nothing was written. */
public final class DiskFull extends RuntimeException {

    DiskFull(String message) {
        super(message);
    }
}
