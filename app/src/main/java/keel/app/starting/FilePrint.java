package keel.app.starting;

import java.time.Instant;

/** A print of a sliced file; {@code cameOut} null while that is not known. */
public record FilePrint(long run, String machine, String job, Instant startedAt, Boolean cameOut, boolean open) {}
