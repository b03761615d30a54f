package keel.app.air;

import java.time.Instant;

/** What somebody read in a room counts no longer. */
public record ReadingWithdrawn(long room, Instant at) {}
