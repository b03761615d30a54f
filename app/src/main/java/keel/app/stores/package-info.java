/** Material from order to disposal: stock, bottles, baths, waste, spares, costs. */
package keel.app.stores;
