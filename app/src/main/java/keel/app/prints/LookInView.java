package keel.app.prints;

import java.time.Instant;
import keel.core.watch.LookAdvice;
import keel.core.watch.LookIn;

/**
 * A look at a run, done or to be done.
 *
 * @param lookedAt null while it is to be done
 * @param seen null while it is to be done
 */
public record LookInView(
        long id, LookIn.LookKind kind, Instant dueAt, int layer, Instant lookedAt, LookAdvice.Seen seen, String by) {

    public boolean open() {
        return lookedAt == null;
    }
}
