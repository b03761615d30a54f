package keel.app.stores;

/** Something moved, was ordered or is bought in another way. */
record StockChanged() {}
