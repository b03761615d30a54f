package keel.app.prints;

import java.time.Instant;

/** A run in brief, for pictures of many: how long it ran, and whether what it printed came out. */
public record Printed(String machine, Instant startedAt, double hours, boolean bad) {}
