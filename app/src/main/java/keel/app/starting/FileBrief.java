package keel.app.starting;

import java.time.Instant;

/** A sliced file in brief; {@code keptBytes} null where only its summary is kept. */
public record FileBrief(String hash, String name, Instant checkedAt, Long keptBytes, String person) {}
