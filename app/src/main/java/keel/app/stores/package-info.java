/** Stock with its movements, resins, and what is in which vat. */
package keel.app.stores;
