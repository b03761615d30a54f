package keel.core.standing;

import java.time.Instant;

/**
 * A reason not to print that is open.
 *
 * @param since when it was raised
 * @param text why, and what clears it, in plain words
 * @param next the service that is due first to clear it
 */
public record Hold(HoldCode code, Instant since, String text, ServiceKind next) {}
