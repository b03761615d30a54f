package keel.app.prints;

import java.time.Instant;
import keel.core.watch.LookIn;

/** A look that is due on a run that is going on. */
public record LookDue(
        String machine, String machineName, long run, String job, LookIn.LookKind kind, Instant dueAt, int layer) {}
