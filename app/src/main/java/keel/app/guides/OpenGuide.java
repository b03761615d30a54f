package keel.app.guides;

import java.time.Instant;

/** A procedure that was begun and is neither finished nor given up. */
public record OpenGuide(
        long id, String machine, String machineName, String name, String step, Instant touchedAt, String touchedBy) {}
