package keel.core.find;

/**
 * Something that can be found.
 *
 * @param kind machine, vat, run and so on, as it is told
 * @param name as it is shown
 * @param url where it is
 * @param words more by which it may be meant; they count less than its name
 */
public record Findable(String kind, String name, String url, String words) {}
