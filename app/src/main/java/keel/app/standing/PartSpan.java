package keel.app.standing;

import java.time.Instant;
import keel.app.fleet.ComponentKind;

/**
 * A time that a part was on a machine.
 *
 * @param to when it was taken off, null while it is on
 * @param endedAt when the part came to its end, null if it has not
 * @param endReason why, null if it has not
 */
public record PartSpan(ComponentKind kind, String code, Instant from, Instant to, Instant endedAt, String endReason) {}
