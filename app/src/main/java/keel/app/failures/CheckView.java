package keel.app.failures;

import java.time.Instant;
import java.util.List;

/** A check that was done for a failure; nothing found means that it speaks against all it could have found. */
public record CheckView(long id, String check, List<String> found, Instant at) {}
