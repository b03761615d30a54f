package keel.app.standing;

/** Something was written by which the condition of parts is judged: a look, a reading, an exposure. */
public record ConditionChanged() {}
