package keel.app.prints;

/** A job is wanted, or no more, or otherwise. */
public record JobsChanged() {}
