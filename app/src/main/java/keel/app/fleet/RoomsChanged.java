package keel.app.fleet;

/** A room came, or is no longer used, or is used again. */
public record RoomsChanged() {}
