package keel.app.stores;

/**
 * What there is to go on with where a film or a tank has ended.
 *
 * @param spareVats with a film in them, on the shelf
 * @param parts sheets, or tanks; null where nobody counts them
 */
public record AtHand(int spareVats, Integer parts) {}
