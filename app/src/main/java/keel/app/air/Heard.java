package keel.app.air;

import java.time.Instant;

/** A sensor posted readings up to this moment. */
public record Heard(long sensor, Instant until) {}
