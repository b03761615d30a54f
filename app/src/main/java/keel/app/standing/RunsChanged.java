package keel.app.standing;

import java.time.Instant;

/** Runs of a machine were entered, ended, corrected or withdrawn, or may have been, from this time on. */
public record RunsChanged(long machine, Instant since) {}
