package keel.app.standing;

/** Something that lives of parts are reckoned from was written: an end, a run, a cause, a school. */
public record LivesChanged() {}
