package keel.app.guides;

/** Somebody else went on with the session meanwhile, at another tablet; nothing was changed. */
public final class MovedOn extends RuntimeException {

    MovedOn(String who) {
        super(who + " went on with this at another tablet. This is where it stands now.");
    }
}
