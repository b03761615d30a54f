package keel.app.failures;

/** What is known of a failure has changed: what was seen, told or looked at. */
public record EvidenceChanged(long failure) {}
