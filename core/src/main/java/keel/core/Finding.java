package keel.core;

/**
 * One thing that is wrong with what somebody entered.
 *
 * @param field name of the field as the open interface calls it, or empty where it concerns the whole entry
 * @param message a sentence that says what is wrong and what would be right
 */
public record Finding(String field, String message) {}
