package keel.app.floor;

import java.time.Instant;

/**
 * Something that needs hands, or will.
 *
 * @param what in three or four words
 * @param text why, in a sentence
 * @param minutes usual time, null if not known
 * @param when for what is not now; null for now
 */
record Task(String machine, String name, String what, String text, Integer minutes, Instant when, String path) {}
