package keel.app.people;

/** Somebody said when people are there. */
public record PresenceChanged() {}
